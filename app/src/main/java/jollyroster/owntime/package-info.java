/** People pick a time of their own in open hours: what may be picked, why not, and how it is given. */
@NullMarked
package jollyroster.owntime;

import org.jspecify.annotations.NullMarked;
