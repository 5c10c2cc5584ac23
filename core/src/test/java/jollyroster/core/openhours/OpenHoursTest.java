package jollyroster.core.openhours;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeMap;
import jollyroster.core.dates.TypedLine;
import jollyroster.core.openhours.HostChoice.Candidate;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.junit.jupiter.api.Test;

/** Open hours: of weekdays, from dates on, on days that differ; as text and back. */
class OpenHoursTest {

    private static final LocalDate TODAY = LocalDate.of(2027, 3, 10);

    private static OpenHours read(String text) {
        OpenHoursText.Read read = OpenHoursText.read(text, TODAY, 8);
        assertThat(read.parts())
                .allSatisfy(part -> assertThat(part.error()).as(text).isNull());
        return read.hours();
    }

    private static TypedLine.Error error(String text) {
        return OpenHoursText.read(text, TODAY, 8).parts().stream()
                .filter(part -> part.error() != null)
                .findFirst()
                .orElseThrow()
                .error();
    }

    private static String on(OpenHours hours, int month, int day) {
        return hours.on(LocalDate.of(2027, month, day)).toString();
    }

    @Test
    void weekdays_are_read_as_people_type_them() {
        OpenHours hours = read("Mon–Fri 14:00-16:30, 19:00-21:00; Sat 10-14");
        assertThat(on(hours, 3, 15)).isEqualTo("14:00-16:30, 19:00-21:00");
        assertThat(on(hours, 3, 20)).isEqualTo("10:00-14:00");
        assertThat(on(hours, 3, 21)).isEqualTo("closed");
        assertThat(on(read("weekdays 9-5"), 3, 12)).isEqualTo("09:00-17:00");
        assertThat(on(read("every Tue and Thu 1pm to 3:30pm"), 3, 11)).isEqualTo("13:00-15:30");
        assertThat(on(read("daily 08:00-24:00"), 3, 14)).isEqualTo("08:00-24:00");
        assertThat(on(read("Wed 1000-1130"), 3, 10)).isEqualTo("10:00-11:30");
    }

    @Test
    void what_is_said_of_a_weekday_again_holds_beside_it_or_instead() {
        OpenHours hours = read("Mon–Fri 14:00-16:30, 19:00-21:00; Wed 10-14; 11 Jan only 19-21; 24 to 26 Dec closed");
        assertThat(on(hours, 3, 16)).isEqualTo("14:00-16:30, 19:00-21:00");
        assertThat(on(hours, 3, 17)).isEqualTo("10:00-14:00, 14:00-16:30, 19:00-21:00");
        assertThat(on(hours, 12, 24)).isEqualTo("closed");
        assertThat(OpenHoursText.write(hours)).isEqualTo("""
                        Mon, Tue, Thu, Fri 14:00-16:30, 19:00-21:00
                        Wed 10:00-14:00, 14:00-16:30, 19:00-21:00
                        24 Dec 2027 to 26 Dec 2027 closed
                        11 Jan 2028 only 19:00-21:00""");
        assertThat(read(OpenHoursText.write(hours))).isEqualTo(hours);
        assertThat(on(read("Mon–Fri 9-17; Wed only 9-12"), 3, 17)).isEqualTo("09:00-12:00");
        assertThat(on(read("Mon–Fri 9-17; Fri closed"), 3, 19)).isEqualTo("closed");
    }

    @Test
    void a_weekday_may_have_other_hours_from_a_date_on() {
        OpenHours hours = read("Mon 10-12; Mon 14-16 from 5 Apr; Mon closed from 3 May; 12 Apr only 9-10");
        assertThat(on(hours, 3, 29)).isEqualTo("10:00-12:00");
        assertThat(on(hours, 4, 5)).isEqualTo("14:00-16:00");
        assertThat(on(hours, 4, 12)).isEqualTo("09:00-10:00");
        assertThat(on(hours, 4, 19)).isEqualTo("14:00-16:00");
        assertThat(on(hours, 5, 3)).isEqualTo("closed");
        assertThat(hours.source(LocalDate.of(2027, 4, 12))).isEqualTo(OpenHours.Source.EXCEPTION);
    }

    @Test
    void days_that_differ_are_dates_or_runs_of_them() {
        OpenHours hours =
                read("daily 10-12; 11 Jan only 19-21; 24 to 26 Dec closed; 30 Dec to 2 Jan closed; 1, 3 Apr 8-9");
        assertThat(hours.on(LocalDate.of(2028, 1, 11))).hasToString("19:00-21:00");
        assertThat(on(hours, 12, 25)).isEqualTo("closed");
        assertThat(on(hours, 12, 27)).isEqualTo("10:00-12:00");
        assertThat(hours.on(LocalDate.of(2028, 1, 2))).hasToString("closed");
        assertThat(on(hours, 4, 3)).isEqualTo("08:00-09:00");
        assertThat(hours.exceptions()).hasSize(10);
    }

