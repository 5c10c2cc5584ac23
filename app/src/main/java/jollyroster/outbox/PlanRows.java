package jollyroster.outbox;

import jollyroster.core.dates.Offset;
import jollyroster.core.messages.Anchor;
import jollyroster.core.messages.Audience;
import jollyroster.core.messages.Channels;
import jollyroster.core.messages.PlanLine;
import jollyroster.platform.tables.tables.records.HousePlanLineRecord;
import jollyroster.platform.tables.tables.records.PlanLineRecord;

/** Lines of plans, of offerings and of the house, as the store has them. */
final class PlanRows {

    private PlanRows() {}

    static PlanLine line(PlanLineRecord r) {
        return line(r.getAnchor(), r.getAmount(), r.getUnit(), r.getChannels(), r.getAudience());
    }

    static PlanLine line(HousePlanLineRecord r) {
        return line(r.getAnchor(), r.getAmount(), r.getUnit(), r.getChannels(), r.getAudience());
    }

    private static PlanLine line(String anchor, int amount, String unit, String channels, String audience) {
        return new PlanLine(
                Anchor.valueOf(anchor),
                new Offset(amount, Offset.Unit.valueOf(unit)),
                Channels.valueOf(channels),
                Audience.of(audience).orElse(Audience.EVERYBODY));
    }

    static PlanLineRecord row(long offering, PlanLine line, boolean off) {
        PlanLineRecord row = new PlanLineRecord();
        row.setOfferingId(offering);
        row.setAnchor(line.anchor().name());
        row.setAmount(line.offset().amount());
        row.setUnit(line.offset().unit().name());
        row.setChannels(line.channels().name());
        row.setAudience(line.audience().code());
        row.setIsOff(off);
        return row;
    }

    static HousePlanLineRecord row(long plan, PlanLine line) {
        HousePlanLineRecord row = new HousePlanLineRecord();
        row.setPlanId(plan);
        row.setAnchor(line.anchor().name());
        row.setAmount(line.offset().amount());
        row.setUnit(line.offset().unit().name());
        row.setChannels(line.channels().name());
        row.setAudience(line.audience().code());
        return row;
    }
}
