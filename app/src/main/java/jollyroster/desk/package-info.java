/** The team's pages that look across features: Today, a session's page, people, the outbox, the tideline. */
@NullMarked
package jollyroster.desk;

import org.jspecify.annotations.NullMarked;
