package jollyroster.outbox;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import jollyroster.AppTest;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.plans.HousePlanCommands;
import jollyroster.plans.ReminderCommands;
import jollyroster.platform.NotDelivered;
import jollyroster.platform.OutsideService;
import jollyroster.seating.RegistrationCommands;
import jollyroster.standin.TrayQueries;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * A house plan that many follow, and an hour without a mail server. Small in the ordinary run; {@code -Djolly.load=full} makes it 200
 * offerings with 20,000 unsent messages, and prints how long the change takes beside inserting as many rows.
 */
@AppTest
class MessagesUnderLoadTest {

    private static final boolean FULL = "full".equals(System.getProperty("jolly.load"));
    private static final int OFFERINGS = FULL ? 200 : 6;
    private static final int PEOPLE = FULL ? 50 : 5;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    HousePlanCommands houses;

    @Autowired
    ReminderCommands plans;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker worker;

    @Autowired
    @Qualifier("mailServer")
    OutsideService server;

    @Autowired
    MailChannel mail;

    @Autowired
    TrayQueries tray;

    @Autowired
    JdbcTemplate store;

    @Autowired
    TransactionTemplate together;

    @Autowired
    TestClock clock;

    @BeforeEach
    void morning() {
        clock.set(TestClock.START);
        worker.sendDue();
    }

    private List<Published> offerings(int number) {
        List<Published> all = new ArrayList<>();
        for (int i = 0; i < number; i++) {
            all.add(saltmarrow.publish(seats(PEOPLE * 2)));
        }
        return all;
    }

    private void fill(Published at, int people) {
        for (int i = 0; i < people; i++) {
            roster.register(Saltmarrow.person(at.session(), "Load " + at.offering() + "x" + i, 1), Saltmarrow.VISITOR);
        }
    }

    private int planned(List<Published> all, Anchor anchor) {
        return all.stream()
                .mapToInt(at -> outbox.ofSession(at.session()).stream()
                        .filter(c -> c.anchor() == anchor && c.state() == MessageState.PLANNED)
                        .mapToInt(OutboxQueries.Count::messages)
                        .sum())
                .sum();
    }

    @Test
    void everybody_who_follows_a_house_plan_follows_its_change_in_one_write() {
        long house = houses.make("Load " + System.nanoTime(), ORGANISER).orElseThrow();
        houses.add(house, "1 day before", ORGANISER);
        houses.add(house, "15 minutes before", ORGANISER);
        List<Published> all = offerings(OFFERINGS);
        all.forEach(at -> {
            plans.follow(at.offering(), house, ORGANISER);
            fill(at, PEOPLE);
        });
        assertThat(planned(all, Anchor.BEFORE_START)).isEqualTo(2 * OFFERINGS * PEOPLE);
        long begun = System.nanoTime();
        houses.add(house, "3 hours before", ORGANISER);
        long change = System.nanoTime() - begun;
        assertThat(planned(all, Anchor.BEFORE_START)).isEqualTo(3 * OFFERINGS * PEOPLE);
        List<Map<String, Object>> rows = store.queryForList(
                "select * from message where state = 'PLANNED' and anchor = 'BEFORE_START' limit ?",
                3 * OFFERINGS * PEOPLE);
        long insert = inserting(rows);
        System.out.printf(
                "House plan followed by %d offerings, %d messages planned anew: %d ms; inserting as many rows %d ms; %.2f times%n",
                OFFERINGS, rows.size(), change / 1_000_000, insert / 1_000_000, (double) change / insert);
    }

    /** How long it takes to insert as many rows one by one, in one transaction that is taken back. */
    private long inserting(List<Map<String, Object>> rows) {
        List<String> columns =
                rows.get(0).keySet().stream().filter(name -> !name.equals("id")).toList();
        String sql = "insert into message (" + String.join(", ", columns) + ") values ("
                + columns.stream().map(name -> "?").collect(Collectors.joining(", ")) + ")";
        int key = columns.indexOf("message_key");
        return together.execute(status -> {
            long begun = System.nanoTime();
            for (int i = 0; i < rows.size(); i++) {
                Object[] values = columns.stream().map(rows.get(i)::get).toArray();
                values[key] = "load-" + i;
                store.update(sql, values);
            }
            long took = System.nanoTime() - begun;
            status.setRollbackOnly();
            return took;
        });
    }

