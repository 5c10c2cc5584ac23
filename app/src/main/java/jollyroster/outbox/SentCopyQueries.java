package jollyroster.outbox;

import static jollyroster.platform.tables.Tables.SENT_COPY;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import java.util.zip.GZIPInputStream;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads e-mails as they were handed to a mail server. */
@Component
class SentCopyQueries implements SentMail {

    private final Reads reads;

    SentCopyQueries(Reads reads) {
        this.reads = reads;
    }

    @Override
    public Optional<Mail> byKey(String key) {
        return reads.sql()
                .selectFrom(SENT_COPY)
                .where(SENT_COPY.MESSAGE_KEY.eq(key))
                .orderBy(SENT_COPY.MESSAGE_ID.desc())
                .limit(1)
                .fetchOptional(r -> SentMail.read(unpacked(r.getSource()), r.getSentAt()));
    }

    private static byte[] unpacked(byte[] source) {
        try (GZIPInputStream in = new GZIPInputStream(new ByteArrayInputStream(source))) {
            return in.readAllBytes();
        } catch (IOException neverInMemory) {
            throw new UncheckedIOException(neverInMemory);
        }
    }
}
