package jollyroster.signup;

import java.util.List;
import java.util.Optional;

/**
 * The times of an offering to pick from, formatted.
 *
 * @param first the first that is free: {@code Thu 11 Mar, 20:40}; empty when none is
 * @param tide the drawing over the days
 * @param earlier the address of the days before; empty when there are none
 * @param later the address of the days after; empty when none can be picked
 * @param last the last day that can be picked from; empty for no limit
 * @param hosts to choose from; empty where people do not choose
 * @param host the number of the one that was chosen; empty for anybody
 * @param lost the time that was asked for and cannot be had, in words; empty for none
 */
public record PickView(
        String first,
        String tide,
        List<Day> days,
        String earlier,
        String later,
        String last,
        List<Choice> hosts,
        String host,
        Optional<Chosen> chosen,
        String lost) {

    /**
     * @param level how much is free, in words
     * @param bar the same, drawn
     * @param address which shows this day where one day is shown at a time
     * @param open whether it is that day
     * @param parts morning, afternoon and evening, in this order
     */
    public record Day(
            String weekday,
            String date,
            String level,
            String bar,
            String address,
            boolean open,
            boolean free,
            List<DayPart> parts) {}

    public record DayPart(String name, List<Time> times) {}

    /**
     * @param here on the clock of the offering, where the day differs; else empty
     * @param start as a form sends it; empty for a time that is taken
     */
    public record Time(String words, String here, String start, boolean picked) {}

    public record Choice(String name, String address, boolean lit) {}

    /**
     * @param start as a form sends it
     * @param with who leads it, and when that is on the clock of the offering
     * @param heldUntil until when it is held for this browser: {@code 09:46}; empty when it is not
     * @param heldSeconds how long that is
     */
    public record Chosen(String start, String when, String with, String button, String heldUntil, long heldSeconds) {}
}
