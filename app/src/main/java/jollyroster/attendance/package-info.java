/** Who was there: connections as reported, hand marks, verdicts. */
@NullMarked
package jollyroster.attendance;

import org.jspecify.annotations.NullMarked;