    /** How long the mail stand-in takes for the same letters, written beforehand, handed over one after another. */
    private long bare(List<String> keys) {
        List<Letter> letters = keys.stream()
                .map(key -> tray.byKey(key).orElseThrow())
                .map(MessagesUnderLoadTest::again)
                .toList();
        long begun = System.nanoTime();
        for (Letter letter : letters) {
            try {
                mail.deliver(letter);
            } catch (NotDelivered never) {
                throw new IllegalStateException(never);
            }
        }
        return System.nanoTime() - begun;
    }

    private static Letter again(SentMail.Mail sent) {
        return new Letter(
                "bare-" + sent.messageId().replaceAll("[<>]|@.*", ""),
                "localhost",
                "Saltmarrow",
                "office@saltmarrow.example",
                sent.to(),
                sent.subject(),
                sent.text(),
                sent.html(),
                sent.calendar().isEmpty() ? null : sent.calendar(),
                List.of(),
                "https://localhost/no-reminders",
                TestClock.START);
    }

    /** Everybody's letters of one session, a day, two hours and 15 minutes before, after an hour without a server. @return nanoseconds */
    private long sentAtOnce(Published at, int people, LocalDateTime local) {
        Instant start = local.toInstant(ZoneOffset.ofHours(-3));
        plans.add(at.offering(), "2 hours before", ORGANISER);
        fill(at, people);
        worker.sendDue();
        clock.set(start.minus(Duration.ofHours(2)));
        server.failed();
        clock.set(start.minus(Duration.ofMinutes(10)));
        long begun = System.nanoTime();
        int sent = worker.sendDue();
        long took = System.nanoTime() - begun;
        assertThat(sent).isEqualTo(3 * people);
        return took;
    }

    @Test
    void after_an_hour_without_a_mail_server_nothing_is_lost_or_doubled_and_what_is_past_is_dropped_with_the_reason() {
        int people = FULL ? 2500 : 60;
        LocalDateTime start = LocalDateTime.parse("2027-03-16T19:00");
        Published at = saltmarrow.publish(seats(people));
        long took = sentAtOnce(at, people, start);
        for (int warming = 1; FULL && warming < 5; warming++) {
            clock.set(TestClock.START);
            at = saltmarrow.publish(seats(people).at(start.plusWeeks(warming).toString()));
            took = sentAtOnce(at, people, start.plusWeeks(warming));
        }
        List<OutboxQueries.Item> reminders =
                outbox.list(List.of(MessageState.SENT), at.session(), Optional.of(Anchor.BEFORE_START), 20_000);
        assertThat(reminders).hasSize(3 * people);
        assertThat(reminders.stream().map(OutboxQueries.Item::key).distinct()).hasSize(3 * people);
        long bare = bare(reminders.stream().map(OutboxQueries.Item::key).toList());
        System.out.printf(
                "%d letters after an outage: %d ms; the tray takes them from a bare client in %d ms; %.2f of its rate%n",
                3 * people, took / 1_000_000, bare / 1_000_000, (double) bare / took);
        Published past = saltmarrow.publish(seats(4).at("2027-04-20T20:00"));
        fill(past, 2);
        worker.sendDue();
        clock.set(Instant.parse("2027-04-21T02:00:00Z"));
        worker.sendDue();
        assertThat(outbox.list(List.of(MessageState.WITHDRAWN), past.session(), Optional.of(Anchor.BEFORE_START), 50))
                .isNotEmpty()
                .allSatisfy(item -> assertThat(item.reason()).isNotBlank());
    }
}
