/** Those who lead a session, and how they come in. */
@NullMarked
package jollyroster.leading;

import org.jspecify.annotations.NullMarked;
