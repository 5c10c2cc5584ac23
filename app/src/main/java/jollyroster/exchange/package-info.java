/** Open formats out: iCalendar and tables. Knows no feature; features hand it records. */
@NullMarked
package jollyroster.exchange;

import org.jspecify.annotations.NullMarked;