    @Test
    void what_cannot_be_read_says_where_and_why() {
        assertThat(error("Mon 10-12; Mon 11-14"))
                .isEqualTo(new TypedLine.Error(12, TypedLine.Problem.HOURS_OVERLAP, ""));
        assertThat(error("Mon closed; Mon 13-14"))
                .isEqualTo(new TypedLine.Error(13, TypedLine.Problem.DAY_SAID_TWICE, ""));
        assertThat(error(
                                "daily 8-9, 10-11, 12-13, 14-15, 16-17, 18-19; Sat 9-10, 11-12, 13-14, 15-16, 17-18, 19-20, 21-22")
                        .problem())
                .as("thirteen stretches")
                .isEqualTo(TypedLine.Problem.HOURS_OVERLAP);
        assertThat(error("Mon 14:00-10:00"))
                .isEqualTo(new TypedLine.Error(5, TypedLine.Problem.ENDS_BEFORE_IT_STARTS, "14:00–22:00"));
        assertThat(error("Mon 14:00-13:00"))
                .isEqualTo(new TypedLine.Error(5, TypedLine.Problem.ENDS_BEFORE_START, "13:00"));
        assertThat(error("Mon 10-12, 11-13"))
                .isEqualTo(new TypedLine.Error(12, TypedLine.Problem.HOURS_OVERLAP, "11-13"));
        assertThat(error("Mon 10").problem()).isEqualTo(TypedLine.Problem.NO_END);
        assertThat(error("Mon").problem()).isEqualTo(TypedLine.Problem.NO_TIME);
        assertThat(error("10-12").problem()).isEqualTo(TypedLine.Problem.NO_DATE);
        assertThat(error("Mon 10-12 perhaps").problem()).isEqualTo(TypedLine.Problem.NOT_UNDERSTOOD);
        assertThat(error("Mon closed 10-12").problem()).isEqualTo(TypedLine.Problem.SAID_TWICE);
        assertThat(error("Tue 10 Mar only 9-10").problem()).isEqualTo(TypedLine.Problem.WEEKDAY_CONTRADICTS);
        assertThat(error("3000-01-01 closed").problem()).isEqualTo(TypedLine.Problem.YEAR_OUT_OF_RANGE);
        assertThat(error("x".repeat(500)).problem()).isEqualTo(TypedLine.Problem.LINE_TOO_LONG);
        assertThat(error("1 Apr closed;\n".repeat(2000)).problem()).isEqualTo(TypedLine.Problem.DAY_SAID_TWICE);
        assertThat(OpenHoursText.read("Mon 10-12;;\n\n ; Fri 9-10", TODAY, 8).isWrong())
                .isFalse();
    }

