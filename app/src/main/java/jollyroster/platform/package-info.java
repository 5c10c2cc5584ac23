/** What has no feature: the store, the clock, the web frame, the organisation's settings, personal links. */
@NullMarked
package jollyroster.platform;

import org.jspecify.annotations.NullMarked;
