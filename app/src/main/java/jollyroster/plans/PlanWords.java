package jollyroster.plans;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.messages.Channels;
import jollyroster.core.messages.OfferingPlan;
import jollyroster.core.messages.PlanLine;
import jollyroster.core.messages.PlanText;
import jollyroster.outbox.MessageWords;
import jollyroster.plans.ReminderCommands.Changed;

/** What is said of plans and of changes to them. */
final class PlanWords {

    private PlanWords() {}

    /** Where an offering departs from the plan of the house; empty where it does not. */
    static String departures(OfferingPlan plan) {
        String without = named(plan.missed());
        String with =
                named(plan.extra().stream().filter(line -> !line.isFixed()).toList());
        return Stream.of(without.isEmpty() ? "" : "without " + without, with.isEmpty() ? "" : "with " + with)
                .filter(part -> !part.isEmpty())
                .collect(Collectors.joining(", and "));
    }

    /** Lines in a sentence: {@code what goes 2 hours before}. */
    private static String named(List<PlanLine> lines) {
        return lines.stream().map(PlanWords::named).collect(Collectors.joining(" and "));
    }

    private static String named(PlanLine line) {
        boolean said = line.anchor().verdict().isPresent() || !line.isForAll();
        String whom = said ? " to " + MessageWords.whom(line) : "";
        String by = line.channels() == Channels.EMAIL ? "" : " by " + MessageWords.by(line.channels());
        String what = switch (line.anchor()) {
            case BEFORE_START -> "the reminder ";
            case DOOR_OPENS, NOT_IN -> "the note ";
            case ATTENDED, PART, ABSENT -> "the follow-up ";
            case STILL_WAITING -> "the note to the waitlist ";
            case SHORT -> "the warning ";
            case SILENT, UNPAID -> "the reminder ";
            default -> "the text ";
        };
        return what + MessageWords.when(line) + by + whom;
    }

    /** @param did what was done, as {@code Added} */
    static String said(String did, Changed.Done done) {
        return did(did, done) + " " + people(done.people());
    }

    /** The same without who follows. */
    static String did(String did, Changed.Done done) {
        String lines = done.lines().stream()
                .filter(line -> !line.isFixed())
                .map(MessageWords::when)
                .distinct()
                .collect(Collectors.joining(", "));
        return did + (lines.isEmpty() ? "" : ": " + lines) + ".";
    }

    static String people(int people) {
        return switch (people) {
            case 0 -> "Nobody is registered for a date to come yet.";
            case 1 -> "The messages of 1 registration to come follow.";
            default -> "The messages of " + people + " registrations to come follow.";
        };
    }

    static String problem(PlanText.Problem problem) {
        return switch (problem) {
            case NOT_UNDERSTOOD ->
                "write it like “2 hours before, text”, “when the door opens” or “1 day after, to those absent”.";
            case WHO_NOT_UNDERSTOOD ->
                "say to whom: those who attended, were there in part or were absent; after the start, those not in; of all "
                        + "of them first-timers, those who have been before, or “those with vessel = own boat”.";
            case GOES_ANYWAY -> "the e-mail goes anyway; with “, text” a text goes beside it.";
            case OUT_OF_RANGE ->
                "a message goes from a minute to a year before or after, to those not in within 12 hours.";
            case SAID_TWICE -> "the plan has that message already.";
            case TOO_MANY -> "a plan has at most " + PlanText.MOST + " messages.";
        };
    }
}
