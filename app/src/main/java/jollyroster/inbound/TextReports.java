package jollyroster.inbound;

import java.time.Instant;
import jollyroster.core.intake.Text;
import jollyroster.platform.ServiceSignature;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * Where the text gateway reports what became of texts and what was answered, signed as Standard Webhooks describes.
 * {@code {"type": "report", "id", "outcome": "delivered" | "failed", "why": "unreachable" | "no-such-number" | …,
 * "at"}} and
 * {@code {"type": "reply", "id", "from": E.164, "text"}}. A report of a text that is not known is refused, so that it comes again.
 */
@RestController
class TextReports {

    private static final int LONGEST = 2000;
    private static final int LONGEST_ID = 100;
    private static final int LARGEST = 20_000;
    private final TextReplies replies;
    private final TextReplyCommands commands;
    private final ServiceSignature signature;
    private final JsonMapper json;

    TextReports(TextReplies replies, TextReplyCommands commands, ServiceSignature signature, JsonMapper json) {
        this.commands = commands;
        this.replies = replies;
        this.signature = signature;
        this.json = json;
    }

    record Report(
            @Nullable String type,
            @Nullable String id,
            @Nullable String outcome,
            @Nullable String why,
            @Nullable String from,
            @Nullable String text,
            @Nullable Instant at) {}

    @PostMapping("/hooks/texts")
    ResponseEntity<Void> report(
            @RequestHeader("webhook-id") String id,
            @RequestHeader("webhook-timestamp") String timestamp,
            @RequestHeader("webhook-signature") String signed,
            @RequestBody String body) {
        if (body.length() > LARGEST || !signature.matches(id, timestamp, body, signed)) {
            return ResponseEntity.status(HttpStatus.UNAUTHORIZED).build();
        }
        try {
            return taken(json.readValue(body, Report.class))
                    ? ResponseEntity.noContent().build()
                    : ResponseEntity.badRequest().build();
        } catch (JacksonException notAReport) {
            return ResponseEntity.badRequest().build();
        }
    }

    private boolean taken(Report report) {
        String id = report.id();
        if (id == null || id.isBlank() || id.length() > LONGEST_ID) {
            return false;
        }
        if ("reply".equals(report.type()) && report.from() != null && report.text() != null) {
            String words = report.text();
            return replies.take(id, report.from(), words.substring(0, Math.min(words.length(), LONGEST)));
        }
        boolean delivered = "delivered".equals(report.outcome());
        boolean known = "report".equals(report.type()) && (delivered || "failed".equals(report.outcome()));
        return known
                && commands.reported(
                        id, delivered, Text.oneLine(String.valueOf(report.why()), LONGEST_ID), report.at());
    }
}
