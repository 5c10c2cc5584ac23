package jollyroster.programme;

import static jollyroster.platform.tables.Tables.ANSWER;
import static jollyroster.platform.tables.Tables.QUESTION;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import jollyroster.core.intake.Option;
import jollyroster.core.intake.Text;
import jollyroster.platform.Slugs;
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
    void save(long offering, List<QuestionWish> asked) {
        Map<Long, String> keys = keysOf(offering);
        Set<Long> stays = new HashSet<>();
        Map<String, String> keyOfRef = new HashMap<>();
        for (int place = 0; place < asked.size(); place++) {
            QuestionWish wish = asked.get(place);
            Optional<Long> known = wish.id().filter(id -> keys.containsKey(id) && stays.add(id));
            String key = known.map(keys::get).orElseGet(() -> freeKey(offering, wish.label()));
            keyOfRef.put(wish.ref(), key);
            save(offering, row(place, wish, keyOfRef), known, key);
        }
        keys.keySet().stream().filter(id -> !stays.contains(id)).forEach(this::takeOut);
    }

    private Map<Long, String> keysOf(long offering) {
        Map<Long, String> keys = new HashMap<>();
        RowQueries.questions(writes.sql(), offering)
                .forEach(q -> keys.put(q.id(), q.question().key()));
        return keys;
    }

    private static QuestionRecord row(int place, QuestionWish wish, Map<String, String> keyOfRef) {
        QuestionRecord row = new QuestionRecord();
        row.setPlace(place);
        row.setKind(wish.kind().name());
        row.setLabel(wish.label());
        row.setHelp(wish.help());
        row.setRequired(wish.required());
        row.setOptions(
                String.join("\n", wish.options().stream().map(Option::typed).toList()));
        row.setLeast(wish.bounds().least());
        row.setMost(wish.bounds().most());
        row.setShownIf(wish.shownIf().isEmpty() ? "" : keyOfRef.getOrDefault(wish.shownIf(), ""));
        row.setShownValues(String.join("\n", wish.shownValues()));
        row.setIsPerPerson(wish.perPerson());
        row.setIsRetired(false);
        return row;
    }

    private void save(long offering, QuestionRecord row, Optional<Long> known, String key) {
        if (known.isPresent()) {
            writes.sql()
                    .update(QUESTION)
                    .set(row)
                    .where(QUESTION.ID.eq(known.get()))
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

    /** Asks on one offering what is asked on another, after what it asks already, up to the most it can ask. */
    void copy(long from, long to) {
        Stream<QuestionWish> there = QuestionWish.of(RowQueries.questions(writes.sql(), to)).stream();
        Stream<QuestionWish> coming = QuestionWish.of(RowQueries.questions(writes.sql(), from)).stream()
                .map(QuestionWish::anew);
        save(to, Stream.concat(there, coming).limit(AskedQuestion.MOST).toList());
    }
}
