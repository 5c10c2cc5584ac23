/** What is missing or odd about an offering before anybody else sees it. */
@NullMarked
package jollyroster.core.readiness;

import org.jspecify.annotations.NullMarked;
