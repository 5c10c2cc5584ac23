/** One person across sessions. */
@NullMarked
package jollyroster.people;

import org.jspecify.annotations.NullMarked;
