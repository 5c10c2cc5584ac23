package jollyroster.schedule;

import java.util.List;

/**
 * What a change would do, before it is done.
 *
 * @param summary how many sessions change and how many people are told, in a sentence
 * @param drawing before above after
 * @param collisions how many of the rows would be double-booked
 */
record ForeseenView(String summary, String drawing, int collisions, List<Row> rows) {

    /**
     * One session.
     *
     * @param before,after when, and where that changes
     * @param told how many people are told, in words
     * @param trouble what it would collide with; empty for nothing
     */
    record Row(long session, String before, String after, String told, List<String> trouble) {}
}
