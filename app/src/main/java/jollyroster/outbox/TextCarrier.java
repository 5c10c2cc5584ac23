package jollyroster.outbox;

import java.time.Instant;
import java.util.Optional;
import jollyroster.core.messages.Channel;
import jollyroster.platform.OutsideService;
import jollyroster.texting.TextGateway;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.stereotype.Component;

/** Takes text messages to the gateway. */
@Component
class TextCarrier implements Carrier {

    private final OutsideService service;
    private final TextGateway gateway;
    private final TextWriter writer;
    private final DispatchCommands dispatch;

    TextCarrier(
            @Qualifier("textGatewayService") OutsideService service,
            TextGateway gateway,
            TextWriter writer,
            DispatchCommands dispatch) {
        this.service = service;
        this.gateway = gateway;
        this.writer = writer;
        this.dispatch = dispatch;
    }

    @Override
    public Channel channel() {
        return Channel.TEXT;
    }

    @Override
    public OutsideService service() {
        return service;
    }

    @Override
    public Parcel write(Claim claim, Optional<Letters.Facts> facts, Instant now) {
        TextWriter.Written text =
                facts.map(known -> writer.about(claim, known)).orElseGet(() -> writer.standing(claim));
        return () -> {
            String outside = gateway.send("m" + claim.id(), text.number(), text.words());
            dispatch.sent(claim, text, outside, now);
        };
    }
}
