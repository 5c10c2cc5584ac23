/** The guest list of an offering: taken in, written to, answered for, and told of. */
@NullMarked
package jollyroster.guests;

import org.jspecify.annotations.NullMarked;
