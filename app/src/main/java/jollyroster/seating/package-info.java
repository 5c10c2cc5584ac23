/** Every seat given, held, offered, moved and taken back; one way in. */
@NullMarked
package jollyroster.seating;

import org.jspecify.annotations.NullMarked;
