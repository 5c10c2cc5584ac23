/** Standing rooms: an address that never changes, who comes in there, and the meetings that were. */
@NullMarked
package jollyroster.rooms;

import org.jspecify.annotations.NullMarked;
