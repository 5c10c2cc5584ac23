/** What was decided, by whom and why: structured when it is written, words when it is shown. */
@NullMarked
package jollyroster.logbook;

import org.jspecify.annotations.NullMarked;
