package jollyroster.demo;

import jakarta.servlet.http.HttpServletRequest;
import jollyroster.platform.DeskPage;
import org.springframework.context.annotation.Profile;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** Tells the masthead that the clock can be moved, and where to come back to. */
@ControllerAdvice(annotations = DeskPage.class)
@Profile("demo")
class DemoFrame {

    @ModelAttribute("movableClock")
    String movableClock(HttpServletRequest request) {
        String query = request.getQueryString();
        boolean get = request.getMethod().equals("GET");
        return get ? request.getRequestURI() + (query == null ? "" : "?" + query) : "/desk";
    }
}
