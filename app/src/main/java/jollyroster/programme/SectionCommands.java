package jollyroster.programme;

import static jollyroster.platform.tables.Tables.OFFERING_HOST;

import java.util.List;
import java.util.Locale;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.OfferingRecord;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Keeps sections of an offering, as part of a write that is under way. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class SectionCommands {

    private final Writes writes;
    private final QuestionCommands questions;

    SectionCommands(Writes writes, QuestionCommands questions) {
        this.writes = writes;
        this.questions = questions;
    }

    /** Puts into the row what has a place there. */
    void fill(OfferingRecord row, List<Section> sections) {
        sections.forEach(section -> fill(row, section));
    }

    private static void fill(OfferingRecord row, Section section) {
        if (section instanceof Section.Words words) {
            fillWords(row, words);
        } else if (section instanceof Section.Look look) {
            row.setColour(look.tint().code());
        } else if (section instanceof Section.Place place) {
            row.setFormat(place.format().name());
            row.setVenueId(place.venue().orElse(null));
            row.setHostName(place.hostName());
        } else if (section instanceof Section.Hours hours) {
            fillHours(row, hours);
        } else if (section instanceof Section.Seats seats) {
            fillSeats(row, seats);
        } else if (section instanceof Section.SignUp signUp) {
            fillSignUp(row, signUp);
        } else if (section instanceof Section.Inviting inviting) {
            row.setIsRsvp(inviting.rsvp());
            row.setIsCompanyShown(inviting.companyShown());
            row.setTell(inviting.tell().name());
        } else if (section instanceof Section.Form form) {
            fillForm(row, form);
        } else if (section instanceof Section.Cost cost) {
            row.setPriceMinor((int) cost.price().minor());
            row.setCurrency(cost.price().currency().getCurrencyCode());
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
        row.setPrice(words.price());
        row.setContact(words.contact().toLowerCase(Locale.ROOT));
    }

    private static void fillHours(OfferingRecord row, Section.Hours hours) {
        row.setMinutes(hours.length());
        row.setBufferBefore(hours.bufferBefore());
        row.setBufferAfter(hours.bufferAfter());
        row.setDoorMinutes(hours.door());
        row.setOverrunMinutes(hours.overrun());
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
    }

    private static void fillSignUp(OfferingRecord row, Section.SignUp signUp) {
        row.setStyle(signUp.style().name());
        row.setVisibility(signUp.visibility().name());
        row.setCutoffMinutes(signUp.cutoffMinutes());
        row.setOpensDays(signUp.opensDays());
        row.setChangesMinutes(signUp.changesMinutes());
    }

    private static void fillForm(OfferingRecord row, Section.Form form) {
        row.setPhoneRule(form.phone().name());
        row.setIsFullName(form.fullName());
        row.setIsEmailConfirmed(form.emailConfirmed());
        row.setAfterText(form.afterText());
        row.setAfterAddress(form.afterAddress());
    }

    /** Keeps what has rows of its own: hosts and questions. */
    void keepRows(long offering, List<Section> sections) {
        for (Section section : sections) {
            if (section instanceof Section.Place place) {
                saveHosts(offering, place.hosts());
            } else if (section instanceof Section.Questions asked) {
                questions.save(offering, asked.asked());
            }
        }
    }

    private void saveHosts(long offering, List<Long> hosts) {
        writes.sql()
                .deleteFrom(OFFERING_HOST)
                .where(OFFERING_HOST.OFFERING_ID.eq(offering))
                .execute();
        for (int place = 0; place < hosts.size(); place++) {
            writes.sql()
                    .insertInto(OFFERING_HOST)
                    .set(OFFERING_HOST.OFFERING_ID, offering)
                    .set(OFFERING_HOST.ACCOUNT_ID, hosts.get(place))
                    .set(OFFERING_HOST.PLACE, place)
                    .execute();
        }
    }

    /** Gives another offering the same hosts and questions. */
    void copyRows(long from, long to) {
        saveHosts(
                to,
                writes.sql()
                        .select(OFFERING_HOST.ACCOUNT_ID)
                        .from(OFFERING_HOST)
                        .where(OFFERING_HOST.OFFERING_ID.eq(from))
                        .orderBy(OFFERING_HOST.PLACE)
                        .fetch(OFFERING_HOST.ACCOUNT_ID));
        questions.copy(from, to);
    }

    /** Asks on one offering what is asked on another, after what it asks already. */
    void copyQuestions(long from, long to) {
        questions.copy(from, to);
    }

    /** Takes away the questions of an offering that is discarded. */
    void dropRows(long offering) {
        questions.drop(offering);
    }
}
