/** Accounts, roles, signing in, and the first set-up. */
@NullMarked
package jollyroster.team;

import org.jspecify.annotations.NullMarked;
