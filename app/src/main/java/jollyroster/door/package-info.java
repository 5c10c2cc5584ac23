/** Personal join links: the countdown, and the hand-over to the meeting. */
@NullMarked
package jollyroster.door;

import org.jspecify.annotations.NullMarked;
