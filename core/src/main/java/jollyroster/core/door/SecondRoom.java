package jollyroster.core.door;

/** Which of two rooms of the same size somebody goes into. */
public final class SecondRoom {

    private SecondRoom() {}

    /**
     * Whether somebody goes into the second. Whoever was in one of them goes back there as long as there is room, so that people stay
     * together; when both are full nobody is let in before this is asked.
     *
     * @param limit of each room
     * @param inFirst who are inside the first
     * @param wasInSecond whether they were in the second before
     * @param inSecond who are inside the second
     */
    public static boolean goes(int limit, int inFirst, boolean wasInSecond, int inSecond) {
        return wasInSecond ? inSecond < limit || inFirst >= limit : inFirst >= limit;
    }
}
