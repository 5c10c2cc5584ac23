/** One-to-one time within a session. */
@NullMarked
package jollyroster.turns;

import org.jspecify.annotations.NullMarked;
