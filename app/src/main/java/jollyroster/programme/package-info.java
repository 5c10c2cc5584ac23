/**
 * Offerings, their sessions and venues: described, checked, published. How many seats are taken it asks through {@link
 * jollyroster.programme.SeatCounts}.
 */
@NullMarked
package jollyroster.programme;

import org.jspecify.annotations.NullMarked;
