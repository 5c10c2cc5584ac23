package jollyroster.platform;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Where people outside reach this installation: {@code jolly.address}, or this machine and port. */
@Component
public class Address {

    private final String configured;
    private volatile String local = "http://localhost:8080";

    Address(@Value("${jolly.address:}") String configured) {
        this.configured = configured;
    }

    @EventListener
    void started(WebServerInitializedEvent event) {
        local = "http://localhost:" + event.getWebServer().getPort();
    }

    /** @param path begins with a slash */
    public String of(String path) {
        return (configured.isEmpty() ? local : configured) + path;
    }

    /** The same on this machine, for services that ship with the program. */
    public String onThisMachine(String path) {
        return local + path;
    }

    /** The name of the host, for identifiers in mail and calendars. */
    public String host() {
        String host = java.net.URI.create(of("/")).getHost();
        return host == null ? "localhost" : host;
    }
}
