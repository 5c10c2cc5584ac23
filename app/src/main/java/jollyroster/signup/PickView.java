package jollyroster.signup;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The times of an offering to pick from, formatted.
 *
 * @param first the first that is free: {@code Thu 11 Mar, 20:40}; empty when none is
 * @param tide the drawing over the days
 * @param earlier the address of the days before; empty when there are none
 * @param later the address of the days after; empty when none can be picked
 * @param hosts to choose from; empty where people do not choose
 * @param chosen the time that was picked; {@code null} for none
 */
public record PickView(
        String first,
        String tide,
        List<Day> days,
        String earlier,
        String later,
        List<Choice> hosts,
        @Nullable Chosen chosen) {

    /** @param parts morning, afternoon and evening, in this order */
    public record Day(String weekday, String date, String level, List<List<Time>> parts) {}

    /** @param here on the clock of the offering, where that differs and the day does too; else empty */
    public record Time(String words, String here, String address, boolean picked) {}

    public record Choice(String name, String address, boolean lit) {}

    /**
     * @param start as a form sends it
     * @param host the number of the host, where people choose; else empty
     * @param with who leads it, and when that is on the clock of the offering
     */
    public record Chosen(String start, String host, String when, String with, String button) {}
}
