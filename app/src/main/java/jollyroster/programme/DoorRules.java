package jollyroster.programme;

/**
 * What holds at the door of every session of an offering.
 *
 * @param minutes before the start at which it opens
 * @param overrun minutes after the end at which it closes
 * @param everyoneKnocks whether registered people wait to be let in, too
 * @param welcome what whoever waits reads; empty for nothing
 * @param turnMinutes how long one person has with the host; 0 where there are no turns
 * @param secondRoom whether a second room opens when the first is full
 */
public record DoorRules(
        int minutes, int overrun, boolean everyoneKnocks, String welcome, int turnMinutes, boolean secondRoom) {

    public boolean hasTurns() {
        return turnMinutes > 0;
    }
}
