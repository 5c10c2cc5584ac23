/**
 * Plans kept, messages written, the worker that sends them and the channels it sends by. Knows registrations and
 * sessions only by number; what a letter says about them it asks through {@link jollyroster.outbox.Letters}.
 */
@NullMarked
package jollyroster.outbox;

import org.jspecify.annotations.NullMarked;
