package jollyroster.door;

import java.net.URI;
import java.util.HashMap;
import java.util.Map;
import jollyroster.Browserless;

/** The door of a session, as an organiser at its desk and strangers with its link use it. */
class DoorScene {

    final String desk;
    final Browserless organiser;
    private final int port;
    String link = "";

    DoorScene(int port, long session) {
        this.port = port;
        this.desk = "/desk/door/" + session;
        this.organiser = Browserless.organiser(port);
    }

    /** Makes or renews the link of the session. */
    DoorScene withLink(String... more) {
        link = renewed("session", more);
        return this;
    }

    String renewed(String scope, String... more) {
        organiser.post(desk, desk + "/guest-link", fields(Map.of("scope", scope), more));
        return URI.create(organiser.get(desk).document().select("#way-" + scope).attr("value"))
                .getPath();
    }

    Browserless stranger() {
        return new Browserless(port);
    }

    Browserless.Page knock(Browserless guest, String name, String... more) {
        return guest.post(link, link + "/knock", fields(Map.of("name", name), more));
    }

    Browserless knocking(String name) {
        Browserless guest = stranger();
        knock(guest, name);
        return guest;
    }

    String state(Browserless guest) {
        return guest.get(link).document().select("main").attr("data-state");
    }

    Browserless.Page decide(long arrival, String decision, String word) {
        return organiser.post(desk, desk + "/arrivals/" + arrival, Map.of("do", decision, "word", word));
    }

    private static Map<String, String> fields(Map<String, String> first, String... more) {
        Map<String, String> fields = new HashMap<>(first);
        for (int i = 0; i < more.length; i += 2) {
            fields.put(more[i], more[i + 1]);
        }
        return fields;
    }
}
