package jollyroster.logbook;

/** What the logbook records. */
public enum LogbookEntry {
    SEATED("took seats"),
    PICKED("picked the time"),
    GIVEN_BACK("gave the time back"),
    WAITLISTED("joined the waitlist"),
    SEATED_FROM_LINE("was given freed seats"),
    SEATED_ANYWAY("seated somebody by hand"),
    CALLED_UP("was called up"),
    CONFIRMED("confirmed the address"),
    ACCEPTED("took the seats offered"),
    DECLINED("declined the seats offered"),
    OUTRUN("was not the first to answer"),
    RAN_OUT("let the time run out"),
    AMENDED("changed the registration"),
    SWAP_OFFERED("offered to swap"),
    PASSED_OVER("was passed over"),
    CANCELLED("cancelled the registration"),
    RESIZED("changed the number of seats"),
    CHANGED_DATE("changed the date"),
    ADDED("added somebody by hand"),
    RESTORED("put somebody back on"),
    REPLIED("answered"),
    PAID("paid"),
    MONEY_BACK("started a refund"),
    MONEY_KEPT("kept what was paid"),
    REFUNDED("refunded"),
    CORRECTED("corrected name or address"),
    MERGED("made one person of two"),
    WROTE("wrote to people"),
    SESSION_CHANGED("changed the session"),
    CALLED_OFF("cancelled the session"),
    UNDONE("took a change back"),
    HAND_MARK("marked attendance by hand"),
    GUEST_LINK("gave a guest link"),
    HOST_LINK("gave a link to lead"),
    CHECKED_IN("checked in"),
    AT_THE_DOOR("answered at the door"),
    DOOR_MOVED("moved the door by hand"),
    RECOGNISED("was recognised at the door");

    private final String words;

    LogbookEntry(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
