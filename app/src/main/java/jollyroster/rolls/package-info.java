/** The roster's own pages: people found, added, imported, written to, moved, printed and taken away as files. */
@NullMarked
package jollyroster.rolls;

import org.jspecify.annotations.NullMarked;
