package jollyroster.outbox;

import java.time.Instant;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import jollyroster.core.messages.Channel;
import jollyroster.platform.OutsideService;

/** Takes messages of one channel to the service that carries them. */
interface Carrier {

    Channel channel();

    OutsideService service();

    /**
     * Writes a message, hands it over and keeps that it has gone.
     *
     * @param facts of the registration it is about; empty for a message about none
     * @throws OutsideService.NoAnswer if the service did not answer
     * @throws ExecutionException with what the service threw
     */
    void carry(DispatchCommands.Claim claim, Optional<Letters.Facts> facts, Instant now)
            throws OutsideService.NoAnswer, ExecutionException;
}
