/** What the whole organisation sets: its name and look, its venues, the calendars of its hosts. */
@NullMarked
package jollyroster.setup;

import org.jspecify.annotations.NullMarked;
