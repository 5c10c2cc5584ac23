package jollyroster.exchange;

import jollyroster.platform.OutsideService;

/** Fetches from this machine, for tests of other packages. */
public final class RemoteCalendarsProbe {

    private final RemoteCalendars calendars;

    public RemoteCalendarsProbe(OutsideService service) {
        this.calendars = new RemoteCalendars(service, true);
    }

    /** What is wrong with an address, in words; empty for nothing. */
    public String problemWith(String address) {
        try {
            calendars.fetch(address);
            return "";
        } catch (RemoteCalendars.NotFetched e) {
            return String.valueOf(e.getMessage());
        }
    }
}
