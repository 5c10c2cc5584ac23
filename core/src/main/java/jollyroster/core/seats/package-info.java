/** Who gets a seat: capacity, the arrival of a party, the waitlist and its refill. */
@NullMarked
package jollyroster.core.seats;

import org.jspecify.annotations.NullMarked;
