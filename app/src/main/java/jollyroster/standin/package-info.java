/** Stand-ins for outside services: the mail tray and the meeting service. They keep their own tables. */
@NullMarked
package jollyroster.standin;

import org.jspecify.annotations.NullMarked;
