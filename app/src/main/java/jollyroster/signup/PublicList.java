package jollyroster.signup;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import jollyroster.chart.SeatStrip;
import jollyroster.core.dates.Interval;
import jollyroster.core.dates.Slices;
import jollyroster.core.intake.Text;
import jollyroster.platform.Times;
import jollyroster.programme.Offering;
import jollyroster.programme.SeatCounts.SeatCount;
import jollyroster.programme.SeatsLeft;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;
import org.jspecify.annotations.Nullable;
import org.springframework.web.util.UriComponentsBuilder;

/**
 * What is on, for people who choose: by offering or by date, narrowed by words, label and place.
 *
 * @param choosing whether there is so much that narrowing helps
 * @param offerings by offering; empty when it is shown by date
 * @param months by date; empty when it is shown by offering
 * @param next the address of more of it; empty when this is the last of it
 */
record PublicList(
        Wish wish,
        boolean choosing,
        List<String> labels,
        List<String> places,
        List<Listed> offerings,
        List<Month> months,
        String next) {

    private static final int MANY = 6;
    private static final int OFFERINGS = 12;
    private static final int DATES = 30;
    private static final int DATES_EACH = 4;
    private static final int LAST_PAGE = 10_000;
    private static final String ONLINE = "Online";
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);

    /** What was asked for, each empty for anything. @param by {@code date}, else by offering */
    record Wish(String by, String q, String label, String place, int page) {
        Wish {
            by = "date".equals(by) ? "date" : "offering";
            q = atMost(q);
            label = atMost(label);
            place = atMost(place);
            page = Math.max(0, Math.min(page, LAST_PAGE));
        }

        private static String atMost(@Nullable String typed) {
            return typed == null ? "" : Text.oneLine(typed, 100);
        }

        boolean byDate() {
            return by.equals("date");
        }

        /** Whether anything is narrowed. */
        public boolean narrows() {
            return !q.isEmpty() || !label.isEmpty() || !place.isEmpty();
        }

        private boolean fits(Offering o) {
            return (label.isEmpty() || o.front().labels().contains(label))
                    && (place.isEmpty() || placeOf(o).equals(place))
                    && (q.isEmpty() || said(o).contains(Text.folded(q)));
        }

        private static String said(Offering o) {
            return Text.folded(String.join(
                    " ",
                    o.title(),
                    o.summary(),
                    placeOf(o),
                    String.join(" ", o.front().labels())));
        }
    }

    /** An offering. @param dates its next dates, at most four @param ownTime whether people pick a time instead of a date */
    record Listed(
            String slug,
            String title,
            String summary,
            String place,
            String price,
            String tint,
            String picture,
            String style,
            List<String> labels,
            List<ListedDate> dates,
            int more,
            boolean ownTime) {}

    /** A date, or a day of slices. @param strip {@code null} where numbers are not told */
    record ListedDate(
            String address,
            String title,
            String place,
            String tint,
            String when,
            String here,
            String left,
            @Nullable SeatStrip strip) {}

    record Month(String name, List<ListedDate> dates) {}

    /**
     * What it is made from.
     *
     * @param sessions all that is published and listed, in order of time
     * @param ownTime offerings of which people pick a time
     */
    record Facts(
            List<Session> sessions, List<Offering> ownTime, Map<Long, SeatCount> counts, ZoneId visitor, Instant now) {}

    /** @param dates each one session, or the slices of a day; none where people pick a time */
    private record Entry(Offering offering, List<List<Session>> dates) {}

    static PublicList of(Facts facts, Wish wish) {
        List<Offering> all = Stream.concat(facts.sessions().stream().map(Session::offering), facts.ownTime().stream())
                .collect(Collectors.toMap(Offering::id, Function.identity(), (a, b) -> a, LinkedHashMap::new))
                .values()
                .stream()
                .toList();
        List<List<Session>> found = inOne(
                facts.sessions().stream().filter(s -> wish.fits(s.offering())).toList());
        int step = wish.byDate() ? DATES : OFFERINGS;
        List<Entry> entries = Stream.concat(
                        byOffering(found).values().stream()
                                .map(dates -> new Entry(dates.get(0).get(0).offering(), dates)),
                        facts.ownTime().stream().filter(wish::fits).map(o -> new Entry(o, List.of())))
                .toList();
        int size = wish.byDate() ? found.size() : entries.size();
        return new PublicList(
                wish,
                all.size() > MANY,
                sorted(all.stream().flatMap(o -> o.front().labels().stream()).toList()),
                sorted(all.stream()
                        .map(PublicList::placeOf)
                        .filter(p -> !p.isEmpty())
                        .toList()),
                wish.byDate()
                        ? List.of()
                        : page(entries, wish, step).stream()
                                .map(entry -> listed(entry.offering(), entry.dates(), facts))
                                .toList(),
                wish.byDate() ? months(page(found, wish, step), facts) : List.of(),
                (wish.page() + 1) * step < size ? address(wish) : "");
    }

    private static List<String> sorted(List<String> some) {
        return List.copyOf(new TreeSet<>(some));
    }

    private static <T> List<T> page(List<T> all, Wish wish, int step) {
        return all.stream().skip((long) wish.page() * step).limit(step).toList();
    }

    /** Each session by itself, but the slices of a day together, where the first of them stands. */
    private static List<List<Session>> inOne(List<Session> sessions) {
        Map<Long, List<Interval>> spans = sessions.stream()
                .collect(Collectors.groupingBy(
                        s -> s.offering().id(), Collectors.mapping(Session::span, Collectors.toList())));
        Set<Long> cut = spans.entrySet().stream()
                .filter(of -> Slices.areCut(of.getValue()))
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
        Map<Object, List<Session>> together = new LinkedHashMap<>();
        sessions.forEach(s -> together.computeIfAbsent(
                        cut.contains(s.offering().id())
                                ? List.of(s.offering().id(), s.zonedStart().toLocalDate())
                                : s.id(),
                        key -> new ArrayList<>())
                .add(s));
        return List.copyOf(together.values());
    }

    private static Map<Long, List<List<Session>>> byOffering(List<List<Session>> dates) {
        Map<Long, List<List<Session>>> by = new LinkedHashMap<>();
        dates.forEach(date -> by.computeIfAbsent(date.get(0).offering().id(), id -> new ArrayList<>())
                .add(date));
        return by;
    }

    private static String address(Wish wish) {
        return UriComponentsBuilder.fromPath("/")
                .queryParam("by", wish.by())
                .queryParam("q", "{q}")
                .queryParam("label", "{label}")
                .queryParam("place", "{place}")
                .queryParam("page", wish.page() + 1)
                .encode()
                .buildAndExpand(wish.q(), wish.label(), wish.place())
                .toUriString();
    }

    private static String placeOf(Offering o) {
        return o.venue().map(Venue::isOnline).orElse(false) ? ONLINE : o.place();
    }

    private static Listed listed(Offering o, List<List<Session>> dates, Facts facts) {
        List<ListedDate> first =
                dates.stream().limit(DATES_EACH).map(s -> date(s, facts)).toList();
        return new Listed(
                o.slug(),
                o.title(),
                o.summary(),
                placeOf(o),
                o.front().price(),
                o.front().tint().code(),
                o.front().picture(),
                o.isSeries() ? "One registration for all dates" : "",
                o.front().labels(),
                first,
                dates.size() - first.size(),
                dates.isEmpty());
    }

    private static ListedDate date(List<Session> date, Facts facts) {
        return date.size() == 1 ? date(date.get(0), facts) : slices(date, facts);
    }

    private static ListedDate date(Session s, Facts facts) {
        SeatCount count = facts.counts().getOrDefault(s.id(), SeatCount.NONE);
        SeatsLeft left = SeatsLeft.of(s, count);
        return listed(
                s,
                "?session=" + s.id(),
                OfferingDates.when(s, facts.visitor(), facts.now()),
                OfferingDates.here(s, facts.visitor()),
                left.words(),
                left.told() ? SeatStrip.ofCounts(s.seats(), s.keptBack(), count.taken(), 0, 3.8) : null);
    }

    /** From the first of them to the last, and how many are free. */
    private static ListedDate slices(List<Session> day, Facts facts) {
        Session first = day.get(0);
        ZoneId clock = OfferingDates.clock(first, facts.visitor());
        Instant end = day.get(day.size() - 1).end();
        long free = day.stream()
                .filter(s -> SeatsLeft.of(s, facts.counts().getOrDefault(s.id(), SeatCount.NONE))
                                .free()
                        > 0)
                .count();
        return listed(
                first,
                "#pick",
                Times.range(first.start(), end, clock, facts.now().atZone(clock).toLocalDate()),
                "",
                free == 0 ? "no time free" : free + (free == 1 ? " time free" : " times free"),
                null);
    }

    private static ListedDate listed(
            Session s, String query, String when, String here, String left, @Nullable SeatStrip strip) {
        return new ListedDate(
                "/p/" + s.offering().slug() + query,
                s.offering().title(),
                s.isOnline() ? ONLINE : s.place(),
                s.offering().front().tint().code(),
                when,
                here,
                left,
                strip);
    }

    private static List<Month> months(List<List<Session>> dates, Facts facts) {
        Map<String, List<ListedDate>> months = new LinkedHashMap<>();
        dates.forEach(date -> months.computeIfAbsent(month(date.get(0), facts), month -> new ArrayList<>())
                .add(date(date, facts)));
        return months.entrySet().stream()
                .map(e -> new Month(e.getKey(), e.getValue()))
                .toList();
    }

    private static String month(Session s, Facts facts) {
        return MONTH.format(s.start().atZone(OfferingDates.clock(s, facts.visitor())));
    }
}
