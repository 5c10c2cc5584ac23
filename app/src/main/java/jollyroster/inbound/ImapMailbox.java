package jollyroster.inbound;

import jakarta.mail.Flags;
import jakarta.mail.Folder;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Session;
import jakarta.mail.Store;
import jakarta.mail.search.FlagTerm;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Properties;
import java.util.function.Consumer;
import jollyroster.exchange.IncomingMail;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnExpression;
import org.springframework.stereotype.Component;

/** Takes mail from the inbox that {@code jolly.imap.*} names; what is taken is marked as seen and left there. */
@Component
@ConditionalOnExpression("!'${jolly.imap.host:}'.isEmpty()")
class ImapMailbox implements InboundMail {

    private static final Logger LOG = LoggerFactory.getLogger(ImapMailbox.class);
    private static final String PATIENCE = "15000";
    private final String host;
    private final int port;
    private final String user;
    private final String password;
    private final boolean tls;

    ImapMailbox(
            @Value("${jolly.imap.host}") String host,
            @Value("${jolly.imap.port:993}") int port,
            @Value("${jolly.imap.user:}") String user,
            @Value("${jolly.imap.password:}") String password,
            @Value("${jolly.imap.tls:true}") boolean tls) {
        this.host = host;
        this.port = port;
        this.user = user;
        this.password = password;
        this.tls = tls;
    }

    private Session session() {
        String protocol = tls ? "imaps" : "imap";
        Properties settings = new Properties();
        settings.put("mail.store.protocol", protocol);
        settings.put("mail." + protocol + ".connectiontimeout", PATIENCE);
        settings.put("mail." + protocol + ".timeout", PATIENCE);
        settings.put("mail." + protocol + ".ssl.checkserveridentity", "true");
        return Session.getInstance(settings);
    }

    @Override
    public void each(int most, Consumer<byte[]> take) throws NotReached {
        try (Store store = session().getStore()) {
            store.connect(host, port, user, password);
            try (Folder inbox = store.getFolder("INBOX")) {
                inbox.open(Folder.READ_WRITE);
                Message[] fresh = inbox.search(new FlagTerm(new Flags(Flags.Flag.SEEN), false));
                for (int i = 0; i < Math.min(most, fresh.length); i++) {
                    take(fresh[i], take);
                }
            }
        } catch (MessagingException out) {
            throw new NotReached("the mailbox does not answer, or refuses the sign-in");
        }
    }

    /** One that cannot be read holds up no other. */
    private static void take(Message mail, Consumer<byte[]> take) throws MessagingException {
        if (mail.getSize() <= IncomingMail.LARGEST) {
            ByteArrayOutputStream source = new ByteArrayOutputStream();
            try {
                mail.writeTo(source);
                take.accept(source.toByteArray());
            } catch (IOException unreadable) {
                LOG.warn("A mail could not be read and was left: {}", unreadable.toString());
            }
        }
        mail.setFlag(Flags.Flag.SEEN, true);
    }
}
