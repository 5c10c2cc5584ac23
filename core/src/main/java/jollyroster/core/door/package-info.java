/** Personal links, when the door is open, and what a person with a link meets there. */
@NullMarked
package jollyroster.core.door;

import org.jspecify.annotations.NullMarked;
