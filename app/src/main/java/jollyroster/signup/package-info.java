/** What people outside see: the list, the offering's page, registering, a person's own page, feeds. */
@NullMarked
package jollyroster.signup;

import org.jspecify.annotations.NullMarked;
