/** What people answered: tallied, listed, and written out with the rosters. */
@NullMarked
package jollyroster.answers;

import org.jspecify.annotations.NullMarked;
