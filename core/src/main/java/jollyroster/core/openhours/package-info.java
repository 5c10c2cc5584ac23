/** Who and what is free when: sessions with their buffers, busy times, and where they collide. */
@NullMarked
package jollyroster.core.openhours;

import org.jspecify.annotations.NullMarked;
