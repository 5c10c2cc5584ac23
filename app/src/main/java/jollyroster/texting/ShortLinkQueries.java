package jollyroster.texting;

import static jollyroster.platform.tables.Tables.SHORT_LINK;

import java.util.Optional;
import jollyroster.platform.Reads;
import org.springframework.stereotype.Component;

/** Reads where short links lead. */
@Component
public class ShortLinkQueries {

    private final Reads reads;

    ShortLinkQueries(Reads reads) {
        this.reads = reads;
    }

    /** The address on this site. */
    public Optional<String> address(String code) {
        return reads.sql()
                .select(SHORT_LINK.ADDRESS)
                .from(SHORT_LINK)
                .where(SHORT_LINK.CODE.eq(code))
                .fetchOptional(SHORT_LINK.ADDRESS);
    }
}
