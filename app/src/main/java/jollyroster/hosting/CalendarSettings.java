package jollyroster.hosting;

import java.time.ZoneId;
import java.util.Optional;
import jollyroster.exchange.CalendarReader.Counts;

/**
 * How a host's calendar is read.
 *
 * @param zone where its days begin and its times without a zone are; empty for where the organisation is at home
 * @param counts what takes the host up beside what is certain
 */
public record CalendarSettings(Optional<ZoneId> zone, Counts counts) {

    public static final CalendarSettings USUAL = new CalendarSettings(Optional.empty(), Counts.USUAL);
}
