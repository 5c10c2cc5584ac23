package jollyroster.sheet;

import java.util.Map;
import jollyroster.Browserless;
import jollyroster.Saltmarrow;
import jollyroster.Saltmarrow.Published;
import jollyroster.Saltmarrow.Wanted;
import jollyroster.programme.ProgrammeQueries;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.web.server.LocalServerPort;

/** An organiser who has the page of an offering before them. */
abstract class OnASheet {

    @Autowired
    Saltmarrow saltmarrow;

    @Autowired
    ProgrammeQueries programme;

    @LocalServerPort
    int port;

    Published at;
    String sheet;
    Browserless organiser;

    void publish(Wanted wanted) {
        at = saltmarrow.publish(wanted);
        sheet = "/desk/offerings/" + at.offering();
        organiser = Browserless.organiser(port);
    }

    /** The fields of a section as the page has them. */
    Map<String, String> filledIn(String part) {
        return SheetForms.filledIn(organiser, sheet, part);
    }

    Browserless.Page keep(String part, Map<String, String> fields) {
        return SheetForms.keep(organiser, sheet, part, fields);
    }
}
