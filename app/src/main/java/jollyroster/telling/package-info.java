/** What members of the team are told of, and their sheet of the day. */
@NullMarked
package jollyroster.telling;

import org.jspecify.annotations.NullMarked;
