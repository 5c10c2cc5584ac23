/** What is asked on registering: questions, and whether an answer will do. */
@NullMarked
package jollyroster.core.intake;

import org.jspecify.annotations.NullMarked;
