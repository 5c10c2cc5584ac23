package jollyroster.inbound;

import static jollyroster.Saltmarrow.ORGANISER;
import static jollyroster.Saltmarrow.Wanted.seats;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import jollyroster.AppTest;
import jollyroster.Browserless;
import jollyroster.Mailbox;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.TestClock;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Channel;
import jollyroster.core.seats.RegistrationState;
import jollyroster.outbox.MessageState;
import jollyroster.outbox.OutboxQueries;
import jollyroster.outbox.OutboxQueries.Item;
import jollyroster.outbox.OutboxWorker;
import jollyroster.plans.ReminderCommands;
import jollyroster.platform.ServiceSignature;
import jollyroster.seating.ChangeSeatCommands;
import jollyroster.seating.Registration;
import jollyroster.seating.RegistrationQueries;
import jollyroster.texting.AgreementQueries;
import jollyroster.texting.TextLogCommands.Outcome;
import jollyroster.texting.TextLogQueries;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** Text messages from the form to the phone and back: who agreed, what goes, what becomes of it, and what is answered. */
@AppTest
class TextsTest {

    private static final AtomicInteger NUMBERS = new AtomicInteger(100);

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ReminderCommands plans;

    @Autowired
    ChangeSeatCommands changes;

    @Autowired
    RegistrationQueries roster;

    @Autowired
    OutboxQueries outbox;

    @Autowired
    OutboxWorker worker;

    @Autowired
    TextLogQueries texts;

    @Autowired
    AgreementQueries agreements;

    @Autowired
    ServiceSignature signature;

    @Autowired
    Mailbox mailbox;

    @Autowired
    TestClock clock;

    @LocalServerPort
    int port;

    private Published at;
    private String number;

    @BeforeEach
    void publish() {
        at = saltmarrow.publish(seats(1).callingUp());
        plans.add(at.offering(), "2 hours before, text", ORGANISER);
        plans.add(at.offering(), "at once, text", ORGANISER);
        plans.add(at.offering(), "when called up, text", ORGANISER);
        number = "+1902555" + String.format("%04d", NUMBERS.getAndIncrement());
        worker.sendDue();
    }

    @AfterEach
    void back() {
        clock.set(TestClock.START);
        worker.sendDue();
    }

    private static String email(String name) {
        return name.toLowerCase(Locale.ROOT).replace(' ', '.') + "@crew.example";
    }

    private Browserless.Page register(String name, Map<String, String> more) {
        Map<String, String> fields = new HashMap<>(
                Map.of("session", "" + at.session(), "name", name, "email", email(name), "zone", "America/Halifax"));
        fields.putAll(more);
        return new Browserless(port).register(at, fields);
    }

    private Registration registered(String name) {
        register(name, Map.of("phone", number, "texts", "true"));
        return Saltmarrow.named(roster.roster(at.session()), name);
    }

    private List<Item> textsOf(long registration) {
        return outbox.ofRegistration(registration).stream()
                .filter(item -> item.channel() == Channel.TEXT)
                .toList();
    }

    private TextLogQueries.Sent sent(Item item) {
        return texts.sent(List.of(item.id())).get(item.id());
    }

    private int report(String body) {
        String id = "hook-" + NUMBERS.getAndIncrement();
        String time = "" + clock.instant().getEpochSecond();
        return post(body, id, time, signature.sign(id, time, body));
    }

