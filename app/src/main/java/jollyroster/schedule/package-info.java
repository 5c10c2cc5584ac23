/** Sessions that people may be on, changed: moved, called off, added, given other seats or another venue; and undone. */
@NullMarked
package jollyroster.schedule;

import org.jspecify.annotations.NullMarked;
