package jollyroster.signup;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.seats.RegistrationState;
import jollyroster.logbook.LogbookEntry;
import jollyroster.logbook.LogbookQueries;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** 300 people at once for 20 seats, in parties of one to three. */
@AppTest
class StampedeTest {

    private static final int PEOPLE = 300;
    private static final int CLIENTS = PEOPLE;

    @LocalServerPort
    int port;

    @Autowired
    LogbookQueries logbook;

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    RegistrationQueries roster;

    @Autowired
    TestClock clock;

    @Test
    void no_seat_is_given_twice_and_the_line_is_in_order() throws InterruptedException, ExecutionException {
        clock.set(TestClock.START);
        Published at = saltmarrow.publish(seats(20));
        Browserless visitor = new Browserless(port);
        String csrf = visitor.get("/p/" + at.slug()).csrf();
        List<Callable<Browserless.Page>> rush = new ArrayList<>();
        for (int i = 0; i < PEOPLE; i++) {
            Map<String, String> fields = Map.of(
                    "session",
                    String.valueOf(at.session()),
                    "name",
                    "Crew " + (char) ('a' + i % 26) + i,
                    "email",
                    "crew" + i + "@crew.example",
                    "party",
                    String.valueOf(1 + i % 3),
                    "_csrf",
                    csrf);
            rush.add(() -> visitor.postAsIs("/p/" + at.slug() + "/register", fields));
        }
        ExecutorService clients = Executors.newFixedThreadPool(CLIENTS);
        try {
            for (Future<Browserless.Page> answer : clients.invokeAll(rush)) {
                assertThat(answer.get().status()).isEqualTo(200);
                assertThat(answer.get().state()).isIn("registered", "waitlisted");
            }
        } finally {
            clients.shutdown();
        }
        check(at);
    }

    private void check(Published at) {
        List<Registration> everybody = roster.roster(at.session());
        assertThat(everybody).hasSize(PEOPLE);
        int taken = everybody.stream()
                .filter(r -> r.state() == RegistrationState.REGISTERED)
                .mapToInt(Registration::party)
                .sum();
        assertThat(taken).isBetween(18, 20);
        assertThat(roster.of(List.of(at.session())).get(at.session()).taken()).isEqualTo(taken);
        assertThat(everybody).allMatch(r -> r.passedOver() <= 2);
        List<String> places = logbook.ofSession(at.session(), 2000).stream()
                .filter(l -> l.entry() == LogbookEntry.WAITLISTED)
                .map(l -> l.detail().substring(0, l.detail().indexOf(':')))
                .toList();
        List<String> expected = new ArrayList<>();
        for (int place = places.size(); place >= 1; place--) {
            expected.add("place " + place);
        }
        assertThat(places).isEqualTo(expected);
    }
}
