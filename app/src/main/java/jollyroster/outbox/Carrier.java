package jollyroster.outbox;

import java.time.Instant;
import java.util.Optional;
import jollyroster.core.messages.Channel;
import jollyroster.platform.NotDelivered;
import jollyroster.platform.OutsideService;

/** Takes messages of one channel to the service that carries them. */
interface Carrier {

    Channel channel();

    OutsideService service();

    /**
     * Writes a message.
     *
     * @param facts of the registration it is about; empty for a message about none
     */
    Parcel write(Claim claim, Optional<Letters.Facts> facts, Instant now);

    /** A message that is written and ready to go. */
    interface Parcel {

        /** Hands it over and notes that it has gone. */
        void handOver() throws NotDelivered;
    }
}
