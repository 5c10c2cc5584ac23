package jollyroster.desk;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.core.attendance.Verdict;
import jollyroster.core.dates.ClockChange;
import jollyroster.core.seats.Outlook;
import jollyroster.core.seats.RegistrationState;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.MessageWords;
import jollyroster.outbox.OutboxQueries.Count;
import jollyroster.platform.MarginNote;
import jollyroster.platform.Times;
import jollyroster.programme.Session;
import jollyroster.sheet.OutlookWords;

/** The margin of a session's page: what the program worked out about it. */
final class SessionNotes {

    private SessionNotes() {}

    static List<MarginNote> of(SessionFacts facts) {
        Session s = facts.session();
        if (s.givenBack()) {
            return List.of(MarginNote.remark(
                    "Given back:",
                    "nobody has this time any more, and it may be picked again.",
                    "See the times",
                    "/desk/offerings/" + s.offering().id() + "/times?day="
                            + s.zonedStart().toLocalDate()));
        }
        List<MarginNote> notes = new ArrayList<>();
        failed(facts).ifPresent(notes::add);
        clashes(facts).forEach(notes::add);
        outlook(facts).ifPresent(notes::add);
        door(facts).ifPresent(notes::add);
        owed(facts).ifPresent(notes::add);
        waiting(facts).ifPresent(notes::add);
        shifted(facts).ifPresent(notes::add);
        asleep(facts).ifPresent(notes::add);
        next(facts).ifPresent(notes::add);
        empty(facts).ifPresent(notes::add);
        unmarked(facts).ifPresent(notes::add);
        came(facts).ifPresent(notes::add);
        return notes;
    }

    private static Optional<MarginNote> failed(SessionFacts facts) {
        int failed = facts.messages().stream()
                .filter(c -> c.state() == MessageState.FAILED)
                .mapToInt(Count::messages)
                .sum();
        return failed == 0
                ? Optional.empty()
                : Optional.of(new MarginNote(
                        failed == 1 ? "One message failed." : failed + " messages failed.",
                        "Somebody may not know their link.",
                        "See why",
                        "/desk/outbox?show=failed",
                        "stop"));
    }

    private static Stream<MarginNote> clashes(SessionFacts facts) {
        Session s = facts.session();
        return facts.clashes().stream()
                .limit(3)
                .map(c -> new MarginNote(
                        c.name() + " is needed in two places:",
                        Times.dayAndTime(c.conflict().overlap().start(), s.zone()) + ", "
                                + c.conflict().minutes() + " min, time to get ready included.",
                        "See the host schedule",
                        "/desk/lanes?at=" + s.zonedStart().toLocalDate(),
                        "stop"));
    }

    private static Optional<MarginNote> outlook(SessionFacts facts) {
        Session s = facts.session();
        Outlook outlook = s.outlook(facts.taken(), facts.now());
        if (facts.past() || s.cancelled() || outlook == Outlook.OPEN || outlook == Outlook.RUNS) {
            return Optional.empty();
        }
        return Optional.of(new MarginNote(
                outlook == Outlook.AT_RISK ? "It may not run:" : "Does it run?",
                OutlookWords.of(s, facts.taken(), facts.now()) + ". Cancel it, or let it run with fewer.",
                "Decide",
                "/desk/schedule/" + s.id(),
                outlook == Outlook.AT_RISK ? "odd" : "stop"));
    }

    private static Optional<MarginNote> door(SessionFacts facts) {
        Session s = facts.session();
        Instant opens = s.doorHours().opens();
        if (facts.past() || s.cancelled()) {
            return Optional.empty();
        }
        if (!facts.now().isBefore(opens)) {
            long inside =
                    facts.attended().values().stream().filter(a -> a.inside()).count();
            return Optional.of(MarginNote.remark(
                    "The door is open.",
                    inside + " inside now, of " + facts.parties(RegistrationState.REGISTERED) + " registrations."));
        }
        return Optional.of(MarginNote.remark(
                "The door opens " + Times.dayAndTime(opens, s.zone()) + ",",
                Times.ahead(facts.now(), opens, s.zone()) + ", and lets registered people in by themselves."));
    }

    private static Optional<MarginNote> owed(SessionFacts facts) {
        return facts.in(RegistrationState.WAITLISTED).stream()
                .filter(r -> r.passedOver() >= 2)
                .findFirst()
                .map(r -> new MarginNote(
                        r.name() + " is owed the next " + r.party() + " seats:",
                        "passed over twice. Nobody goes before them now, not even newcomers.",
                        "History",
                        "#history",
                        "remark"));
    }

