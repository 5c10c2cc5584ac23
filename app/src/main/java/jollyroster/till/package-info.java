/** Payments: started, settled as the till reports, and given back when they come too late. */
@NullMarked
package jollyroster.till;

import org.jspecify.annotations.NullMarked;
