package jollyroster.schedule;

import java.util.List;
import jollyroster.platform.Times;
import jollyroster.programme.HostQueries;
import jollyroster.programme.HostQueries.Host;
import jollyroster.programme.Session;
import jollyroster.programme.Venue;

/** A session as the page shows it around the form that changes it. Numbers are those the offering has. */
record ChangeView(
        long id,
        int sequence,
        String title,
        String when,
        String city,
        boolean cancelled,
        boolean series,
        String usualVenue,
        String usualHosts,
        int usualDoor,
        int usualOverrun,
        int usualMinimum) {

    static ChangeView of(Session s, List<Host> usualHosts) {
        return new ChangeView(
                s.id(),
                s.sequence(),
                s.offering().title(),
                Times.dayAndTime(s.start(), s.zone()),
                Times.city(s.zone()),
                s.cancelled(),
                s.lead() != null,
                s.offering().venue().map(Venue::name).orElse("no venue"),
                HostQueries.names(usualHosts, s.offering().hostName()),
                s.offering().doorMinutes(),
                s.offering().overrunMinutes(),
                s.offering().rules().minimum());
    }
}
