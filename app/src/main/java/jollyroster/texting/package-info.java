/** Text messages: who agreed to them, the gateway they go through, what became of them and what came back, and short links. */
@NullMarked
package jollyroster.texting;

import org.jspecify.annotations.NullMarked;
