package jollyroster.platform;

import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentSkipListSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.sql.DataSource;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.aop.framework.AopProxyUtils;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.config.BeanPostProcessor;
import org.springframework.boot.test.context.TestConfiguration;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.ApplicationContext;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Import;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DelegatingDataSource;
import org.springframework.util.ReflectionUtils;

/** Every statement of the pages that many people ask for at once finds its rows by an index. */
@AppTest
@Import(QueryPlanTest.Recording.class)
class QueryPlanTest {

    private static final Set<String> STATEMENTS = new ConcurrentSkipListSet<>();

    /** Tables that grow with the number of people; reading one of them from end to end is what must not happen. */
    private static final Pattern SCAN = Pattern.compile(
            "SCAN (registration|person|message|answer|logbook|connection|payment|swap|plea|change)\\b.*");

    /** What asks for nothing, and the few that are about everybody: walked or counted along an index, or kept for a while. */
    private static final Pattern MAY = Pattern.compile("(?s).* in \\(\\).*"
            + "|select message.state, count\\(\\*\\) from message group by message.state"
            + "|select count\\(\\*\\) from person"
            + "|select distinct person.zone from person"
            + "|select plea.offering_id, count\\(\\*\\) from plea where plea.decided_at is null group by plea.offering_id"
            + "|select person\\.\\*, .* from person order by person.folded, person.id limit \\? offset \\?");

    @TestConfiguration
    static class Recording {

        @Bean
        static BeanPostProcessor recorder() {
            return new BeanPostProcessor() {
                @Override
                public Object postProcessAfterInitialization(Object bean, String name) {
                    return bean instanceof DataSource source ? recorded(source) : bean;
                }
            };
        }

        private static DataSource recorded(DataSource source) {
            return new DelegatingDataSource(source) {
                @Override
                public Connection getConnection() throws SQLException {
                    return recorded(super.getConnection());
                }
            };
        }

        private static Connection recorded(Connection connection) {
            return (Connection) Proxy.newProxyInstance(
                    Connection.class.getClassLoader(), new Class<?>[] {Connection.class}, (proxy, method, given) -> {
                        if (method.getName().equals("prepareStatement")) {
                            STATEMENTS.add((String) given[0]);
                        }
                        try {
                            return method.invoke(connection, given);
                        } catch (InvocationTargetException e) {
                            throw e.getCause();
                        }
                    });
        }
    }

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    @Qualifier("readingDataSource")
    DataSource store;

    @Autowired
    ApplicationContext context;

    @LocalServerPort
    int port;

    private Published at;

    @BeforeEach
    void publish() {
        at = saltmarrow.publish(seats(1));
    }

    /** Those that are prepared once for all; they are found where commands keep them. */
    private List<String> keptStatements() {
        List<String> texts = new ArrayList<>();
        for (Object bean : context.getBeansOfType(Object.class).values()) {
            Object target =
                    AopProxyUtils.getSingletonTarget(bean) == null ? bean : AopProxyUtils.getSingletonTarget(bean);
            ReflectionUtils.doWithFields(
                    target.getClass(),
                    field -> {
                        field.setAccessible(true);
                        texts.add(((KeptQuery) field.get(target)).text());
                    },
                    field -> field.getType() == KeptQuery.class);
        }
        return texts;
    }

    private List<String> plan(String statement) {
        return new JdbcTemplate(store).query("EXPLAIN QUERY PLAN " + statement, (row, n) -> row.getString("detail"));
    }

    private Set<String> scans() {
        Set<String> scans = new TreeSet<>();
        Stream.concat(STATEMENTS.stream(), keptStatements().stream())
                .filter(s -> s.matches("(?is)(select|update|delete|with).*"))
                .filter(s -> !MAY.matcher(s).matches())
                .forEach(s -> plan(s).stream()
                        .filter(step -> SCAN.matcher(step).matches())
                        .forEach(step -> scans.add(step + " in " + s)));
        return scans;
    }

    @Test
    void registering_and_waiting_scans_nothing() {
        STATEMENTS.clear();
        Browserless visitor = new Browserless(port);
        Browserless.Page seated = visitor.register(at, Map.of());
        Browserless.Page waiting = visitor.register(at, Map.of("email", "marit@crew.example", "name", "Marit Solheim"));
        assertThat(List.of(seated.state(), waiting.state())).containsExactly("registered", "waitlisted");
        assertThat(STATEMENTS).isNotEmpty();
        assertThat(scans()).isEmpty();
    }

    @Test
    void who_is_owed_seats_is_found_by_the_index_made_for_it() {
        assertThat(keptStatements())
                .filteredOn(s -> s.contains("owed"))
                .isNotEmpty()
                .allSatisfy(s -> assertThat(plan(s))
                        .anyMatch(step -> step.contains("registration_owed"))
                        .anyMatch(step -> step.contains("registration_racing")));
    }

    @Test
    void a_roster_and_a_session_are_read_by_index() {
        new Browserless(port).register(at, Map.of());
        STATEMENTS.clear();
        Browserless desk = Browserless.organiser(port);
        String session = "/desk/sessions/" + at.session();
        for (String page : List.of(
                session,
                session + "/roster",
                session + "/roster?sort=NAME",
                session + "/roster?sort=LATEST&state=REGISTERED",
                session + "/roster?q=kofi",
                session + "/roster.csv",
                "/desk/people",
                "/desk")) {
            assertThat(desk.get(page).status()).as(page).isEqualTo(200);
        }
        assertThat(scans()).isEmpty();
    }
}
