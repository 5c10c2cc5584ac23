package jollyroster.demo;

import jollyroster.platform.DeskPage;
import org.springframework.context.annotation.Profile;
import org.springframework.web.bind.annotation.GetMapping;

/** The desk's layout with nothing in it, for the bench to measure pages of the desk against. */
@DeskPage
@Profile("bench")
class EmptyDeskPage {

    @GetMapping("/desk/empty")
    String page() {
        return "demo/empty-desk";
    }
}
