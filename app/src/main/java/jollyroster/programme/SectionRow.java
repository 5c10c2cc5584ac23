package jollyroster.programme;

import java.util.Locale;
import jollyroster.platform.tables.tables.records.OfferingRecord;

/** Where the sections of an offering have their place in its row. */
final class SectionRow {

    private SectionRow() {}

    /** Puts into the row what has a place there. */
    static void fill(OfferingRecord row, Section section) {
        if (section instanceof Section.Words words) {
            fillWords(row, words);
        } else if (section instanceof Section.Length length) {
            row.setMinutes(length.minutes());
        } else if (section instanceof Section.Place place) {
            fillPlace(row, place);
        } else if (section instanceof Section.Access access) {
            fillAccess(row, access);
        } else if (section instanceof Section.Seats seats) {
            fillSeats(row, seats);
        } else {
            fillRest(row, section);
        }
    }

    private static void fillRest(OfferingRecord row, Section section) {
        if (section instanceof Section.Asking asking) {
            row.setPhoneRule(asking.phone().name());
            row.setIsFullName(asking.fullName());
            row.setIsEmailConfirmed(asking.emailConfirmed());
        } else if (section instanceof Section.Cost cost) {
            row.setPriceMinor((int) cost.price().minor());
            row.setCurrency(cost.price().currency().getCurrencyCode());
            row.setPrice(cost.said());
            row.setRefundMinutes(cost.refund().gives() ? cost.refund().minutes().getAsInt() : null);
            row.setIsFixedOncePaid(cost.fixedOncePaid());
        } else if (section instanceof Section.After after) {
            row.setAfterText(after.text());
            row.setAfterAddress(after.address());
        } else if (section instanceof Section.Door door) {
            row.setDoorMinutes(door.rules().minutes());
            row.setOverrunMinutes(door.rules().overrun());
            row.setIsEveryoneKnocking(door.rules().everyoneKnocks());
            row.setIsSecondRoom(door.rules().secondRoom());
            row.setWelcome(door.rules().welcome());
            row.setTurnMinutes(door.rules().turnMinutes());
        } else if (section instanceof Section.Look look) {
            row.setColour(look.tint().code());
        } else if (section instanceof Section.Hours hours && hours.minutes() > 0) {
            row.setMinutes(hours.minutes());
        } else if (section instanceof Section.Address address) {
            row.setSlug(address.slug());
            row.setShortCode(address.shortName());
        }
    }

    private static void fillWords(OfferingRecord row, Section.Words words) {
        row.setTitle(words.title());
        row.setSummary(words.summary());
        row.setDescription(words.description());
        row.setBring(words.bring());
        row.setAudience(words.audience());
        row.setLanguage(words.language());
        row.setLabels(String.join("\n", words.labels()));
        row.setButton(words.button());
        row.setContact(words.contact().toLowerCase(Locale.ROOT));
    }

    private static void fillPlace(OfferingRecord row, Section.Place place) {
        row.setFormat(place.format().name());
        row.setVenueId(place.venue().orElse(null));
        row.setHostName(place.hostName());
        row.setBufferBefore(place.bufferBefore());
        row.setBufferAfter(place.bufferAfter());
    }

    private static void fillAccess(OfferingRecord row, Section.Access access) {
        row.setStyle(access.style().name());
        row.setVisibility(access.visibility().name());
        row.setOpensDays(access.opensDays());
        row.setCutoffAmount(access.cutOff().amount());
        row.setCutoffUnit(access.cutOff().unit().name());
        row.setChangesMinutes(access.changesMinutes());
        row.setIsMoveAllowed(access.moves().given());
        row.setMoveMinutes(access.moves().minutes());
        row.setIsCancelAllowed(access.cancels().given());
        row.setCancelMinutes(access.cancels().minutes());
        row.setIsRsvp(access.rsvp());
        row.setIsCompanyShown(access.companyShown());
        row.setTell(access.tell().name());
    }

    private static void fillSeats(OfferingRecord row, Section.Seats seats) {
        row.setSeats(seats.seats());
        row.setKeptBack(seats.keptBack());
        row.setWaitlistAllowed(seats.waitlist());
        row.setWaitlistLimit(
                seats.waitlistLimit().isPresent() ? seats.waitlistLimit().getAsInt() : null);
        row.setFreedSeats(seats.freed().name());
        row.setLargestParty(seats.largestParty());
        row.setMinimum(seats.minimum());
        row.setDecideDays(seats.decideDays());
        row.setSeatsShown(seats.shown().when().name());
        row.setFewFrom(seats.shown().few());
    }
}
