/** The programme as a ledger by date: filtered, saved as views, worked on in bulk. */
@NullMarked
package jollyroster.ledger;

import org.jspecify.annotations.NullMarked;
