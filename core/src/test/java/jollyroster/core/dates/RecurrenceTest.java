package jollyroster.core.dates;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import net.fortuna.ical4j.model.Recur;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Source: the examples of RFC 5545, section 3.8.5.3, all in New York; and ical4j as a second implementation. */
class RecurrenceTest {

    private static final ZoneId NEW_YORK = ZoneId.of("America/New_York");
    private static final int MANY = 400;

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                // rule | DTSTART | number of dates (0: without end) | the first of them, as the RFC lists them
                "FREQ=DAILY;COUNT=10 | 1997-09-02T09:00 | 10 | 09-02 09-03 09-04 09-05 09-06 09-07 09-08 09-09 09-10 09-11",
                "FREQ=DAILY;UNTIL=19971224T000000Z | 1997-09-02T09:00 | 113 | 09-02 09-03 09-04",
                "FREQ=DAILY;INTERVAL=2 | 1997-09-02T09:00 | 0 | 09-02 09-04 09-06 09-08",
                "FREQ=DAILY;INTERVAL=10;COUNT=5 | 1997-09-02T09:00 | 5 | 09-02 09-12 09-22 10-02 10-12",
                "FREQ=YEARLY;UNTIL=20000131T140000Z;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA | 1998-01-01T09:00 | 93 | 01-01 01-02 01-03",
                "FREQ=DAILY;UNTIL=20000131T140000Z;BYMONTH=1 | 1998-01-01T09:00 | 93 | 01-01 01-02 01-03",
                "FREQ=WEEKLY;COUNT=10 | 1997-09-02T09:00 | 10 | 09-02 09-09 09-16 09-23 09-30 10-07 10-14 10-21 10-28 11-04",
                "FREQ=WEEKLY;UNTIL=19971224T000000Z | 1997-09-02T09:00 | 17 | 09-02 09-09 09-16",
                "FREQ=WEEKLY;INTERVAL=2;WKST=SU | 1997-09-02T09:00 | 0 | 09-02 09-16 09-30 10-14 10-28 11-11",
                "FREQ=WEEKLY;UNTIL=19971007T000000Z;WKST=SU;BYDAY=TU,TH | 1997-09-02T09:00 | 10 | 09-02 09-04 09-09 09-11 09-16 09-18 09-23 09-25 09-30 10-02",
                "FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH | 1997-09-02T09:00 | 10 | 09-02 09-04 09-09 09-11",
                "FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR | 1997-09-01T09:00 | 25 | 09-01 09-03 09-05 09-15 09-17 09-19 09-29 10-01 10-03",
                "FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH | 1997-09-02T09:00 | 8 | 09-02 09-04 09-16 09-18 09-30 10-02 10-14 10-16",
                "FREQ=MONTHLY;COUNT=10;BYDAY=1FR | 1997-09-05T09:00 | 10 | 09-05 10-03 11-07 12-05 01-02 02-06 03-06 04-03 05-01 06-05",
                "FREQ=MONTHLY;UNTIL=19971224T000000Z;BYDAY=1FR | 1997-09-05T09:00 | 4 | 09-05 10-03 11-07 12-05",
                "FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU | 1997-09-07T09:00 | 10 | 09-07 09-28 11-02 11-30 01-04 01-25 03-01 03-29 05-03 05-31",
                "FREQ=MONTHLY;COUNT=6;BYDAY=-2MO | 1997-09-22T09:00 | 6 | 09-22 10-20 11-17 12-22 01-19 02-16",
                "FREQ=MONTHLY;BYMONTHDAY=-3 | 1997-09-28T09:00 | 0 | 09-28 10-29 11-28 12-29 01-29 02-26",
                "FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15 | 1997-09-02T09:00 | 10 | 09-02 09-15 10-02 10-15 11-02 11-15 12-02 12-15 01-02 01-15",
                "FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1 | 1997-09-30T09:00 | 10 | 09-30 10-01 10-31 11-01 11-30 12-01 12-31 01-01 01-31 02-01",
                "FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15 | 1997-09-10T09:00 | 10 | 09-10 09-11 09-12 09-13 09-14 09-15 03-10 03-11 03-12 03-13",
                "FREQ=MONTHLY;INTERVAL=2;BYDAY=TU | 1997-09-02T09:00 | 0 | 09-02 09-09 09-16 09-23 09-30 11-04 11-11 11-18 11-25 01-06",
                "FREQ=YEARLY;COUNT=10;BYMONTH=6,7 | 1997-06-10T09:00 | 10 | 06-10 07-10 06-10 07-10",
                "FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3 | 1997-03-10T09:00 | 10 | 03-10 01-10 02-10 03-10 01-10",
                "FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200 | 1997-01-01T09:00 | 10 | 01-01 04-10 07-19 01-01 04-09 07-18",
                "FREQ=YEARLY;BYDAY=20MO | 1997-05-19T09:00 | 0 | 05-19 05-18 05-17",
                "FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO | 1997-05-12T09:00 | 0 | 05-12 05-11 05-17",
                "FREQ=YEARLY;BYMONTH=3;BYDAY=TH | 1997-03-13T09:00 | 0 | 03-13 03-20 03-27 03-05 03-12 03-19 03-26",
                "FREQ=YEARLY;BYDAY=TH;BYMONTH=6,7,8 | 1997-06-05T09:00 | 0 | 06-05 06-12 06-19 06-26 07-03",
                "FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13 | 1997-09-13T09:00 | 0 | 09-13 10-11 11-08 12-13 01-10 02-07 03-07",
                "FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8 | 1996-11-05T09:00 | 0 | 11-05 11-07 11-02",
                "FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3 | 1997-09-04T09:00 | 3 | 09-04 10-07 11-06",
                "FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2 | 1997-09-29T09:00 | 0 | 09-29 10-30 11-27 12-30 01-29 02-26 03-30",
                "FREQ=MINUTELY;INTERVAL=90;COUNT=4 | 1997-09-02T09:00 | 4 | 09-02 09-02 09-02 09-02",
                "FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO | 1997-08-05T09:00 | 4 | 08-05 08-10 08-19 08-24",
                "FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU | 1997-08-05T09:00 | 4 | 08-05 08-17 08-19 08-31",
                "FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5 | 2007-01-15T09:00 | 5 | 01-15 01-30 02-15 03-15 03-30",
            })
    void the_examples_of_the_rfc_come_out_as_listed(String rule, String start, int number, String first) {
        Recurrence.Expansion ours =
                Recurrence.of(rule, NEW_YORK).orElseThrow().expand(LocalDateTime.parse(start), MANY);
        List<String> listed = Arrays.asList(first.split(" "));
        assertThat(ours.dates().subList(0, listed.size()))
                .extracting(date -> date.toLocalDate().toString().substring(5))
                .containsExactlyElementsOf(listed);
        assertThat(ours.cutShort()).isEqualTo(number == 0);
        if (number > 0) {
            assertThat(ours.dates()).hasSize(number);
        }
        assertThat(ours.dates().stream().limit(60).toList()).isEqualTo(second(rule, start, 60));
    }

    private static List<LocalDateTime> second(String rule, String start, int most) {
        LocalDateTime from = LocalDateTime.parse(start);
        return new Recur<java.time.ZonedDateTime>(rule)
                        .getDates(
                                from.atZone(NEW_YORK),
                                from.atZone(NEW_YORK),
                                from.plusYears(400).atZone(NEW_YORK),
                                most)
                        .stream()
                        .map(java.time.ZonedDateTime::toLocalDateTime)
                        .toList();
    }

    @Test
    void what_is_not_a_rule_is_not_read() {
        assertThat(Recurrence.of("FREQ=SOMETIMES", NEW_YORK)).isEmpty();
        assertThat(Recurrence.of("every Tuesday", NEW_YORK)).isEmpty();
    }

    @Test
    void a_rule_that_never_fits_ends() {
        Recurrence never =
                Recurrence.of("FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30", NEW_YORK).orElseThrow();
        assertThat(never.expand(LocalDateTime.of(2027, 1, 1, 9, 0), 10).dates()).isEmpty();
    }

    /** From Mon 28 Sep 2026 weekly to 14 Dec 2026, both ends included; counted on a calendar. */
    @Test
    void twelve_mondays() {
        Recurrence weekly =
                Recurrence.of("FREQ=WEEKLY;UNTIL=20261214", NEW_YORK).orElseThrow();
        assertThat(weekly.expand(LocalDateTime.of(2026, 9, 28, 19, 0), MANY).dates())
                .hasSize(12);
    }
}