    @Test
    void more_days_than_are_kept_are_refused_and_not_dropped() {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 5; i++) {
            text.append("1 Jan %d to 30 Sep %d closed\n".formatted(2030 + i, 2030 + i));
        }
        OpenHoursText.Read read = OpenHoursText.read(text.toString(), TODAY, 8);
        assertThat(read.hours().exceptions().size()).isLessThanOrEqualTo(OpenHours.MOST_EXCEPTIONS);
        assertThat(read.parts().get(4).error().problem()).isEqualTo(TypedLine.Problem.TOO_MANY_LINES);
    }

    @Test
    void only_this_day_and_every_such_day_from_here_on() {
        OpenHours hours = read("Mon 10-12");
        LocalDate monday = LocalDate.of(2027, 4, 5);
        DayHours afternoon = DayHours.of(new Stretch(14 * 60, 15 * 60));
        OpenHours once = hours.onlyOn(monday, afternoon);
        assertThat(once.on(monday)).isEqualTo(afternoon);
        assertThat(once.on(monday.plusWeeks(1))).hasToString("10:00-12:00");
        assertThat(once.onlyOn(monday, hours.on(monday)))
                .as("a day that is as usual differs no more")
                .isEqualTo(hours);
        OpenHours onwards = once.onlyOn(monday.plusWeeks(2), DayHours.CLOSED).from(monday, afternoon);
        assertThat(onwards.on(monday.minusWeeks(1))).hasToString("10:00-12:00");
        assertThat(onwards.on(monday.plusWeeks(2))).isEqualTo(afternoon);
        assertThat(onwards.exceptions()).isEmpty();
        OpenHours bounded = hours.between(monday, monday);
        assertThat(bounded.on(monday.minusWeeks(1)).isClosed()).isTrue();
        assertThat(bounded.source(monday.plusWeeks(1))).isEqualTo(OpenHours.Source.OUT_OF_RANGE);
    }

    @Test
    void hours_of_a_weekday_are_changed_where_they_stand_and_made_alike_on_working_days() {
        OpenHours hours = read("Mon 10-12; Wed 9-11 from 24 Mar; 15 Mar closed");
        LocalDate monday = LocalDate.of(2027, 3, 15);
        DayHours afternoon = DayHours.of(new Stretch(14 * 60, 15 * 60));
        assertThat(OpenHoursText.write(hours.instead(monday, afternoon)))
                .isEqualTo("Mon 14:00-15:00\nWed 09:00-11:00 from 24 Mar 2027\n15 Mar 2027 closed");
        assertThat(OpenHoursText.write(hours.instead(LocalDate.of(2027, 3, 31), afternoon)))
                .as("the change from a date on stands, with other hours")
                .contains("Wed 14:00-15:00 from 24 Mar 2027");
        assertThat(OpenHoursText.write(hours.instead(monday, DayHours.CLOSED))).doesNotContain("Mon");
        assertThat(OpenHoursText.write(read("Tue 9-10; Fri 8-9").alike(LocalDate.of(2027, 3, 16))))
                .isEqualTo("Mon–Fri 09:00-10:00");
    }

    @Test
    void what_a_choice_of_hosts_offers_and_why() {
        assertThat(HostChoice.ALL_TOGETHER.offers(List.of(1, 2), 3)).isEmpty();
        assertThat(HostChoice.ALL_TOGETHER.offers(List.of(1, 2, 3), 3)).hasSize(3);
        assertThat(HostChoice.WHOEVER_IS_FREE.offers(List.of(1), 3)).containsExactly(1);
        assertThat(HostChoice.ALL_TOGETHER.because(true, 2)).isEqualTo(HostChoice.Because.TOGETHER);
        assertThat(HostChoice.ATTENDEES_CHOICE.because(true, 2)).isEqualTo(HostChoice.Because.CHOSEN);
        assertThat(HostChoice.ATTENDEES_CHOICE.because(false, 2)).isEqualTo(HostChoice.Because.LEADS_LEAST);
        assertThat(HostChoice.WHOEVER_IS_FREE.because(true, 1)).isEqualTo(HostChoice.Because.ONLY_ONE_FREE);
    }

    @Test
    void impossible_values_are_refused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new Stretch(600, 600));
        assertThatIllegalArgumentException().isThrownBy(() -> new Stretch(-1, 60));
        assertThatIllegalArgumentException().isThrownBy(() -> new Stretch(0, 1441));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> DayHours.of(new Stretch(600, 660), new Stretch(630, 700)));
        assertThatIllegalArgumentException().isThrownBy(() -> TimeRules.of(Duration.ofMinutes(4)));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> TimeRules.of(Duration.ofMinutes(30)).every(Duration.ofMinutes(1)));
        assertThat(DayHours.of(new Stretch(660, 720), new Stretch(600, 660)))
                .as("what abuts does not overlap")
                .hasToString("10:00-11:00, 11:00-12:00");
    }

    /** Whatever the hours are, their text reads to the same. */
    @Property(tries = 500)
    void text_is_read_back_to_the_same_hours(@ForAll long seed) {
        OpenHours hours = random(new Random(seed));
        String text = OpenHoursText.write(hours);
        assertThat(read(text)).as(text).isEqualTo(hours);
    }

    private static OpenHours random(Random random) {
        List<OpenHours.Weekly> weekly = new ArrayList<>();
        for (DayOfWeek day : DayOfWeek.values()) {
            for (int i = 0; i < random.nextInt(3); i++) {
                LocalDate from = i == 0 ? LocalDate.MIN : TODAY.plusDays(random.nextInt(400));
                weekly.add(new OpenHours.Weekly(day, from, day(random)));
            }
        }
        TreeMap<LocalDate, DayHours> exceptions = new TreeMap<>();
        for (int i = 0; i < random.nextInt(12); i++) {
            exceptions.put(TODAY.plusDays(random.nextInt(30)), day(random));
        }
        return new OpenHours(weekly, exceptions, null, null);
    }

    private static DayHours day(Random random) {
        return switch (random.nextInt(4)) {
            case 0 -> DayHours.CLOSED;
            case 1 -> DayHours.of(new Stretch(0, Stretch.DAY));
            case 2 -> DayHours.of(new Stretch(600, 720));
            default -> DayHours.of(new Stretch(random.nextInt(500), 501), new Stretch(501, 1000 + random.nextInt(440)));
        };
    }

    /** Common practice: fewest minutes in the week, then idle longest, then name. */
    @Test
    void whoever_has_led_least_is_given_the_time() {
        Instant monday = Instant.parse("2027-03-15T12:00:00Z");
        Candidate busy = new Candidate(1, "Ottoline Marsh", Duration.ofMinutes(90), monday);
        Candidate idle = new Candidate(2, "Barnaby Teague", Duration.ofMinutes(60), monday.plusSeconds(60));
        Candidate idler = new Candidate(3, "Sable Renwick", Duration.ofMinutes(60), monday);
        Candidate fresh = new Candidate(4, "Ada Vance", Duration.ofMinutes(60), monday);
        assertThat(HostChoice.give(List.of(busy, idle))).contains(idle);
        assertThat(HostChoice.give(List.of(busy, idle, idler))).contains(idler);
        assertThat(HostChoice.give(List.of(idler, fresh))).contains(fresh);
        assertThat(HostChoice.give(List.of())).isEmpty();
    }
}
