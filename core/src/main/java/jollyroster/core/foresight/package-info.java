/** What can be foreseen from how it went before: odds of a seat, how far a session fills. */
@NullMarked
package jollyroster.core.foresight;

import org.jspecify.annotations.NullMarked;
