/** What a seat costs. */
@NullMarked
package jollyroster.core.prices;

import org.jspecify.annotations.NullMarked;
