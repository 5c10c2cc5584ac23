/** When sessions are: wall-clock starts in their zones, typed dates, clock changes, intervals and offsets. */
@NullMarked
package jollyroster.core.dates;

import org.jspecify.annotations.NullMarked;