    private int post(String body, String id, String time, String signed) {
        HttpRequest request = HttpRequest.newBuilder(URI.create("http://localhost:" + port + "/hooks/texts"))
                .header("Content-Type", "application/json")
                .header("webhook-id", id)
                .header("webhook-timestamp", time)
                .header("webhook-signature", signed)
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
        try {
            return HttpClient.newHttpClient()
                    .send(request, HttpResponse.BodyHandlers.discarding())
                    .statusCode();
        } catch (IOException | InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private int reply(String words) {
        return report("{\"type\":\"reply\",\"id\":\"in-" + NUMBERS.getAndIncrement() + "\",\"from\":\"" + number
                + "\",\"text\":\"" + words + "\"}");
    }

    @Test
    void whoever_agrees_gets_texts_and_whoever_does_not_gets_none() {
        Registration wren = registered("Wren Skerry");
        assertThat(agreements.of(wren.id()).orElseThrow().number()).isEqualTo(number);
        assertThat(agreements.of(wren.id()).orElseThrow().wording()).contains("STOP");
        assertThat(textsOf(wren.id())).extracting(Item::anchor).containsExactly(Anchor.REGISTERED, Anchor.BEFORE_START);
        worker.sendDue();
        TextLogQueries.Sent first = sent(textsOf(wren.id()).get(0));
        assertThat(first.number()).isEqualTo(number);
        assertThat(first.parts()).isLessThanOrEqualTo(2);
        assertThat(first.body())
                .startsWith("You are registered: ")
                .contains("/s/")
                .doesNotContain("/join/");
        register("Teo Vance", Map.of("phone", "+19025550001"));
        Registration teo = Saltmarrow.named(roster.roster(at.session()), "Teo Vance");
        assertThat(textsOf(teo.id())).isEmpty();
    }

    @Test
    void texts_need_a_number() {
        Browserless.Page page = register("Nora Vance", Map.of("texts", "true"));
        assertThat(page.status()).isEqualTo(422);
        assertThat(page.document().select("#p-phone").text()).isEqualTo("Say to which number, or want no texts.");
        assertThat(page.document().select("[name=texts]").hasAttr("checked")).isTrue();
    }

    @Test
    void a_short_link_leads_where_the_personal_link_leads_and_dies_with_it() {
        Registration wren = registered("Wren Skerry");
        worker.sendDue();
        String body = sent(textsOf(wren.id()).get(0)).body();
        String path = body.substring(body.indexOf("/s/")).split(" ")[0];
        Browserless.Page followed = new Browserless(port).get(path);
        assertThat(followed.location()).contains("/join/");
        assertThat(followed.response().headers().firstValue("Referrer-Policy")).contains("no-referrer");
        assertThat(new Browserless(port).get("/s/abcdefghj").status()).isEqualTo(404);
    }

    @Test
    void yes_and_no_to_a_call_up_are_the_answer() {
        Registration wren = registered("Wren Skerry");
        number = number.replace("+1902555", "+1902556");
        Registration teo = registered("Teo Vance");
        changes.cancel(wren.id(), "", Saltmarrow.self(wren.id()));
        worker.sendDue();
        assertThat(textsOf(teo.id())).extracting(Item::anchor).contains(Anchor.CALLED_UP);
        assertThat(reply("Yes, please!")).isEqualTo(204);
        assertThat(roster.registration(teo.id()).orElseThrow().state()).isEqualTo(RegistrationState.REGISTERED);
        assertThat(texts.ofPerson(teo.person(), 5).get(0).outcome()).isEqualTo("accepted the seats");
        assertThat(texts.ofPerson(teo.person(), 5).get(0).open()).isFalse();
        assertThat(reply("no")).isEqualTo(204);
        assertThat(roster.registration(teo.id()).orElseThrow().state())
                .as("the last text asked nothing")
                .isEqualTo(RegistrationState.REGISTERED);
        assertThat(texts.ofPerson(teo.person(), 5).get(0).open()).isTrue();
    }

    @Test
    void stop_ends_texts_to_a_number_and_start_takes_that_back() {
        Registration wren = registered("Wren Skerry");
        worker.sendDue();
        reply(" stop. ");
        assertThat(agreements.numberFor(wren.id())).isEmpty();
        assertThat(textsOf(wren.id()))
                .filteredOn(item -> item.anchor() == Anchor.BEFORE_START)
                .allMatch(item -> item.state() == MessageState.WITHDRAWN);
        reply("START");
        assertThat(agreements.numberFor(wren.id())).contains(number);
        assertThat(textsOf(wren.id()))
                .filteredOn(item -> item.anchor() == Anchor.BEFORE_START)
                .anyMatch(item -> item.state() == MessageState.PLANNED);
    }

    @Test
    void help_is_answered_once_and_says_who_writes() {
        registered("Wren Skerry");
        worker.sendDue();
        String body =
                "{\"type\":\"reply\",\"id\":\"help-" + number + "\",\"from\":\"" + number + "\",\"text\":\"HELP\"}";
        assertThat(report(body)).isEqualTo(204);
        assertThat(report(body)).isEqualTo(204);
        worker.sendDue();
        Item answer = outbox.item(texts.lastTo(number).orElseThrow()).orElseThrow();
        assertThat(sent(answer).body()).startsWith("Saltmarrow Sea School: ").contains("STOP");
        assertThat(outbox.list(List.of(MessageState.SENT), 0, Optional.of(Anchor.LETTER), 200))
                .filteredOn(item -> item.recipient().equals(number))
                .hasSize(1);
    }

    @Test
    void what_nothing_can_be_made_of_waits_for_somebody_to_read_it() {
        Registration wren = registered("Wren Skerry");
        worker.sendDue();
        reply("Is there parking <b>near</b> the slip?");
        Browserless organiser = Browserless.organiser(port);
        assertThat(organiser.get("/desk").document().select(".needs").text()).contains("wrote back");
        assertThat(organiser.get("/desk/replies").document().select(".notes").text())
                .contains("Wren Skerry", "Is there parking <b>near</b> the slip?");
        String page = "/desk/people/" + wren.person();
        assertThat(organiser.get(page).document().select(".notes").text()).contains("Is there parking");
        long text = texts.ofPerson(wren.person(), 1).get(0).id();
        organiser.post(page, "/desk/texts/" + text + "/read", Map.of("person", "" + wren.person()));
        assertThat(texts.ofPerson(wren.person(), 1).get(0).open()).isFalse();
    }

    @Test
    void a_report_settles_a_text_and_a_number_that_is_gone_is_not_tried_again() {
        Registration wren = registered("Wren Skerry");
        worker.sendDue();
        Item first = textsOf(wren.id()).get(0);
        assertThat(sent(first).outcome()).isEqualTo(Outcome.TAKEN);
        String gone = "{\"type\":\"report\",\"id\":\"m" + first.id()
                + "\",\"outcome\":\"failed\",\"why\":\"no-such-number\"}";
        assertThat(report(gone)).isEqualTo(204);
        assertThat(report(gone.replace("failed", "delivered")))
                .as("the first counts")
                .isEqualTo(204);
        assertThat(sent(first).outcome()).isEqualTo(Outcome.FAILED);
        assertThat(outbox.item(first.id()).orElseThrow().state()).isEqualTo(MessageState.FAILED);
        clock.set(Instant.parse("2027-03-16T20:00:00Z"));
        worker.sendDue();
        Item reminder = textsOf(wren.id()).get(1);
        assertThat(reminder.state()).isEqualTo(MessageState.WITHDRAWN);
        assertThat(reminder.reason()).isEqualTo("no number that agreed to texts");
        assertThat(Browserless.organiser(port)
                        .get("/desk/people/" + wren.person())
                        .document()
                        .text())
                .contains("No texts to " + number + ": the number does not exist any more.");
    }

    @Test
    void forged_and_odd_reports_are_refused() {
        registered("Wren Skerry");
        worker.sendDue();
        String body = "{\"type\":\"reply\",\"id\":\"x\",\"from\":\"" + number + "\",\"text\":\"STOP\"}";
        assertThat(post(body, "a", "1", "v1,AAAA")).isEqualTo(401);
        assertThat(report("{\"type\":\"report\",\"id\":\"m999999999\",\"outcome\":\"delivered\"}"))
                .isEqualTo(400);
        assertThat(report("{\"type\":\"report\",\"id\":\"\",\"outcome\":\"delivered\"}"))
                .isEqualTo(400);
        assertThat(report("{\"type\":\"reply\",\"id\":\"y\",\"from\":\"nobody\",\"text\":\"STOP\"}"))
                .isEqualTo(400);
        assertThat(report("[]")).isEqualTo(400);
        assertThat(report("not json")).isEqualTo(400);
        assertThat(reply("x".repeat(1500))).isEqualTo(204);
        assertThat(report(
                        "{\"type\":\"reply\",\"id\":\"z-" + number + "\",\"from\":\"+4790000001\",\"text\":\"STOP\"}"))
                .as("a number nobody knows may say so too")
                .isEqualTo(204);
    }

    @Test
    void texts_are_taken_up_and_given_up_on_the_own_page() {
        register("Sal Brine", Map.of());
        worker.sendDue();
        String own = mailbox.ownPage("sal.brine@crew.example");
        Browserless person = new Browserless(port);
        person.post(
                own,
                own + "/wishes",
                Map.of("zone", "America/Halifax", "reminded", "true", "texts", "true", "phone", number));
        long id = Saltmarrow.named(roster.roster(at.session()), "Sal Brine").id();
        assertThat(textsOf(id)).extracting(Item::state).containsExactly(MessageState.PLANNED);
        person.post(own, own + "/wishes", Map.of("zone", "America/Halifax", "reminded", "true", "phone", number));
        assertThat(agreements.of(id)).isEmpty();
        assertThat(textsOf(id)).extracting(Item::state).containsExactly(MessageState.WITHDRAWN);
        person.post(own, own + "/wishes", Map.of("reminded", "true", "texts", "true", "phone", "none"));
        assertThat(agreements.of(id)).isEmpty();
    }

    @Test
    void a_text_goes_at_its_time_and_says_when_in_plain_signs() {
        Registration wren = registered("Wren Skerry");
        worker.sendDue();
        Item reminder = textsOf(wren.id()).get(1);
        assertThat(reminder.due()).isEqualTo(Instant.parse("2027-03-16T20:00:00Z"));
        clock.set(reminder.due().minus(Duration.ofSeconds(1)));
        worker.sendDue();
        assertThat(outbox.item(reminder.id()).orElseThrow().state()).isEqualTo(MessageState.PLANNED);
        clock.set(reminder.due());
        worker.sendDue();
        assertThat(sent(reminder).body()).contains("Tue 16 Mar 19:00 Halifax").doesNotContain("–");
    }
}
