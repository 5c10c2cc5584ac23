/** The Saltmarrow data and the clock that can be moved; only there with the profile {@code demo}. */
@NullMarked
package jollyroster.demo;

import org.jspecify.annotations.NullMarked;
