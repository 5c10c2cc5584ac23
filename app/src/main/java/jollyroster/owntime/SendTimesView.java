package jollyroster.owntime;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.platform.Address;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import org.springframework.web.util.HtmlUtils;

/**
 * Times to put into a letter, and links for one time.
 *
 * @param days a week of them, with what can be chosen
 * @param kept what was chosen on other weeks, as a form sends it
 * @param text what was chosen as text; empty until enough is
 * @param html the same as HTML
 * @param problem why there is no text; empty when nothing is wrong
 */
public record SendTimesView(
        long offering,
        String title,
        String city,
        boolean byInvitation,
        List<Day> days,
        String earlier,
        String later,
        List<String> kept,
        String text,
        String html,
        String problem,
        List<Given> links,
        List<Leader> leaders) {

    static final int FEWEST = 2;
    static final int MOST = 5;
    private static final int WEEK = 7;
    private static final int RECENT = 8;
    private static final DateTimeFormatter SENT = DateTimeFormatter.ISO_OFFSET_DATE_TIME;

    public record Day(String name, List<Choice> choices) {}

    /** @param start as a form sends it */
    public record Choice(String start, String words, boolean chosen) {}

    /** The newest links. */
    public List<Given> recentLinks() {
        return links.stream().limit(RECENT).toList();
    }

    public List<Given> earlierLinks() {
        return links.stream().skip(RECENT).toList();
    }

    /** A link for one time. @param state what became of it, in words @param good whether it still can be used */
    public record Given(
            long id, String label, String within, String state, String address, boolean good, String registration) {

        /** Whom it is for. */
        public String whom() {
            return label.isEmpty() ? "anybody" : label;
        }
    }

    public record Leader(long id, String name) {}

    /** The days from one on with their free times. */
    static List<Day> days(LocalDate from, List<OpenTime> open, List<Instant> chosen) {
        return IntStream.range(0, WEEK)
                .mapToObj(from::plusDays)
                .map(day -> new Day(
                        Times.weekdayAndDate(day),
                        open.stream()
                                .filter(t -> t.start().toLocalDate().equals(day))
                                .map(t -> new Choice(
                                        SENT.format(t.start()),
                                        Times.time(t.start()),
                                        chosen.contains(t.start().toInstant())))
                                .toList()))
                .toList();
    }

    /** Each time on a line, with the link that leads straight to its form. */
    static String text(Offering o, List<Instant> chosen, Address address) {
        return chosen.stream()
                .map(at -> when(o, at) + ", " + Times.city(o.zone()) + " time: " + link(o, at, address))
                .collect(Collectors.joining("\n"));
    }

    static String html(Offering o, List<Instant> chosen, Address address) {
        return chosen.stream()
                .map(at -> "<li><a href=\"" + HtmlUtils.htmlEscape(link(o, at, address)) + "\">"
                        + HtmlUtils.htmlEscape(when(o, at) + ", " + Times.city(o.zone()) + " time") + "</a></li>")
                .collect(Collectors.joining("\n", "<ul>\n", "\n</ul>"));
    }

    private static String when(Offering o, Instant at) {
        ZoneId zone = o.zone();
        return Times.day(at.atZone(zone)) + ", "
                + Times.hours(at.atZone(zone), at.atZone(zone).plusMinutes(o.minutes()));
    }

    private static String link(Offering o, Instant at, Address address) {
        String start = SENT.format(at.atZone(o.zone())).replace("+", "%2B");
        return address.of("/p/" + o.slug() + "?start=" + start + "#ask");
    }
}
