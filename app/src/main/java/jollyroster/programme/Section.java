package jollyroster.programme;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import jollyroster.core.dates.Offset;
import jollyroster.core.prices.Price;
import jollyroster.core.prices.RefundRule;
import jollyroster.core.seats.FreedSeats;
import jollyroster.core.seats.Leave;
import jollyroster.core.seats.SeatsShown;
import jollyroster.core.seats.SignUpStyle;

/** What a {@link Part} of an offering says: checked, typed, ready for the store. */
public sealed interface Section {

    /** The part it belongs to. */
    Part part();

    /** What is said. @param contact for questions; empty for the organisation's */
    record Words(
            String title,
            String summary,
            String description,
            String bring,
            String audience,
            String language,
            List<String> labels,
            String contact,
            String button)
            implements Section {
        public Words {
            labels = List.copyOf(labels);
        }

        /** Held in English, for anybody. */
        public static Words of(String title, String summary, String description, String bring) {
            return new Words(title, summary, description, bring, "", "en", List.of(), "", "");
        }

        public Words meant(String forWhom, String... found) {
            return new Words(title, summary, description, bring, forWhom, language, List.of(found), contact, button);
        }

        @Override
        public Part part() {
            return Part.WORDS;
        }
    }

    /** How long a new date is, in minutes. */
    record Length(int minutes) implements Section {
        @Override
        public Part part() {
            return Part.DATES;
        }
    }

    /** When people may pick a time of their own, and how it is given. @param minutes how long it is; 0 for as long as it was */
    record Hours(OwnTime time, int minutes) implements Section {

        public Hours(OwnTime time) {
            this(time, 0);
        }

        @Override
        public Part part() {
            return Part.HOURS;
        }
    }

    /**
     * Where, and with whom.
     *
     * @param hosts the numbers of members, in order
     * @param hostName who else leads it
     * @param bufferBefore minutes hosts and venue are kept free before the start
     * @param bufferAfter the same after the end
     */
    record Place(
            Format format, Optional<Long> venue, List<Long> hosts, String hostName, int bufferBefore, int bufferAfter)
            implements Section {
        public Place {
            hosts = List.copyOf(hosts);
        }

        /** Nothing is kept free before or after. */
        public static Place at(Format format, long venue, List<Long> hosts) {
            return new Place(format, Optional.of(venue), hosts, "", 0, 0);
        }

        public Place buffered(int before, int after) {
            return new Place(format, venue, hosts, hostName, before, after);
        }

        public Place led(String by) {
            return new Place(format, venue, hosts, by, bufferBefore, bufferAfter);
        }

        @Override
        public Part part() {
            return Part.PLACE;
        }
    }

