package jollyroster.platform;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.programme.OfferingCommands;
import jollyroster.programme.OfferingStatus;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.SessionCommands;
import jollyroster.schedule.ScheduleCommands;
import jollyroster.schedule.Scope;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.RegistrationCommands;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.transaction.support.TransactionTemplate;

/** What is kept in memory never outlives what it was read from. */
@AppTest
class RememberedTest {

    @Autowired
    ChangeSeatCommands seats;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ProgrammeQueries programme;

    @Autowired
    SessionCommands sessions;

    @Autowired
    OfferingCommands offerings;

    @Autowired
    ScheduleCommands schedule;

    @Autowired
    RegistrationCommands roster;

    @Autowired
    TransactionTemplate transaction;

    @Autowired
    TableChanges changes;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    @Value("${jolly.data}")
    String folder;

    @AfterEach
    void back() {
        clock.set(TestClock.START);
    }

    private boolean isCalledOff(Published at) {
        return programme.session(at.session()).orElseThrow().cancelled();
    }

    @Test
    void a_change_is_seen_by_the_next_reader() {
        Published at = saltmarrow.publish(seats(3));
        assertThat(isCalledOff(at)).isFalse();
        schedule.callOff(at.session(), Scope.THIS, "", Saltmarrow.ORGANISER);
        assertThat(isCalledOff(at)).isTrue();
    }

    /** Changes a title where nobody is told of it. */
    private void retitleBehindItsBack(Published at, String title) throws SQLException {
        try (Connection store = DriverManager.getConnection("jdbc:sqlite:" + folder + "/jolly-roster.db");
                PreparedStatement update = store.prepareStatement("UPDATE offering SET title = ? WHERE id = ?")) {
            update.setString(1, title);
            update.setLong(2, at.offering());
            update.executeUpdate();
        }
    }

    @Test
    void what_was_read_is_kept_until_a_row_of_its_tables_changes() throws SQLException {
        Published at = saltmarrow.publish(seats(3));
        String title = programme.session(at.session()).orElseThrow().offering().title();
        retitleBehindItsBack(at, "Behind its back");
        assertThat(programme.session(at.session()).orElseThrow().offering().title())
                .as("it is not read again")
                .isEqualTo(title);
        schedule.callOff(at.session(), Scope.THIS, "", Saltmarrow.ORGANISER);
        assertThat(programme.session(at.session()).orElseThrow().offering().title())
                .isEqualTo("Behind its back");
    }

    @Test
    void a_page_is_kept_until_a_row_of_its_tables_changes() throws SQLException {
        Published at = saltmarrow.publish(seats(3));
        String page = "/p/" + at.slug();
        String title = new Browserless(port).get(page).document().select("h1").text();
        new Browserless(port).get(page);
        retitleBehindItsBack(at, "Behind its back");
        assertThat(new Browserless(port).get(page).document().select("h1").text())
                .as("it is not put together again")
                .isEqualTo(title);
        offerings.setEmbedOrigins(at.offering(), List.of(), Saltmarrow.ORGANISER);
        assertThat(new Browserless(port).get(page).document().select("h1").text())
                .isEqualTo("Behind its back");
    }

    @Test
    void what_was_read_in_a_write_that_failed_is_forgotten() {
        Published at = saltmarrow.publish(seats(3));
        transaction.executeWithoutResult(status -> {
            schedule.callOff(at.session(), Scope.THIS, "", Saltmarrow.ORGANISER);
            assertThat(sessions.session(at.session()).orElseThrow().cancelled()).isTrue();
            assertThat(isCalledOff(at)).as("readers see what is kept").isFalse();
            status.setRollbackOnly();
        });
        transaction.executeWithoutResult(status -> assertThat(
                        sessions.session(at.session()).orElseThrow().cancelled())
                .isFalse());
        assertThat(isCalledOff(at)).isFalse();
    }

    @Test
    void a_registration_leaves_the_programme_s_tables_alone() {
        Published at = saltmarrow.publish(seats(3));
        long before = changes.generation("offering", "session", "venue", "question");
        roster.register(Saltmarrow.person(at.session(), "Kofi Brannigan", 1), Saltmarrow.VISITOR);
        assertThat(changes.generation("offering", "session", "venue", "question"))
                .isEqualTo(before);
        assertThat(changes.generation("registration")).isPositive();
    }

    @Test
    void a_kept_page_is_everybody_s_own_and_never_stale() {
        Published at = saltmarrow.publish(seats(2));
        String page = "/p/" + at.slug();
        Browserless.Page first = new Browserless(port).get(page);
        Browserless.Page second = new Browserless(port).get(page);
        assertThat(second.document().select(".choice").text()).contains("2 left");
        assertThat(number(second)).isNotEqualTo(number(first)).hasSize(36);
        assertThat(second.csrf()).isNotBlank().isNotEqualTo(first.csrf());
        assertThat(second.response().headers().firstValue("content-security-policy"))
                .isPresent();

        new Browserless(port).register(at, Map.of());
        assertThat(new Browserless(port).get(page).document().select(".choice").text())
                .contains("1 left");
        new Browserless(port).register(at, Map.of("email", "bao@crew.example", "name", "Bao Lindqvist"));
        assertThat(new Browserless(port).get(page).document().select(".choice").text())
                .contains("full");
        clock.windOn(Duration.ofDays(7));
        assertThat(new Browserless(port).get(page).document().select(".choice")).isEmpty();
        offerings.turn(at.offering(), OfferingStatus.DRAFT, Saltmarrow.ORGANISER);
        assertThat(new Browserless(port).get(page).status()).isEqualTo(404);
    }

    @Test
    void of_a_crowd_that_asks_at_once_one_reads() throws Exception {
        Remembered<String, Integer> kept = new Remembered<>(changes, 5, "nothing_of_the_store");
        AtomicInteger reads = new AtomicInteger();
        CountDownLatch all = new CountDownLatch(8);
        ExecutorService crowd = Executors.newFixedThreadPool(8);
        try {
            List<Future<Integer>> answers = new ArrayList<>();
            for (int i = 0; i < 8; i++) {
                answers.add(crowd.submit(() -> {
                    all.countDown();
                    return kept.get("key", key -> awaited(all, reads));
                }));
            }
            for (Future<Integer> answer : answers) {
                assertThat(answer.get(20, TimeUnit.SECONDS)).isOne();
            }
        } finally {
            crowd.shutdownNow();
        }
        changes.changed("nothing_of_the_store");
        assertThat(kept.get("key", key -> reads.incrementAndGet()))
                .as("what has changed is read again")
                .isEqualTo(2);
    }

    private static int awaited(CountDownLatch all, AtomicInteger reads) {
        try {
            assertThat(all.await(20, TimeUnit.SECONDS)).isTrue();
            return reads.incrementAndGet();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String number(Browserless.Page page) {
        return page.document().select("input[name=form]").attr("value");
    }
}
