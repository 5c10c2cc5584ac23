/** Ticking off those who come in person. */
@NullMarked
package jollyroster.checkin;

import org.jspecify.annotations.NullMarked;
