package jollyroster.roster;

import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import jollyroster.answers.GivenQueries;
import jollyroster.core.seats.RegistrationState;
import jollyroster.platform.SignedIn;
import jollyroster.platform.Times;
import jollyroster.programme.AskedQuestion;
import jollyroster.programme.HostQueries;
import jollyroster.programme.ProgrammeQueries;
import jollyroster.programme.Session;
import jollyroster.roster.RosterPageQueries.Count;
import jollyroster.roster.RosterPageQueries.Filter;
import jollyroster.seating.Registration;
import jollyroster.till.Money;
import jollyroster.till.PaymentQueries;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Puts a page of a roster together. */
@Component
class RollAssembler {

    private static final int PAGE = 20;
    private final GivenQueries given;
    private final ProgrammeQueries programme;
    private final HostQueries hosts;
    private final PaymentQueries payments;
    private final RosterPageQueries pages;
    private final SignedIn signedIn;
    private final Clock clock;

    RollAssembler(
            GivenQueries given,
            ProgrammeQueries programme,
            HostQueries hosts,
            PaymentQueries payments,
            RosterPageQueries pages,
            SignedIn signedIn,
            Clock clock) {
        this.given = given;
        this.programme = programme;
        this.hosts = hosts;
        this.payments = payments;
        this.pages = pages;
        this.signedIn = signedIn;
        this.clock = clock;
    }

    /** A session that whoever is signed in may see. */
    Optional<Session> session(long id) {
        return programme.session(id).filter(s -> hosts.isVisible(s, signedIn.actor(), clock.instant()));
    }

    /** A page of the roster. @param after the last registration of the page before; 0 for the first page */
    RollView view(Session s, RollQuery query, long after) {
        Instant now = clock.instant();
        boolean choosable = signedIn.isOrganiser();
        boolean onDuty = signedIn.isHelper();
        Filter filter = onDuty ? query.namesOnly() : query.filter();
        List<RollView.Tab> tabs = tabs(s, query);
        List<AskedQuestion> questions = programme.questions(s.offering().id());
        Part part = isByState(filter) ? byState(s, filter, tabs, after) : searched(s, filter, after);
        List<Registration> shown = part.shown();
        Map<Long, Map<Long, String>> answers =
                given.answers(shown.stream().map(Registration::id).toList());
        Map<Long, Money> money = onDuty ? Map.of() : payments.of(shown, s);
        List<RollView.Row> rows = shown.stream()
                .map(r -> row(r, s, choosable, questions, answers.getOrDefault(r.id(), Map.of()), money.get(r.id())))
                .map(row -> onDuty ? row.withoutParticulars() : row)
                .toList();
        return new RollView(
                s.id(),
                s.offering().id(),
                s.offering().title(),
                Times.range(s.start(), s.end(), s.zone(), now.atZone(s.zone()).toLocalDate()),
                Times.city(s.zone()),
                RollView.isPast(s, now),
                tabs,
                rows,
                rows.size(),
                part.found(),
                part.more() ? shown.get(shown.size() - 1).id() : 0,
                after == 0,
                query.inAddress(),
                onDuty ? List.of() : RollView.choices(questions),
                otherDates(s, now));
    }

    /** What a page shows of all that was found. */
    private record Part(List<Registration> shown, int found, boolean more) {}

    private static boolean isByState(Filter filter) {
        return filter.text().isEmpty() && !filter.marked() && filter.answer().isEmpty();
    }

    /** Counting is spared, as the numbers beside the states say it already. */
    private Part byState(Session s, Filter filter, List<RollView.Tab> tabs, long after) {
        List<Registration> some = pages.page(s.book(), filter, after, PAGE + 1);
        int found = tabs.stream()
                .filter(RollView.Tab::lit)
                .mapToInt(RollView.Tab::number)
                .sum();
        return new Part(some.stream().limit(PAGE).toList(), found, some.size() > PAGE);
    }

    /** Everything is looked through once, for the number and for all pages; not so if the last row shown is gone. */
    private Part searched(Session s, Filter filter, long after) {
        List<Long> found = pages.found(s.book(), filter);
        int from = found.indexOf(after) + 1;
        if (from == 0 && after > 0) {
            List<Registration> some = pages.page(s.book(), filter, after, PAGE + 1);
            return new Part(some.stream().limit(PAGE).toList(), found.size(), some.size() > PAGE);
        }
        int to = Math.min(from + PAGE, found.size());
        return new Part(pages.inOrder(found.subList(from, to)), found.size(), to < found.size());
    }

    private List<RollView.Tab> tabs(Session s, RollQuery query) {
        Map<RegistrationState, Count> counts = pages.counts(s.book());
        int all = counts.values().stream().mapToInt(Count::parties).sum();
        List<RollView.Tab> tabs = new ArrayList<>();
        tabs.add(tab(s, query, "", "everybody", all));
        counts.forEach((state, count) ->
                tabs.add(tab(s, query, state.code(), s.offering().word(state), count.parties())));
        return tabs;
    }

    private static RollView.Tab tab(Session s, RollQuery query, String state, String word, int number) {
        String address =
                "/desk/sessions/" + s.id() + "/roster?" + query.in(state).inAddress();
        return new RollView.Tab(state, word, number, query.state().equals(state), address);
    }

    private List<RollView.Choice> otherDates(Session s, Instant now) {
        return programme.sessionsOf(s.offering().id()).stream()
                .filter(d -> d.book() != s.book() && d.isOpenAt(now))
                .map(d -> new RollView.Choice(d.id(), Times.dayAndTime(d.start(), d.zone())))
                .toList();
    }

    private static RollView.Row row(
            Registration r,
            Session s,
            boolean choosable,
            List<AskedQuestion> questions,
            Map<Long, String> answers,
            @Nullable Money money) {
        return new RollView.Row(
                s.id(),
                choosable,
                r.id(),
                r.person(),
                r.state().code(),
                s.offering().word(r.state()),
                held(r, s.zone()),
                r.name(),
                String.join(
                        ", ",
                        r.remarks().companions().stream()
                                .filter(n -> !n.isEmpty())
                                .toList()),
                r.email(),
                r.phone(),
                r.party(),
                Times.dayAndTime(r.registeredAt(), s.zone()),
                Times.city(r.zone()) + " " + Times.time(s.start().atZone(r.zone())),
                questions.stream()
                        .filter(q -> answers.containsKey(q.id()))
                        .map(q -> new RollView.Answer(q.question().label(), answers.get(q.id())))
                        .toList(),
                r.remarks().note(),
                r.remarks().marked(),
                r.remarks().why(),
                money == null ? "" : money.inWords());
    }

    private static String held(Registration r, ZoneId zone) {
        return r.hold().until().map(at -> "until " + Times.dayAndTime(at, zone)).orElse("");
    }
}
