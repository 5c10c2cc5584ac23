package jollyroster.texting;

import java.time.ZoneId;
import jollyroster.platform.Times;

/** What became of a text, in words. */
public final class TextOutcome {

    private TextOutcome() {}

    public static String of(TextLogQueries.Sent text, ZoneId zone) {
        return switch (text.outcome()) {
            case TAKEN -> "on its way";
            case DELIVERED ->
                "delivered"
                        + text.settled()
                                .map(at -> " " + Times.dayAndTime(at, zone))
                                .orElse("");
            case FAILED -> "failed: " + text.why();
        };
    }
}
