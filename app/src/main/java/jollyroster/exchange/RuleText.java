package jollyroster.exchange;

import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.RecurrenceRule;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A repetition as it is written (RRULE), so that one library alone makes dates of it. */
final class RuleText {

    private static final Pattern RRULE = Pattern.compile("(?m)^RRULE[^:\\r\\n]*:(.*)$");

    private RuleText() {}

    /** Empty when the rule cannot be written. */
    static String of(RecurrenceRule rule) {
        ICalendar alone = new ICalendar();
        VEvent event = new VEvent();
        event.addProperty(rule);
        alone.addEvent(event);
        String written = Biweekly.write(alone).go().replace("\r\n ", "");
        Matcher m = RRULE.matcher(written.replace("\r", ""));
        return m.find() ? m.group(1).strip() : "";
    }
}
