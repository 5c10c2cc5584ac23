package jollyroster.standin;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import jollyroster.platform.Address;
import jollyroster.platform.ServiceSignature;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Reports what happened at the stand-ins over HTTP, as an outside service would, and tries again when nobody answers. */
@Component
class Reporter {

    private static final Logger LOG = LoggerFactory.getLogger(Reporter.class);
    private static final int TRIES = 5;
    private static final Duration LATE = Duration.ofSeconds(30);
    private static final Duration AGAIN = Duration.ofSeconds(3);
    private final ScheduledExecutorService line = Executors.newSingleThreadScheduledExecutor();
    private final HttpClient http =
            HttpClient.newBuilder().connectTimeout(Duration.ofSeconds(5)).build();
    private final Address address;
    private final ServiceSignature signature;
    private final JsonMapper json;

    Reporter(Address address, ServiceSignature signature, JsonMapper json) {
        this.address = address;
        this.signature = signature;
        this.json = json;
    }

    void report(MeetingStandin.Reporting how, String type, String visit, String guest, Instant at) {
        if (guest.isEmpty()) {
            return;
        }
        boolean came = "joined".equals(type);
        switch (how) {
            case PROMPT -> report(type, visit, guest, at, Duration.ZERO);
            case LATE -> report(type, visit, guest, at, LATE);
            case TWICE -> {
                report(type, visit, guest, at, Duration.ZERO);
                report(type, visit, guest, at, AGAIN);
            }
            case OUT_OF_ORDER -> report(type, visit, guest, at, came ? LATE : Duration.ZERO);
        }
    }

    private void report(String type, String visit, String guest, Instant at, Duration after) {
        String body = json.writeValueAsString(Map.of("type", type, "visit", visit, "guest", guest, "at", at));
        String time = String.valueOf(at.getEpochSecond());
        line.schedule(
                () -> post("/hooks/meeting", type + "-" + visit, time, body, 1),
                after.toMillis(),
                TimeUnit.MILLISECONDS);
    }

    /** Reports what became of a payment. */
    void settled(String reference, String outcome, Instant at) {
        String body = json.writeValueAsString(Map.of("reference", reference, "outcome", outcome));
        line.execute(
                () -> post("/hooks/till", outcome + "-" + reference, String.valueOf(at.getEpochSecond()), body, 1));
    }

    /** Reports what became of a text, or what somebody wrote on their phone. @return whether that was taken */
    boolean told(PhoneQueries.News news) {
        Map<String, Object> report = news.out()
                ? Map.of("type", "reply", "id", news.key(), "from", news.number(), "text", news.body())
                : Map.of(
                        "type",
                        "report",
                        "id",
                        news.key(),
                        "outcome",
                        news.delivered() ? "delivered" : "failed",
                        "why",
                        news.why(),
                        "at",
                        news.at());
        String time = String.valueOf(news.at().getEpochSecond());
        return accepted(request("/hooks/texts", news.key(), time, json.writeValueAsString(report)));
    }

    private HttpRequest request(String hook, String id, String timestamp, String body) {
        return HttpRequest.newBuilder(URI.create(address.onThisMachine(hook)))
                .timeout(Duration.ofSeconds(10))
                .header("Content-Type", "application/json")
                .header("webhook-id", id)
                .header("webhook-timestamp", timestamp)
                .header("webhook-signature", signature.sign(id, timestamp, body))
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build();
    }

    private void post(String hook, String id, String timestamp, String body, int attempt) {
        HttpRequest request = request(hook, id, timestamp, body);
        if (!accepted(request) && attempt < TRIES) {
            line.schedule(() -> post(hook, id, timestamp, body, attempt + 1), 2L * attempt, TimeUnit.SECONDS);
        }
    }

    private boolean accepted(HttpRequest request) {
        try {
            return http.send(request, HttpResponse.BodyHandlers.discarding()).statusCode() < 300;
        } catch (IOException nobodyAnswers) {
            LOG.warn("A report was not taken and is tried again.");
            return false;
        } catch (InterruptedException stopping) {
            Thread.currentThread().interrupt();
            return false;
        }
    }

    @PreDestroy
    void stop() {
        line.shutdownNow();
    }
}
