/** The page that stands open beside a meeting. */
@NullMarked
package jollyroster.live;

import org.jspecify.annotations.NullMarked;
