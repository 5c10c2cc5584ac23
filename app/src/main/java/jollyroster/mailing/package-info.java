/** Letters to many people at once: chosen across sessions, with files, now or later, each on its own. */
@NullMarked
package jollyroster.mailing;

import org.jspecify.annotations.NullMarked;
