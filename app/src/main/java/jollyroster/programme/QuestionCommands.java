package jollyroster.programme;

import static jollyroster.platform.tables.Tables.ANSWER;
import static jollyroster.platform.tables.Tables.QUESTION;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import jollyroster.core.intake.Option;
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

    /** A question that is no longer asked is retired when anybody has answered it, else it goes. */
    void save(long offering, List<QuestionForm> asked) {
        Map<String, String> keys = keysOf(offering);
        Set<String> stays = new HashSet<>();
        Map<String, String> keyOfRef = new HashMap<>();
        for (int place = 0; place < asked.size(); place++) {
            QuestionForm form = asked.get(place);
            String id = String.valueOf(form.id());
            boolean isKnown = keys.containsKey(id) && stays.add(id);
            String key = isKnown ? keys.get(id) : freeKey(offering, form.label());
            keyOfRef.put(form.ref().isEmpty() ? id : form.ref(), key);
            save(offering, row(place, form, keyOfRef), isKnown ? id : "", key);
        }
        keys.keySet().stream().filter(id -> !stays.contains(id)).forEach(id -> takeOut(Long.parseLong(id)));
    }

    private Map<String, String> keysOf(long offering) {
        Map<String, String> keys = new HashMap<>();
        RowQueries.questions(writes.sql(), offering)
                .forEach(q -> keys.put(String.valueOf(q.id()), q.question().key()));
        return keys;
    }

    private static QuestionRecord row(int place, QuestionForm form, Map<String, String> keyOfRef) {
        QuestionRecord row = new QuestionRecord();
        row.setPlace(place);
        row.setKind(form.kind());
        row.setLabel(form.label());
        row.setHelp(form.help());
        row.setRequired(form.required());
        row.setOptions(
                String.join("\n", form.optionList().stream().map(Option::typed).toList()));
        row.setLeast(form.bounds().least());
        row.setMost(form.bounds().most());
        row.setShownIf(keyOfRef.getOrDefault(form.shownIf(), ""));
        row.setShownValues(String.join("\n", form.valueList()));
        row.setIsPerPerson(form.perPerson());
        row.setIsRetired(false);
        return row;
    }

    private void save(long offering, QuestionRecord row, String id, String key) {
        if (!id.isEmpty()) {
            writes.sql()
                    .update(QUESTION)
                    .set(row)
                    .where(QUESTION.ID.eq(Long.valueOf(id)))
                    .execute();
            return;
        }
        row.setOfferingId(offering);
        row.setKey(key);
        writes.sql().insertInto(QUESTION).set(row).execute();
    }

    private void takeOut(long question) {
        boolean answered = writes.sql().fetchExists(ANSWER, ANSWER.QUESTION_ID.eq(question));
        if (answered) {
            writes.sql()
                    .update(QUESTION)
                    .set(QUESTION.IS_RETIRED, true)
                    .where(QUESTION.ID.eq(question))
                    .execute();
        } else {
            writes.sql().deleteFrom(QUESTION).where(QUESTION.ID.eq(question)).execute();
        }
    }

    /** Takes every question away, retired ones too, with an offering that is discarded. */
    void drop(long offering) {
        writes.sql()
                .deleteFrom(QUESTION)
                .where(QUESTION.OFFERING_ID.eq(offering))
                .execute();
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

    /** Asks on one offering what is asked on another, after what it asks already. */
    void copy(long from, long to) {
        Stream<QuestionForm> there = AskedQuestion.forms(RowQueries.questions(writes.sql(), to)).stream();
        Stream<QuestionForm> coming = AskedQuestion.forms(RowQueries.questions(writes.sql(), from)).stream()
                .map(QuestionCommands::anew);
        save(to, Stream.concat(there, coming).limit(SheetForm.MOST_QUESTIONS).toList());
    }

    /** The same question, not known yet where it is going. */
    private static QuestionForm anew(QuestionForm q) {
        String other = q.shownIf().isEmpty() ? "" : "copy-" + q.shownIf();
        return new QuestionForm(
                null,
                "copy-" + q.ref(),
                q.kind(),
                q.label(),
                q.help(),
                q.required(),
                q.perPerson(),
                q.options(),
                q.least(),
                q.most(),
                other,
                q.shownValues());
    }
}
