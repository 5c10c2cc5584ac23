package jollyroster.signup;

import java.util.List;
import java.util.Map;
import jollyroster.chart.StateMark;

/**
 * A person's own page, decided and formatted.
 *
 * @param cancelled whether the session is
 * @param timesAddress where another time can be picked; empty where it cannot
 * @param until how long it is to the session, in words
 * @param canCancel whether there is something to cancel or change
 * @param mayCancel whether the person may do so, or must ask
 * @param toPay what is to be paid while the seats are held; empty for nothing
 * @param reply yes, maybe or no, where that is what people answer; else empty
 * @param replyUntil until when it can be changed; empty when it no longer can
 */
record OwnView(
        String state,
        String stateWord,
        String title,
        String slug,
        String summary,
        String name,
        String firstName,
        String email,
        String seats,
        String when,
        String here,
        boolean cancelled,
        String timesAddress,
        String until,
        String place,
        String accessNote,
        boolean online,
        String bring,
        String joinAddress,
        String ownAddress,
        String feedAddress,
        boolean canCancel,
        boolean mayCancel,
        boolean canJoin,
        String doorOpens,
        List<String> companions,
        Map<String, String> answers,
        List<String> seriesDates,
        Line line,
        Offer offer,
        Change change,
        List<Choice> otherDates,
        Swaps swaps,
        After after,
        String zone,
        String zoneCity,
        boolean reminded,
        String why,
        String toPay,
        String reply,
        String replyUntil) {
    /** The state, drawn. */
    public String mark() {
        return cancelled ? StateMark.of("cancelled", "session cancelled") : StateMark.of(state, stateWord);
    }

    /** Where somebody who waits stands. @param odds in words, empty when too little is known @param free whether seats may be taken by whoever comes */
    record Line(int place, String odds, boolean free) {
        static final Line NONE = new Line(0, "", false);
    }

    /**
     * What is held or offered.
     *
     * @param replyBy in the person's zone; empty when nothing is
     * @param secondsLeft to it
     */
    record Offer(String replyBy, long secondsLeft, boolean racing) {
        static final Offer NONE = new Offer("", 0, false);
    }

    /**
     * What can be changed about the registration.
     *
     * @param until until when, in words; empty when it no longer can
     * @param partySizes the numbers of people to choose from
     */
    record Change(
            String until,
            int party,
            List<Integer> partySizes,
            AnswerFields intake,
            List<AnswerFields.Companion> companions,
            List<String> names) {}

    /** A date one could change to. */
    record Choice(long id, String when, String left) {}

    /**
     * Changing dates with somebody.
     *
     * @param mine the date this registration has offered to change for; empty for none
     * @param offers what others have offered
     * @param dates the dates somebody could be asked for
     */
    record Swaps(String mine, List<Offered> offers, List<Choice> dates) {
        static final Swaps NONE = new Swaps("", List.of(), List.of());

        boolean any() {
            return !mine.isEmpty() || !offers.isEmpty() || !dates.isEmpty();
        }
    }

    record Offered(long id, String name, String when) {}

    /** What the organiser says after registering. */
    record After(String text, String address) {}
}
