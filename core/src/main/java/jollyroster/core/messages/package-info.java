/** Which messages a person gets about a session, and when. */
@NullMarked
package jollyroster.core.messages;

import org.jspecify.annotations.NullMarked;
