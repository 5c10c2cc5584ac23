package jollyroster.plans;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import jollyroster.core.intake.Text;
import jollyroster.core.messages.Happening;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * What a rehearsal is asked to play, as its address has it: nothing of it is kept.
 *
 * @param name of somebody of one's own
 * @param zone their clock
 * @param hours before the start at which they register
 * @param does what becomes of them
 * @param start when the session is to begin, {@code 2027-03-16T19:00} on its clock; empty for its next date
 * @param event what happens, each as {@code CANCELS:1:48:0}: what, to whom, hours before the start, days
 */
record Script(
        @Nullable String name,
        @Nullable String zone,
        @Nullable Integer hours,
        @Nullable String does,
        @Nullable List<String> event,
        @Nullable String start) {

    private static final int LONGEST_NAME = 60;
    private static final int EARLIEST_YEAR = 2000;
    private static final int LATEST_YEAR = 2199;
    private static final int MOST_EVENTS = 8;
    private static final int USUAL_HOURS = 48;
    private static final int FARTHEST_HOURS = 24 * 365;
    private static final int FARTHEST_DAYS = 60;
    private static final Pattern EVENT = Pattern.compile("([A-Z_]{3,20}):(\\d{1,2}):(\\d{1,4}):(-?\\d{1,2})");

    /** Something that happens, as it is said. @param index of it, to take it out */
    record Said(int index, Happening.Kind kind, int who, int hours, int days) {}

    Cast.Own own() {
        return new Cast.Own(
                Text.oneLine(name == null ? "" : name, LONGEST_NAME),
                zone == null ? "" : zone,
                hours == null ? USUAL_HOURS : hours,
                Cast.Doing.of(does == null ? "" : does));
    }

    List<Said> said() {
        List<String> all = event == null ? List.of() : event;
        List<Said> said = new ArrayList<>();
        for (int i = 0; i < Math.min(all.size(), MOST_EVENTS); i++) {
            said(i, all.get(i)).ifPresent(said::add);
        }
        return said;
    }

    private static Optional<Said> said(int index, String code) {
        Matcher read = EVENT.matcher(code);
        if (!read.matches()) {
            return Optional.empty();
        }
        int hours = Math.min(FARTHEST_HOURS, Integer.parseInt(read.group(3)));
        int days = Math.max(-FARTHEST_DAYS, Math.min(FARTHEST_DAYS, Integer.parseInt(read.group(4))));
        return Stream.of(Happening.Kind.values())
                .filter(kind -> kind.name().equals(read.group(1)))
                .findFirst()
                .map(kind -> new Said(index, kind, Integer.parseInt(read.group(2)), hours, days));
    }

    List<Happening> happenings(Instant start) {
        return said().stream()
                .map(s -> new Happening(s.kind(), start.minus(Duration.ofHours(s.hours())), s.who(), s.days()))
                .toList();
    }

    /** With something more that happens; as it is where no more can. */
    Script with(Happening.Kind kind, int who, int ahead, int days) {
        List<String> more = new ArrayList<>(codes(-1));
        if (more.size() < MOST_EVENTS) {
            more.add(kind.name() + ":" + who + ":" + Math.max(0, Math.min(FARTHEST_HOURS, ahead)) + ":" + days);
        }
        return new Script(name, zone, hours, does, more, start);
    }

    private List<String> codes(int without) {
        return said().stream()
                .filter(s -> s.index() != without)
                .map(s -> s.kind().name() + ":" + s.who() + ":" + s.hours() + ":" + s.days())
                .toList();
    }

    /** When the session is to begin, on its own clock; empty for its next date, or where it cannot be read. */
    Optional<LocalDateTime> beginning() {
        try {
            return Optional.ofNullable(start)
                    .filter(said -> !said.isBlank())
                    .map(said -> LocalDateTime.parse(said.strip()))
                    .filter(at -> at.getYear() >= EARLIEST_YEAR && at.getYear() <= LATEST_YEAR);
        } catch (DateTimeParseException unreadable) {
            return Optional.empty();
        }
    }

    /** Where it is played. */
    String address(long offering) {
        return address(offering, -1);
    }

    /** The same without one of the things that happen. */
    String address(long offering, int without) {
        Cast.Own own = own();
        UriComponentsBuilder at = UriComponentsBuilder.fromPath("/desk/offerings/" + offering + "/rehearsal")
                .queryParam("name", "{name}")
                .queryParam("zone", "{zone}")
                .queryParam("hours", own.hours())
                .queryParam("does", own.doing());
        beginning().ifPresent(begins -> at.queryParam("start", begins));
        codes(without).forEach(code -> at.queryParam("event", code));
        return at.encode().buildAndExpand(own.name(), own.zone()).toUriString();
    }
}
