/** Who is on what: registrations, the seats they take, the waitlist, and why. */
@NullMarked
package jollyroster.roster;

import org.jspecify.annotations.NullMarked;
