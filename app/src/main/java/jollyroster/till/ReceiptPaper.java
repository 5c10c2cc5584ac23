package jollyroster.till;

import java.time.ZoneId;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import jollyroster.core.messages.Anchor;
import jollyroster.outbox.Enclosures;
import jollyroster.platform.Facts;
import jollyroster.platform.Organisation;
import jollyroster.platform.OrganisationQueries;
import jollyroster.platform.Paper;
import jollyroster.platform.Times;
import jollyroster.till.ReceiptQueries.Receipt;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.thymeleaf.context.Context;

/** Receipts as PDF, for the mail and for whoever wants one again. */
@Component
public class ReceiptPaper implements Enclosures {

    private final ReceiptQueries receipts;
    private final OrganisationQueries organisation;
    private final Paper paper;

    ReceiptPaper(ReceiptQueries receipts, OrganisationQueries organisation, Paper paper) {
        this.receipts = receipts;
        this.organisation = organisation;
        this.paper = paper;
    }

    @Override
    public List<Enclosure> of(Anchor anchor, Facts given) {
        return anchor == Anchor.RECEIPT
                ? receipts
                        .of(given.number("receipt"))
                        .map(r -> new Enclosure("receipt-" + r.number() + ".pdf", "application/pdf", pdf(r)))
                        .stream()
                        .toList()
                : List.of();
    }

    /** The receipt of a payment of a registration, to be shown; empty when there is none. */
    public Optional<ResponseEntity<byte[]>> ofRegistration(long registration, long payment) {
        return receipts.of(payment)
                .filter(r -> r.registration() == registration)
                .map(r -> ResponseEntity.ok()
                        .contentType(MediaType.APPLICATION_PDF)
                        .header("Content-Disposition", "inline; filename=\"receipt-" + r.number() + ".pdf\"")
                        .body(pdf(r)));
    }

    /** The receipt on a page. */
    public byte[] pdf(Receipt receipt) {
        Organisation house = organisation.organisation();
        ZoneId home = house.zone();
        Context model = new Context(Locale.ENGLISH);
        model.setVariable("receipt", receipt);
        model.setVariable("organisation", house.name());
        model.setVariable("contact", house.contactEmail());
        model.setVariable("paid", Times.longDay(receipt.writtenAt().atZone(home)));
        model.setVariable(
                "refunds",
                receipt.refunds().stream()
                        .map(b -> b.amount().inWords() + " refunded on " + Times.longDay(b.at().atZone(home)))
                        .toList());
        return paper.pdf("till/receipt", model);
    }
}
