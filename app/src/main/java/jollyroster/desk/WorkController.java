package jollyroster.desk;

import jollyroster.platform.Actor;
import jollyroster.platform.DeskPage;
import jollyroster.platform.LongWork;
import org.springframework.http.HttpStatus;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;

/** How far long work is. */
@DeskPage
class WorkController {

    private final LongWork works;

    WorkController(LongWork works) {
        this.works = works;
    }

    @GetMapping("/desk/work/{work}")
    String work(@PathVariable String work, Model model, Actor actor) {
        model.addAttribute(
                "work", works.of(work, actor).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND)));
        return "desk/work";
    }
}