    /**
     * Who may come, how, and until when.
     *
     * @param opensDays how many days before the start registration opens; 0 for at once
     * @param moves whether people may move to another date or time themselves
     * @param cancels whether they may give back seats they hold
     * @param rsvp whether people answer rather than register
     * @param companyShown whether people see who comes
     * @param tell when the organiser hears of answers
     */
    record Access(
            SignUpStyle style,
            Visibility visibility,
            int opensDays,
            Offset cutOff,
            int changesMinutes,
            Leave moves,
            Leave cancels,
            boolean rsvp,
            boolean companyShown,
            Tell tell)
            implements Section {

        /** Any date, listed, open at once and until the start. */
        public static final Access OPEN = new Access(
                SignUpStyle.ANY_DATE,
                Visibility.LISTED,
                0,
                Offset.hours(0),
                0,
                Leave.ALWAYS,
                Leave.ALWAYS,
                false,
                false,
                Tell.NEVER);

        public Access by(SignUpStyle way) {
            return new Access(
                    way, visibility, opensDays, cutOff, changesMinutes, moves, cancels, rsvp, companyShown, tell);
        }

        public Access seen(Visibility by) {
            return new Access(style, by, opensDays, cutOff, changesMinutes, moves, cancels, rsvp, companyShown, tell);
        }

        /** @param cutOffHours how long before the start registration closes */
        public Access between(int days, int cutOffHours) {
            return between(days, Offset.hours(cutOffHours));
        }

        public Access between(int days, Offset closes) {
            return new Access(
                    style, visibility, days, closes, changesMinutes, moves, cancels, rsvp, companyShown, tell);
        }

        /** Changes, and moving, are possible until so long before the start. */
        public Access changedUntil(int hours) {
            return new Access(
                    style,
                    visibility,
                    opensDays,
                    cutOff,
                    hours * 60,
                    Leave.untilHours(hours),
                    cancels,
                    rsvp,
                    companyShown,
                    tell);
        }

        public Access leaving(Leave move, Leave cancel) {
            return new Access(
                    style, visibility, opensDays, cutOff, changesMinutes, move, cancel, rsvp, companyShown, tell);
        }

        public Access answered(boolean shown, Tell told) {
            return new Access(style, visibility, opensDays, cutOff, changesMinutes, moves, cancels, true, shown, told);
        }

        @Override
        public Part part() {
            return Part.ACCESS;
        }
    }

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
            int decideDays,
            SeatsShown shown)
            implements Section {

        /** Anybody may wait, and freed seats are offered. */
        public static Seats of(int seats, int largestParty) {
            return new Seats(
                    seats, 0, true, OptionalInt.empty(), FreedSeats.CALL_UP, largestParty, 0, 3, SeatsShown.ALWAYS);
        }

        public Seats withoutWaitlist() {
            return new Seats(seats, keptBack, false, waitlistLimit, freed, largestParty, minimum, decideDays, shown);
        }

        public Seats waitingAtMost(int parties) {
            return new Seats(
                    seats,
                    keptBack,
                    waitlist,
                    OptionalInt.of(parties),
                    freed,
                    largestParty,
                    minimum,
                    decideDays,
                    shown);
        }

        public Seats freeing(FreedSeats way) {
            return new Seats(seats, keptBack, waitlist, waitlistLimit, way, largestParty, minimum, decideDays, shown);
        }

        /** The same with other words about the seats that are left. */
        public Seats showing(SeatsShown left) {
            return new Seats(seats, keptBack, waitlist, waitlistLimit, freed, largestParty, minimum, decideDays, left);
        }

        public Seats needing(int least, int days) {
            return new Seats(seats, keptBack, waitlist, waitlistLimit, freed, largestParty, least, days, shown);
        }

        @Override
        public Part part() {
            return Part.SEATS;
        }
    }

    /** What is asked on registering. @param asked the questions, in order */
    record Asking(PhoneRule phone, boolean fullName, boolean emailConfirmed, List<QuestionWish> asked)
            implements Section {
        public Asking {
            asked = List.copyOf(asked);
        }

        /** A name, an address, a phone number optional, and these. */
        public static Asking of(List<QuestionWish> questions) {
            return new Asking(PhoneRule.OPTIONAL, false, false, questions);
        }

        public Asking confirmed() {
            return new Asking(phone, fullName, true, asked);
        }

        public Asking inFull() {
            return new Asking(phone, true, emailConfirmed, asked);
        }

        @Override
        public Part part() {
            return Part.ASKING;
        }
    }

    /**
     * What a seat costs, paid on registering.
     *
     * @param said as people read it; empty for nothing said
     * @param fixedOncePaid whether people can change nothing themselves any more once they have paid
     */
    record Cost(Price price, String said, RefundRule refund, boolean fixedOncePaid) implements Section {

        /** @param amount such as {@code 180.00} */
        public static Cost of(String amount, String currency) {
            return new Cost(Price.typed(amount, currency).orElseThrow(), "", RefundRule.NONE, false);
        }

        /** Nothing is paid here. */
        public static Cost saying(String said) {
            return new Cost(Price.typed("", "CAD").orElseThrow(), said, RefundRule.NONE, false);
        }

        public Cost refunding(RefundRule rule) {
            return new Cost(price, said, rule, fixedOncePaid);
        }

        public Cost fixed() {
            return new Cost(price, said, refund, true);
        }

        @Override
        public Part part() {
            return Part.PRICE;
        }
    }

    /** What is said after registering. @param address an https address to go on from; empty for none */
    record After(String text, String address) implements Section {
        @Override
        public Part part() {
            return Part.MESSAGES;
        }
    }

    /** What holds at the door. */
    record Door(DoorRules rules) implements Section {
        @Override
        public Part part() {
            return Part.DOOR;
        }
    }

    /** The colour of its page. */
    record Look(Tint tint) implements Section {
        @Override
        public Part part() {
            return Part.LOOK;
        }
    }

    /** Its names in addresses: lower-case letters, digits and single hyphens. @param shortName of its short link */
    record Address(String slug, String shortName) implements Section {
        @Override
        public Part part() {
            return Part.SHARING;
        }
    }

    /** What a draft has before anybody has said more than its title. */
    static List<Section> ofDraft(String title) {
        return List.of(
                Words.of(title, "", "", ""),
                new Length(120),
                new Place(Format.IN_PERSON, Optional.empty(), List.of(), "", 0, 0),
                Access.OPEN,
                Seats.of(0, 1),
                Asking.of(List.of()),
                Cost.saying(""),
                new After("", ""),
                new Door(new DoorRules(15, 15, false, "", 0, false)),
                new Look(Tint.DEPTH));
    }
}
