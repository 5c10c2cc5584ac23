package jollyroster.exchange;

import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.concurrent.ExecutionException;
import jollyroster.platform.OutsideService;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Fetches calendars from other places. Only from public addresses over https, unless {@code jolly.fetch.private=true};
 * redirects are not followed, so that a public address cannot lead to a private one.
 */
@Component
public class RemoteCalendars {

    private static final Duration PATIENCE = Duration.ofSeconds(20);
    private final OutsideService service;
    private final boolean privateAllowed;
    private final HttpClient http = HttpClient.newBuilder()
            .connectTimeout(PATIENCE)
            .followRedirects(HttpClient.Redirect.NEVER)
            .build();

    RemoteCalendars(
            @Qualifier("otherCalendars") OutsideService service,
            @Value("${jolly.fetch.private:false}") boolean privateAllowed) {
        this.service = service;
        this.privateAllowed = privateAllowed;
    }

    /** The calendar could not be fetched; the message says why, in words for an organiser. */
    public static final class NotFetched extends Exception {
        private static final long serialVersionUID = 1L;

        NotFetched(String why) {
            super(why);
        }
    }

    /** @throws NotFetched if the address is not allowed, does not answer in time as a whole, or answers with too much */
    public String fetch(String address) throws NotFetched {
        try {
            return service.call(() -> fetchNow(address));
        } catch (OutsideService.NoAnswer slow) {
            throw new NotFetched("The address does not answer in time.");
        } catch (ExecutionException e) {
            throw e.getCause() instanceof NotFetched why ? why : new NotFetched("The address cannot be read.");
        }
    }

    private String fetchNow(String address) throws NotFetched {
        URI uri = allowed(address);
        HttpRequest request = HttpRequest.newBuilder(uri)
                .timeout(PATIENCE)
                .header("Accept", "text/calendar")
                .build();
        try {
            HttpResponse<InputStream> answer = http.send(request, HttpResponse.BodyHandlers.ofInputStream());
            try (InputStream body = answer.body()) {
                if (answer.statusCode() != 200) {
                    throw new NotFetched("The address answered with status " + answer.statusCode() + ".");
                }
                return text(body.readNBytes(CalendarReader.LONGEST + 1));
            }
        } catch (IOException e) {
            throw new NotFetched("The address does not answer.");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new NotFetched("The program was stopped while it was reading.");
        }
    }

    private static String text(byte[] content) throws NotFetched {
        if (content.length > CalendarReader.LONGEST) {
            throw new NotFetched("The calendar is larger than 5 MB.");
        }
        return new String(content, StandardCharsets.UTF_8);
    }

    private URI allowed(String address) throws NotFetched {
        URI uri;
        try {
            uri = URI.create(address);
        } catch (IllegalArgumentException notAnAddress) {
            throw new NotFetched("This is not an address.");
        }
        boolean scheme = "https".equals(uri.getScheme()) || privateAllowed && "http".equals(uri.getScheme());
        if (!scheme || uri.getHost() == null || uri.getUserInfo() != null) {
            throw new NotFetched("The address must begin with https://.");
        }
        requirePublic(uri.getHost());
        return uri;
    }

    private void requirePublic(String host) throws NotFetched {
        if (privateAllowed) {
            return;
        }
        try {
            if (Arrays.stream(InetAddress.getAllByName(host)).anyMatch(RemoteCalendars::isPrivate)) {
                throw new NotFetched("The address is inside this network, which is not allowed.");
            }
        } catch (UnknownHostException e) {
            throw new NotFetched("There is no such address.");
        }
    }

    static boolean isPrivate(InetAddress address) {
        byte[] bytes = address.getAddress();
        boolean uniqueLocal = bytes.length == 16 && (bytes[0] & 0xFE) == 0xFC;
        boolean carrierGrade = bytes.length == 4 && (bytes[0] & 0xFF) == 100 && (bytes[1] & 0xC0) == 64;
        return address.isAnyLocalAddress()
                || address.isLoopbackAddress()
                || address.isLinkLocalAddress()
                || address.isSiteLocalAddress()
                || address.isMulticastAddress()
                || uniqueLocal
                || carrierGrade;
    }
}
