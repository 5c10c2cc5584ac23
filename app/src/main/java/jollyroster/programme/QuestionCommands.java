package jollyroster.programme;

import static jollyroster.platform.tables.Tables.QUESTION;

import java.util.List;
import jollyroster.core.intake.Text;
import jollyroster.platform.Writes;
import jollyroster.platform.tables.tables.records.QuestionRecord;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the questions of a sheet, as part of a write that is under way. */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class QuestionCommands {

    private final Writes writes;

    QuestionCommands(Writes writes) {
        this.writes = writes;
    }

    /** Questions that are no longer asked go; answers to them stay, under the wording they were given to. */
    void save(long offering, List<SheetForm.QuestionForm> asked) {
        List<AskedQuestion> known = RowQueries.questions(writes.sql(), offering);
        List<String> stays = asked.stream().map(q -> String.valueOf(q.id())).toList();
        known.stream()
                .filter(k -> !stays.contains(String.valueOf(k.id())))
                .forEach(gone -> writes.sql()
                        .deleteFrom(QUESTION)
                        .where(QUESTION.ID.eq(gone.id()))
                        .execute());
        for (int place = 0; place < asked.size(); place++) {
            SheetForm.QuestionForm form = asked.get(place);
            boolean isKnown =
                    known.stream().anyMatch(k -> String.valueOf(k.id()).equals(form.id()));
            save(offering, place, form, isKnown);
        }
    }

    private void save(long offering, int place, SheetForm.QuestionForm form, boolean isKnown) {
        QuestionRecord row = new QuestionRecord();
        row.setPlace(place);
        row.setKind(form.kind());
        row.setLabel(form.label());
        row.setHelp(form.help());
        row.setRequired(form.required());
        row.setOptions(String.join("\n", form.optionList()));
        if (isKnown) {
            writes.sql()
                    .update(QUESTION)
                    .set(row)
                    .where(QUESTION.ID.eq(Long.valueOf(form.id())))
                    .execute();
            return;
        }
        row.setOfferingId(offering);
        row.setKey(freeKey(offering, form.label()));
        writes.sql().insertInto(QUESTION).set(row).execute();
    }

    private String freeKey(long offering, String label) {
        List<String> taken = writes.sql()
                .select(QUESTION.KEY)
                .from(QUESTION)
                .where(QUESTION.OFFERING_ID.eq(offering))
                .fetch(QUESTION.KEY);
        String key = Slugs.of(Text.oneLine(label)).replace('-', '_');
        return Slugs.free(key.substring(0, Math.min(key.length(), 30)), taken).replace('-', '_');
    }

    /** The same questions for another offering. */
    void copy(long from, long to) {
        writes.sql()
                .insertInto(
                        QUESTION,
                        QUESTION.OFFERING_ID,
                        QUESTION.KEY,
                        QUESTION.PLACE,
                        QUESTION.KIND,
                        QUESTION.LABEL,
                        QUESTION.HELP,
                        QUESTION.REQUIRED,
                        QUESTION.OPTIONS)
                .select(writes.sql()
                        .select(
                                org.jooq.impl.DSL.val(to),
                                QUESTION.KEY,
                                QUESTION.PLACE,
                                QUESTION.KIND,
                                QUESTION.LABEL,
                                QUESTION.HELP,
                                QUESTION.REQUIRED,
                                QUESTION.OPTIONS)
                        .from(QUESTION)
                        .where(QUESTION.OFFERING_ID.eq(from)))
                .execute();
    }
}
