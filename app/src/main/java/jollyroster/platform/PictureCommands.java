package jollyroster.platform;

import static jollyroster.platform.tables.Tables.PICTURE;

import java.security.SecureRandom;
import java.util.HexFormat;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Keeps pictures. Organisers only. */
@Component
public class PictureCommands {

    private static final SecureRandom RANDOM = new SecureRandom();
    private final Writes writes;

    PictureCommands(Writes writes) {
        this.writes = writes;
    }

    /** Keeps a picture that was encoded anew. @return its name in addresses */
    @Transactional
    public String keep(Pictures.Fresh picture, Actor actor) {
        actor.requireOrganiser();
        byte[] random = new byte[12];
        RANDOM.nextBytes(random);
        String name = HexFormat.of().formatHex(random) + "." + picture.ending();
        writes.sql()
                .insertInto(PICTURE)
                .set(PICTURE.NAME, name)
                .set(PICTURE.MEDIA_TYPE, picture.mediaType())
                .set(PICTURE.WIDTH, picture.width())
                .set(PICTURE.HEIGHT, picture.height())
                .set(PICTURE.CONTENT, picture.content())
                .execute();
        return name;
    }
}
