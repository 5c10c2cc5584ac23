package jollyroster.outbox;

/**
 * What entries in calendars say: Mustache, each of the three empty for what ships.
 *
 * @param title of an attendee's entry
 * @param description of it
 * @param hostTitle of the entry of whoever leads it
 * @param request whether those who hold a seat get a request that their calendar program can answer (RFC 5546)
 */
public record EntryWording(String title, String description, String hostTitle, boolean request) {

    /** In characters. */
    public static final int LONGEST_TITLE = 150;

    /** In characters. */
    public static final int LONGEST_DESCRIPTION = 2000;

    public static final EntryWording SHIPPED = new EntryWording("", "", "", false);
}
