package jollyroster.core.dates;

import java.time.DayOfWeek;
import java.time.Month;
import java.time.format.TextStyle;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/** The words of dates, in English as people type them. */
final class DayWords {

    static final String WEEKDAY =
            "(?:mon(?:days?)?|tue(?:s|sdays?)?|wed(?:s|nesdays?)?|thu(?:rs?|rsdays?)?|fri(?:days?)?"
                    + "|sat(?:urdays?)?|sun(?:days?)?)\\.?(?![a-z])";
    static final String MONTH = "(?:jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?"
            + "|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)\\.?(?![a-z])";
    static final String NUMBER_OF_DAY = "\\d{1,2}(?:st|nd|rd|th)?";
    static final String AND = "\\s*(?:,|/|&|\\band\\b)\\s*";
    /** {@code Tue}, or {@code Mon–Fri}. */
    static final String WEEKDAYS_IN_A_ROW = WEEKDAY + "(?:\\s*(?:-|–|—|to\\b)\\s*" + WEEKDAY + ")?";

    static final String ORDINAL = "(?:first|1st|second|2nd|third|3rd|fourth|4th|fifth|5th|last)";
    private static final List<String> ORDINALS = List.of("first", "second", "third", "fourth", "fifth");

    private DayWords() {}

    static Pattern pattern(String text) {
        return Pattern.compile(text, Pattern.CASE_INSENSITIVE);
    }

    static DayOfWeek weekday(String word) {
        return Arrays.stream(DayOfWeek.values())
                .filter(day -> name(day).regionMatches(true, 0, word.strip(), 0, 3))
                .findFirst()
                .orElseThrow();
    }

    static Month month(String word) {
        return Arrays.stream(Month.values())
                .filter(month -> name(month).regionMatches(true, 0, word.strip(), 0, 3))
                .findFirst()
                .orElseThrow();
    }

    /** 1 to 5, or −1 for the last. */
    static int ordinal(String word) {
        String low = word.toLowerCase(Locale.ROOT);
        if (low.equals("last")) {
            return -1;
        }
        return Character.isDigit(low.charAt(0)) ? low.charAt(0) - '0' : ORDINALS.indexOf(low) + 1;
    }

    static int leadingNumber(String word) {
        return Integer.parseInt(word.replaceAll("\\D", ""));
    }

    static String name(DayOfWeek day) {
        return day.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }

    static String name(Month month) {
        return month.getDisplayName(TextStyle.FULL, Locale.ENGLISH);
    }

    /** The day as RFC 5545 writes it. */
    static String code(DayOfWeek day) {
        return name(day).substring(0, 2).toUpperCase(Locale.ROOT);
    }
}
