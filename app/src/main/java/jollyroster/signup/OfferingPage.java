package jollyroster.signup;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import jollyroster.chart.SeatStrip;
import jollyroster.core.prices.RefundRule;
import jollyroster.platform.Markdown;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Offering;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.PhoneRule;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import jollyroster.programme.Visibility;
import org.jspecify.annotations.Nullable;

/** The offering's page, decided and formatted. */
record OfferingPage(
        String slug,
        String title,
        String summary,
        String description,
        String place,
        boolean online,
        String bring,
        String zone,
        String city,
        String homeCity,
        List<Date> dates,
        AnswerFields intake,
        List<AnswerFields.Companion> companions,
        PhoneRule phone,
        boolean texts,
        boolean fullName,
        List<Integer> partySizes,
        boolean open,
        String closedBecause,
        Front front,
        Inviting inviting,
        boolean preview) {

    /**
     * What the offering says of itself beside its words.
     *
     * @param language empty when it is held in English
     * @param seriesDates all dates of a whole series; empty for other styles
     * @param labels to find others like it by
     * @param clock on whose clock the times are
     * @param leaving how a registration is cancelled, in a sentence
     * @param rule how people hold dates, in a sentence; empty when there is nothing to say
     */
    record Front(
            String audience,
            String price,
            String language,
            String contact,
            String picture,
            String tint,
            List<SeriesDate> seriesDates,
            String rule,
            List<String> labels,
            String clock,
            String leaving) {}

    /**
     * Where people answer an invitation.
     *
     * @param rsvp whether the form asks yes, maybe or no
     * @param company the names of those who come, where that is shown, by session
     * @param canAsk whether somebody who is not invited may ask to come
     * @param until by when answers are due
     */
    record Inviting(
            boolean rsvp, boolean byInvitation, Map<Long, List<String>> company, boolean canAsk, String until) {}

    record SeriesDate(String when, String here, boolean cancelled) {}

    /**
     * One date to choose, with what is true of it alone.
     *
     * @param when in the visitor's zone
     * @param here in the organiser's; empty when both clocks show the same
     * @param month where it is the first of a month in a long list, the month; else empty
     * @param place where it is, as far as it is told
     * @param access how to get in; empty for nothing said
     * @param length how long it is
     * @param host who leads it; empty when nobody is named
     * @param left "3 left", "full, 2 waiting"
     * @param strip {@code null} where numbers are not told
     * @param take what registering for it does: "Register", "Join the waitlist"
     */
    record Date(
            long id,
            String when,
            String here,
            String month,
            String place,
            String access,
            String length,
            String host,
            String left,
            boolean chosen,
            String take,
            @Nullable SeatStrip strip) {}

    /** What a page is made from. */
    record Facts(
            Offering offering,
            List<Session> sessions,
            Map<Long, SeatCount> counts,
            List<AskedQuestion> questions,
            Map<Long, Map<Long, Map<String, Integer>>> chosen,
            RegistrationForm form,
            ZoneId visitor,
            Instant now,
            Map<Long, List<Host>> hosts,
            String contact,
            Map<Long, List<String>> company,
            boolean invited,
            boolean texts,
            boolean preview) {

        /** Where something by invitation is held is for those who are invited. */
        boolean toldTo() {
            return offering.rules().visibility() != Visibility.INVITED || invited || preview;
        }

        /** The sessions people can register for; in a preview all that are still to come. */
        private List<Session> open() {
            List<Session> open = sessions.stream()
                    .filter(s -> preview ? !s.cancelled() && s.start().isAfter(now) : s.isOpenAt(now))
                    .toList();
            return offering.isSeries() ? open.stream().limit(1).toList() : open;
        }
    }

    static OfferingPage of(Facts facts) {
        Offering o = facts.offering();
        List<Session> open = facts.open();
        boolean online = o.venue().map(Venue::isOnline).orElse(false);
        AnswerFields fields = AnswerFields.of(
                facts.questions(),
                facts.form().answers(),
                optionsChosen(facts, open),
                facts.form().people(),
                o.largestParty());
        return new OfferingPage(
                o.slug(),
                o.title(),
                o.summary(),
                Markdown.toSafeHtml(o.description()),
                facts.toldTo() ? online ? "Online" : o.place() : "told with the invitation",
                online,
                o.bring(),
                facts.visitor().getId(),
                Times.city(facts.visitor()),
                Times.city(o.zone()),
                OfferingDates.of(facts, open),
                fields,
                companions(fields, o.largestParty(), facts.form()),
                o.signUp().phone(),
                facts.texts(),
                o.signUp().fullName(),
                IntStream.rangeClosed(1, o.largestParty()).boxed().toList(),
                !open.isEmpty() && (o.rules().visibility() != Visibility.INVITED || facts.preview() || facts.invited()),
                closedBecause(facts),
                front(facts),
                new Inviting(
                        o.signUp().rsvp(),
                        facts.invited(),
                        facts.company(),
                        !open.isEmpty() && o.rules().visibility() == Visibility.INVITED && !facts.invited(),
                        open.isEmpty() ? "" : Times.dayAndTime(open.get(0).cutOff(), facts.visitor())),
                facts.preview());
    }

    private static Front front(Facts facts) {
        Offering o = facts.offering();
        String language = o.front().language().equals("en")
                ? ""
                : Locale.forLanguageTag(o.front().language()).getDisplayLanguage(Locale.ENGLISH);
        return new Front(
                o.front().audience(),
                price(o),
                language,
                facts.contact(),
                o.front().picture(),
                o.front().tint().code(),
                o.isSeries()
                        ? facts.sessions().stream()
                                .filter(s -> s.end().isAfter(facts.now()))
                                .map(s -> new SeriesDate(
                                        OfferingDates.when(s, facts.visitor(), facts.now()),
                                        OfferingDates.here(s, facts.visitor()),
                                        s.cancelled()))
                                .toList()
                        : List.of(),
                rule(o),
                o.front().labels(),
                clock(facts),
                LeaveWords.before(o.signUp().cancels()));
    }

    /** On whose clock the times are, in words. */
    private static String clock(Facts facts) {
        boolean there = facts.sessions().stream().noneMatch(Session::isOnline)
                && !facts.sessions().isEmpty();
        ZoneId zone = there ? facts.offering().zone() : facts.visitor();
        return (there ? "on the clock where it is held, in " : "on the clock in ") + Times.city(zone);
    }

    private static String refund(Offering o) {
        RefundRule rule = o.signUp().refund();
        if (!rule.gives()) {
            return "not refunded";
        }
        int minutes = rule.minutes().getAsInt();
        String until = minutes == 0 ? "the start" : Times.length(Duration.ofMinutes(minutes)) + " before the start";
        return "refunded in full if you cancel until " + until;
    }

    private static String price(Offering o) {
        if (!o.signUp().isPaid()) {
            return o.front().price();
        }
        String each = o.signUp().price().inWords() + " a seat, paid on registering · " + refund(o);
        return o.front().price().isEmpty() ? each : o.front().price() + " · " + each;
    }

    private static String rule(Offering o) {
        return switch (o.style()) {
            case ONE_DATE -> "You hold one date; you can change it on your own page.";
            case WHOLE_SERIES -> "One registration is good for all dates.";
            case ANY_DATE, OWN_TIME -> "";
        };
    }

    private static String closedBecause(Facts facts) {
        Offering o = facts.offering();
        if (o.status() == OfferingStatus.CLOSED) {
            return "Registration for this is closed.";
        }
        if (o.rules().visibility() == Visibility.INVITED && !facts.invited()) {
            return "This is by invitation only.";
        }
        if (facts.sessions().stream().anyMatch(s -> !s.cancelled() && isClosedBefore(s, facts.now()))) {
            return o.signUp().rsvp()
                    ? "Answers were due before now; tell the organiser if yours has changed."
                    : "Registration has closed.";
        }
        return facts.sessions().stream()
                .filter(s -> !s.cancelled())
                .flatMap(s -> s.opens().stream())
                .filter(at -> at.isAfter(facts.now()))
                .min(java.util.Comparator.naturalOrder())
                .map(at -> "Registration opens " + Times.dayAndTime(at, facts.visitor()) + ".")
                .orElse("There is no date to register for at the moment.");
    }

    /** Registration is over, the session is not. */
    private static boolean isClosedBefore(Session s, Instant now) {
        return !now.isBefore(s.cutOff()) && s.end().isAfter(now);
    }

    /** Those who could come along; where they are asked nothing, at least for their names. */
    private static List<AnswerFields.Companion> companions(AnswerFields fields, int largest, RegistrationForm form) {
        return fields.companions().isEmpty() ? OwnChanges.unasked(largest, form.people()) : fields.companions();
    }

    /** Whether dates are held at different places, so that each must say its own. */
    public boolean inSeveralPlaces() {
        return dates.stream().map(Date::place).distinct().count() > 1;
    }

    /** What registering for the chosen date does. */
    public String take() {
        return dates.stream().filter(Date::chosen).findFirst().map(Date::take).orElse("Register");
    }

    /** The dates of a whole series share their options under the session that leads it. */
    private static AnswerFields.Chosen optionsChosen(Facts facts, List<Session> open) {
        if (open.isEmpty()) {
            return new AnswerFields.Chosen(0, List.of(), facts.chosen());
        }
        return facts.offering().isSeries()
                ? new AnswerFields.Chosen(open.get(0).book(), List.of(), facts.chosen())
                : new AnswerFields.Chosen(
                        OfferingDates.chosen(facts, open),
                        open.stream().map(Session::id).toList(),
                        facts.chosen());
    }
}
