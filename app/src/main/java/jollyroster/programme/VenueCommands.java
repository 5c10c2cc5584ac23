package jollyroster.programme;

import static jollyroster.platform.tables.Tables.VENUE;

import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.platform.Actor;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.VenueRecord;
import org.jooq.exception.IntegrityConstraintViolationException;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps venues. Organisers only. */
@Component
public class VenueCommands {

    private final Writes writes;

    VenueCommands(Writes writes) {
        this.writes = writes;
    }

    /** A venue as typed. */
    public record Form(
            String name, String kind, String address, String accessNote, String link, String phone, String roomSize) {
        public Form {
            name = Text.oneLine(orEmpty(name));
            kind = orEmpty(kind);
            address = Text.oneLine(orEmpty(address));
            accessNote = Text.oneLine(orEmpty(accessNote));
            link = orEmpty(link).strip();
            phone = Text.oneLine(orEmpty(phone));
            roomSize = orEmpty(roomSize).strip();
        }

        /** A place, a phone line or a link, described as briefly as can be. */
        public static Form of(Venue.Kind kind, String name, String where) {
            return new Form(
                    name,
                    kind.name(),
                    kind == Venue.Kind.PLACE ? where : "",
                    "",
                    kind == Venue.Kind.FIXED_LINK ? where : "",
                    kind == Venue.Kind.PHONE ? where : "",
                    "");
        }

        public static Form of(Venue v) {
            String size = v.roomSize().isPresent() ? String.valueOf(v.roomSize().getAsInt()) : "";
            return new Form(v.name(), v.kind().name(), v.address(), v.accessNote(), v.link(), v.phone(), size);
        }

        private static String orEmpty(@Nullable String text) {
            return Objects.requireNonNullElse(text, "");
        }

        /** What is wrong, by field. */
        public Map<String, String> problems() {
            Map<String, String> problems = new LinkedHashMap<>();
            check(problems, "name", !name.isEmpty() && name.length() <= 120, "A name of 1 to 120 characters.");
            check(problems, "address", address.length() <= 300, "At most 300 characters.");
            check(problems, "accessNote", accessNote.length() <= 300, "At most 300 characters.");
            boolean known =
                    Arrays.stream(Venue.Kind.values()).anyMatch(k -> k.name().equals(kind));
            check(problems, "kind", known, "Choose what sort of venue it is.");
            boolean linked = !kind.equals("FIXED_LINK") || link.matches("https://[^\\s<>\"]{4,500}");
            check(problems, "link", linked, "A fixed link begins with https:// and has no spaces.");
            boolean callable = !kind.equals("PHONE") || phone.matches("[+0-9][0-9 ()/.,#*-]{3,60}");
            check(problems, "phone", callable, "Give the number people call.");
            boolean sized = roomSize.isEmpty() || Text.isNumber(roomSize, 1, 100_000);
            check(problems, "roomSize", sized, "A number from 1 to 100,000, or nothing.");
            return problems;
        }

        private static void check(Map<String, String> problems, String field, boolean fine, String problem) {
            if (!fine) {
                problems.put(field, problem);
            }
        }

        /** Whether people must be told: the name alone leads nobody astray. */
        public boolean leadsElsewhere(Venue before) {
            return !address.equals(before.address())
                    || !link.equals(before.link())
                    || !phone.equals(before.phone())
                    || !kind.equals(before.kind().name());
        }
    }

    /** Keeps a venue without problems. @return its number, or empty when the name is taken */
    @Transactional
    public Optional<Long> add(Form form, Actor actor) {
        actor.requireOrganiser();
        VenueRecord row = writes.sql().newRecord(VENUE);
        fill(row, form);
        row.setIsRetired(false);
        row.setVersion(1);
        try {
            return Optional.ofNullable(writes.sql()
                    .insertInto(VENUE)
                    .set(row)
                    .returningResult(VENUE.ID)
                    .fetchOne(VENUE.ID));
        } catch (IntegrityConstraintViolationException nameTaken) {
            return Optional.empty();
        }
    }

    private static void fill(VenueRecord row, Form form) {
        row.setName(form.name());
        row.setKind(form.kind());
        row.setAddress(form.kind().equals("PLACE") ? form.address() : "");
        row.setAccessNote(form.accessNote());
        row.setLink(form.kind().equals("FIXED_LINK") ? form.link() : "");
        row.setPhone(form.kind().equals("PHONE") ? form.phone() : "");
        row.setRoomSize(form.roomSize().isEmpty() ? null : Integer.valueOf(form.roomSize()));
    }

    /**
     * Changes a venue wherever it is used.
     *
     * @param version as it was read
     * @return false, with nothing changed, when somebody else changed it since or the name is taken
     */
    @Transactional
    public boolean change(long id, int version, Form form, Actor actor) {
        actor.requireOrganiser();
        Optional<VenueRecord> row =
                writes.sql().selectFrom(VENUE).where(VENUE.ID.eq(id)).fetchOptional();
        if (row.isEmpty() || row.get().getVersion() != version) {
            return false;
        }
        fill(row.get(), form);
        row.get().setVersion(version + 1);
        try {
            row.get().store();
            return true;
        } catch (IntegrityConstraintViolationException nameTaken) {
            return false;
        }
    }

    /** Offers a venue for choosing, or no longer. Whatever uses it goes on using it. */
    @Transactional
    public void retire(long id, boolean retired, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .update(VENUE)
                .set(VENUE.IS_RETIRED, retired)
                .where(VENUE.ID.eq(id))
                .execute();
    }
}
