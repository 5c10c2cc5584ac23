package jollyroster.till;

import java.util.List;
import jollyroster.platform.Actor;
import jollyroster.platform.OutsideService;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/** Gives money back through the till. What the till does not answer is tried again; it counts each refund once. */
@Component
public class RefundWorker {

    private static final Actor ACTOR = new Actor.Program("till");
    private static final int BATCH = 20;
    private final RefundCommands refunds;
    private final OutsideService service;
    private final TillProvider till;

    RefundWorker(RefundCommands refunds, @Qualifier("paymentService") OutsideService service, TillProvider till) {
        this.refunds = refunds;
        this.service = service;
        this.till = till;
    }

    /** Gives back what is due now, until the till no longer answers. @return how many refunds were made */
    @Scheduled(fixedDelay = 5000)
    public int giveBack() {
        int made = 0;
        List<RefundCommands.Due> due = refunds.due(BATCH);
        for (RefundCommands.Due refund : due) {
            boolean given = service.ask(() -> {
                        till.refund(refund.payment(), refund.reference(), refund.amount());
                        return true;
                    })
                    .orElse(false);
            if (!given) {
                return made;
            }
            refunds.gone(refund.id(), ACTOR);
            made++;
        }
        return made;
    }
}
