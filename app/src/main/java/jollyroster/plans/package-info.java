/** Message plans: when an offering writes to whom, drawn on the run line and changed there. */
@NullMarked
package jollyroster.plans;

import org.jspecify.annotations.NullMarked;
