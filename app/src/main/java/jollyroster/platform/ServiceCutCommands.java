package jollyroster.platform;

import static jollyroster.platform.tables.Tables.SERVICE_CUT;

import java.time.Clock;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Cuts outside services off and connects them again. */
@Component
public class ServiceCutCommands {

    private final Writes writes;
    private final Clock clock;

    ServiceCutCommands(Writes writes, Clock clock) {
        this.writes = writes;
        this.clock = clock;
    }

    /** From now on the service is not asked for anything. */
    @Transactional
    public void cut(String service, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .insertInto(SERVICE_CUT)
                .set(SERVICE_CUT.SERVICE, service)
                .set(SERVICE_CUT.CUT_AT, clock.instant())
                .set(SERVICE_CUT.CUT_BY, actor.name())
                .onDuplicateKeyIgnore()
                .execute();
    }

    @Transactional
    public void connect(String service, Actor actor) {
        actor.requireOrganiser();
        writes.sql()
                .deleteFrom(SERVICE_CUT)
                .where(SERVICE_CUT.SERVICE.eq(service))
                .execute();
    }
}
