package jollyroster.door;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import jollyroster.door.MeetingProvider.Answer.Made;
import jollyroster.door.MeetingProvider.Coming;
import org.junit.jupiter.api.Test;

/**
 * What any service that holds online meetings has to do, as {@link MeetingProvider} says it. Whoever puts another one behind these lines
 * extends this with ways to go in and to leave, and sees it pass.
 */
public abstract class MeetingProviderContract {

    /** A report as it arrived at {@code /hooks/meeting}, signed and taken. */
    public record Reported(String type, String guest) {}

    protected abstract MeetingProvider provider();

    /** What the clock of the service says. */
    protected abstract Instant now();

    /** Follows a way in as a browser does. @return the page */
    protected abstract String goIn(String entry);

    /** Leaves as a browser does. */
    protected abstract void leave(String entry);

    /** A pass that the program knows. */
    protected abstract String pass();

    /** What has been reported of that pass; waits until there are so many. */
    protected abstract List<Reported> reported(String pass, int atLeast);

    private String room(String name) {
        return ((Made) provider().makeRoom(name, "Knots & <b>splices</b>")).room();
    }

    private String entry(String room, Coming who) {
        return provider()
                .entry(room, "Knots & <b>splices</b>", who, now().plus(Duration.ofHours(2)))
                .orElseThrow();
    }

    @Test
    protected void a_room_can_be_asked_for_twice_and_is_never_the_room_of_another_name() {
        String first = room("session-1");
        assertThat(goIn(entry(room("session-1"), new Coming("Ann One", "", false))))
                .contains("Ann One");
        assertThat(room("session-2")).isNotEqualTo(first);
        assertThat(first).as("not to be guessed").isNotEqualTo("session-1").hasSizeGreaterThan(12);
    }

    @Test
    protected void each_way_in_is_for_one_person_and_opens_in_a_browser() {
        String room = room("session-3");
        Set<String> ways = IntStream.range(0, 20)
                .mapToObj(i -> entry(room, new Coming("Ann One", "", false)))
                .collect(Collectors.toSet());
        assertThat(ways).hasSize(20).allMatch(way -> way.startsWith("/") || way.startsWith("https://"));
    }

    @Test
    protected void people_are_shown_under_the_name_they_gave_whatever_letters_are_in_it() {
        String odd = "Zoë “<script>alert(1)</script>” \uD83D\uDEA2 " + "w".repeat(60);
        String page = goIn(entry(room("session-4"), new Coming(odd, "", false)));
        assertThat(page).contains("Zoë", "\uD83D\uDEA2").doesNotContain("<script>alert");
    }

    @Test
    protected void who_comes_and_who_leaves_is_reported_with_the_pass_as_it_was_given() {
        String pass = pass();
        String entry = entry(room("session-5"), new Coming("Ann One", pass, false));
        goIn(entry);
        assertThat(reported(pass, 1)).containsExactly(new Reported("joined", pass));
        leave(entry);
        assertThat(reported(pass, 2)).containsExactly(new Reported("joined", pass), new Reported("left", pass));
    }

    @Test
    protected void when_a_room_is_ended_everybody_is_out_and_reported() {
        String pass = pass();
        String room = room("session-7");
        String entry = entry(room, new Coming("Ann One", pass, false));
        goIn(entry);
        provider().end(room);
        assertThat(reported(pass, 2)).containsExactly(new Reported("joined", pass), new Reported("left", pass));
        assertThat(goIn(entry)).doesNotContain("You are inside");
        provider().end("nothing-like-it");
    }

    @Test
    protected void nobody_comes_in_once_the_room_has_shut() {
        String entry = provider()
                .entry(room("session-6"), "Knots", new Coming("Ann One", "", false), now().minusSeconds(1))
                .orElse("");
        assertThat(entry.isEmpty() || !goIn(entry).contains("You are inside")).isTrue();
    }

    @Test
    protected void it_says_what_it_needs_who_may_grant_it_and_takes_no_grant_that_is_none() {
        assertThat(provider().permissions())
                .isNotEmpty()
                .allSatisfy(p -> assertThat(p).isNotBlank());
        assertThat(provider().grantedBy()).isNotBlank();
        assertThat(provider().name()).isNotBlank();
        assertThat(provider().consent("st&te")).contains("st%26te");
        assertThat(provider().take("")).isFalse();
        assertThat(provider().take("not-a-grant")).isFalse();
        assertThat(provider().trouble()).isEmpty();
    }
}