    private static Optional<MarginNote> waiting(SessionFacts facts) {
        int people = facts.people(RegistrationState.WAITLISTED);
        if (people == 0 || facts.past()) {
            return Optional.empty();
        }
        int seats = facts.session().seats();
        return Optional.of(MarginNote.remark(
                people + " waiting, all " + seats + " seats taken.",
                "With " + (seats + people) + " seats everybody would be in.",
                "Change the seats",
                "#seats"));
    }

    /** People for whom the clocks move between now and the session, so that it comes at an hour they may not expect. */
    private static Optional<MarginNote> shifted(SessionFacts facts) {
        Session s = facts.session();
        TreeMap<String, Long> moved = new TreeMap<>();
        facts.zones().forEach((zone, people) -> {
            Duration today = ClockChange.difference(s.zone(), zone, facts.now());
            Duration then = ClockChange.difference(s.zone(), zone, s.start());
            if (!today.equals(then)) {
                moved.merge(Times.city(zone) + " (" + hours(then.minus(today)) + ")", (long) people, Long::sum);
            }
        });
        long people = moved.values().stream().mapToLong(Long::longValue).sum();
        return people == 0 || facts.past()
                ? Optional.empty()
                : Optional.of(MarginNote.remark(
                        "Clocks change before this session.",
                        (people == 1 ? "One person sees" : people + " people see")
                                + " it at another hour than today's difference would make it: "
                                + moved.keySet().stream().limit(4).collect(Collectors.joining(", "))
                                + ". Their messages give the right time.",
                        "See their times",
                        "#roster"));
    }

    private static String hours(Duration shift) {
        return Times.length(shift.abs()) + (shift.isNegative() ? " earlier" : " later");
    }

    private static Optional<MarginNote> asleep(SessionFacts facts) {
        Session s = facts.session();
        long night = facts.zones().entrySet().stream()
                .filter(e -> isNight(s.start(), e.getKey()))
                .mapToLong(Map.Entry::getValue)
                .sum();
        return night == 0 || facts.past()
                ? Optional.empty()
                : Optional.of(MarginNote.remark(
                        night == 1 ? "It is night for one of them:" : "It is night for " + night + " of them:",
                        "between midnight and six on their clocks."));
    }

    private static boolean isNight(Instant start, ZoneId zone) {
        return start.atZone(zone).getHour() < 6;
    }

    private static Optional<MarginNote> next(SessionFacts facts) {
        return facts.messages().stream()
                .filter(c -> c.state() == MessageState.PLANNED && c.first().isAfter(facts.now()))
                .min(java.util.Comparator.comparing(Count::first))
                .map(c -> MarginNote.remark(
                        "Next message: "
                                + Times.dayAndTime(c.first(), facts.session().zone()) + ".",
                        MessageWords.of(c.anchor(), c.offset(), c.channel()) + ", to " + c.messages()
                                + (c.messages() == 1 ? " person." : " people, each outside their quiet hours."),
                        "See it",
                        "/desk/outbox?session=" + facts.session().id()));
    }

    private static Optional<MarginNote> empty(SessionFacts facts) {
        return facts.parties() == 0 && !facts.past()
                ? Optional.of(MarginNote.remark(
                        "Nobody yet.",
                        "Share the page so that people find it.",
                        "Open the page",
                        "/p/" + facts.session().offering().slug()))
                : Optional.empty();
    }

    private static Optional<MarginNote> came(SessionFacts facts) {
        int expected = facts.parties(RegistrationState.REGISTERED);
        if (!facts.past() || facts.attended().isEmpty() || expected == 0) {
            return Optional.empty();
        }
        long attended = count(facts, Verdict.ATTENDED);
        return Optional.of(MarginNote.remark(
                attended + " of " + expected + " attended, " + Math.round(100.0 * attended / expected) + " %.",
                count(facts, Verdict.PART) + " were there for part of it."));
    }

    private static long count(SessionFacts facts, Verdict verdict) {
        return facts.attended().values().stream()
                .filter(a -> a.verdict() == verdict)
                .count();
    }

    private static Optional<MarginNote> unmarked(SessionFacts facts) {
        boolean nothingKnown =
                facts.past() && facts.attended().isEmpty() && facts.parties(RegistrationState.REGISTERED) > 0;
        return nothingKnown
                ? Optional.of(MarginNote.remark(
                        "No attendance yet.",
                        "Nobody connected and nobody was marked. Mark those who came.",
                        "Mark them",
                        "#roster"))
                : Optional.empty();
    }
}
