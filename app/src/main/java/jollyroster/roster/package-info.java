/** The roster of a session: found, added to, imported, written to, printed, explained. */
@NullMarked
package jollyroster.roster;

import org.jspecify.annotations.NullMarked;
