/** What comes back from outside: reports and answers of text messages, and mail. */
@NullMarked
package jollyroster.inbound;

import org.jspecify.annotations.NullMarked;
