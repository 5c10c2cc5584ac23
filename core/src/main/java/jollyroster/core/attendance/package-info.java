/** Who was there, for how long, on what evidence. */
@NullMarked
package jollyroster.core.attendance;

import org.jspecify.annotations.NullMarked;
