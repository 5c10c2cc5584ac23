package jollyroster.programme;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import jollyroster.core.prices.Price;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.SignUpStyle;

/** A part of an offering that is kept as a whole: checked, typed, ready for the store. */
public sealed interface Section {

    /** What is said. @param contact for questions; empty for the organisation's @param price as people read it */
    record Words(
            String title,
            String summary,
            String description,
            String bring,
            String audience,
            String language,
            List<String> labels,
            String price,
            String contact)
            implements Section {
        public Words {
            labels = List.copyOf(labels);
        }
    }

    /** The colour of its page. */
    record Look(Tint tint) implements Section {}

    /** Where, and with whom. @param hosts the numbers of members, in order @param hostName who else leads it */
    record Place(Format format, Optional<Long> venue, List<Long> hosts, String hostName) implements Section {
        public Place {
            hosts = List.copyOf(hosts);
        }
    }

    /** How long a date is and what is kept free around it, in minutes. */
    record Hours(int length, int bufferBefore, int bufferAfter, int door, int overrun) implements Section {}

    /**
     * The seats of a date.
     *
     * @param waitlistLimit the most parties that may wait; empty for no limit
     * @param decideDays how many days before the start it is decided whether a date with a minimum runs
     */
    record Seats(
            int seats,
            int keptBack,
            boolean waitlist,
            OptionalInt waitlistLimit,
            FreedSeats freed,
            int largestParty,
            int minimum,
            int decideDays)
            implements Section {}

    /** Who finds it, how people come to be on it, and until when. */
    record SignUp(SignUpStyle style, Visibility visibility, int cutoffMinutes, int opensDays, int changesMinutes)
            implements Section {}

    /** Whether people answer rather than register, what they see of each other, and when the organiser hears of it. */
    record Inviting(boolean rsvp, boolean companyShown, Tell tell) implements Section {}

    /** What is asked beside the questions, and what is said afterwards. */
    record Form(PhoneRule phone, boolean fullName, boolean emailConfirmed, String afterText, String afterAddress)
            implements Section {}

    /** What a seat costs, paid on registering. */
    record Cost(Price price) implements Section {}

    /** The questions, in order. */
    record Questions(List<QuestionWish> asked) implements Section {
        public Questions {
            asked = List.copyOf(asked);
        }
    }

    /** What a draft has before anybody has said more than its title. */
    static List<Section> ofDraft(String title) {
        return List.of(
                new Words(title, "", "", "", "", "en", List.of(), "", ""),
                new Look(Tint.DEPTH),
                new Place(Format.IN_PERSON, Optional.empty(), List.of(), ""),
                new Hours(120, 0, 0, 15, 15),
                new Seats(0, 0, true, OptionalInt.empty(), FreedSeats.CALL_UP, 1, 0, 3),
                new SignUp(SignUpStyle.ANY_DATE, Visibility.LISTED, 0, 0, 0),
                new Inviting(false, false, Tell.NEVER),
                new Form(PhoneRule.OPTIONAL, false, false, "", ""),
                new Cost(Price.typed("", "CAD").orElseThrow()));
    }
}
