package jollyroster.programme;

import jollyroster.core.seats.SignUpStyle;

/**
 * What holds for the sessions of an offering unless a session says otherwise.
 *
 * @param opensDays how many days before the start registration opens; 0 for at once
 * @param keptBack seats of a new session that are held for walk-ups
 * @param minimum people a session needs; 0 for no minimum
 * @param decideDays how many days before the start it is decided whether a session runs
 * @param bufferBefore minutes its hosts and venue are kept free before the start
 * @param bufferAfter the same after the end
 * @param pattern whether it is only there to start others from
 */
public record OfferingRules(
        SignUpStyle style,
        Visibility visibility,
        int opensDays,
        int keptBack,
        int minimum,
        int decideDays,
        int bufferBefore,
        int bufferAfter,
        boolean pattern) {}
