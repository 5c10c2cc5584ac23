/** The offering's sheet: read like the page attendees see, changed in place; dates typed and picked. */
@NullMarked
package jollyroster.sheet;

import org.jspecify.annotations.NullMarked;
