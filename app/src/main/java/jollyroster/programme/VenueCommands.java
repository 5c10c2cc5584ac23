package jollyroster.programme;

import static jollyroster.platform.tables.Tables.VENUE;

import java.util.Objects;
import java.util.Optional;
import jollyroster.core.intake.Text;
import jollyroster.platform.Writes;
import org.jooq.exception.IntegrityConstraintViolationException;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Adds venues. */
@Component
public class VenueCommands {

    private final Writes writes;

    VenueCommands(Writes writes) {
        this.writes = writes;
    }

    /** A venue as typed. */
    public record Form(String name, String kind, String address, String accessNote, String link, String roomSize) {
        public Form {
            name = Text.oneLine(orEmpty(name));
            kind = orEmpty(kind);
            address = Text.oneLine(orEmpty(address));
            accessNote = Text.oneLine(orEmpty(accessNote));
            link = orEmpty(link).strip();
            roomSize = orEmpty(roomSize).strip();
        }

        private static String orEmpty(@Nullable String text) {
            return Objects.requireNonNullElse(text, "");
        }

        /** What is wrong, or empty. */
        public Optional<String> problem() {
            if (name.isEmpty() || name.length() > 120 || address.length() > 300 || accessNote.length() > 300) {
                return Optional.of("A venue needs a name of at most 120 characters; address and note at most 300.");
            }
            if (!kind.equals("PLACE") && !kind.equals("FIXED_LINK") && !kind.equals("MADE_LINK")) {
                return Optional.of("Choose what sort of venue it is.");
            }
            if (kind.equals("FIXED_LINK") && !link.matches("https://[^\\s<>\"]{4,500}")) {
                return Optional.of("A fixed link begins with https:// and has no spaces.");
            }
            return roomSize.isEmpty() || SheetForm.isNumber(roomSize, 1, 100_000)
                    ? Optional.empty()
                    : Optional.of("The room size is a number from 1 to 100,000, or left empty.");
        }
    }

    /** Keeps a venue without problems. @return its number, or empty when the name is taken */
    @Transactional
    public Optional<Long> add(Form form) {
        try {
            return Optional.ofNullable(writes.sql()
                    .insertInto(VENUE)
                    .set(VENUE.NAME, form.name())
                    .set(VENUE.KIND, form.kind())
                    .set(VENUE.ADDRESS, form.address())
                    .set(VENUE.ACCESS_NOTE, form.accessNote())
                    .set(VENUE.LINK, form.kind().equals("FIXED_LINK") ? form.link() : "")
                    .set(VENUE.ROOM_SIZE, form.roomSize().isEmpty() ? null : Integer.valueOf(form.roomSize()))
                    .returningResult(VENUE.ID)
                    .fetchOne(VENUE.ID));
        } catch (IntegrityConstraintViolationException nameTaken) {
            return Optional.empty();
        }
    }
}
