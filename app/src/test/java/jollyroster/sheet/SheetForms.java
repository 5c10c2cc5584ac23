package jollyroster.sheet;

import java.util.LinkedHashMap;
import java.util.Map;
import jollyroster.Browserless;
import org.jsoup.nodes.Element;

/** The forms of a sheet as a browser fills them in and sends them. */
public final class SheetForms {

    private SheetForms() {}

    /** A section's own form as a browser would send it back untouched. */
    public static Map<String, String> filledIn(Browserless organiser, String sheet, String part) {
        Map<String, String> fields = new LinkedHashMap<>();
        Element form =
                organiser.get(sheet + "?open=" + part).document().selectFirst("#" + part + " form:has([name=seen])");
        form.select("input[name], textarea[name], select[name]").forEach(field -> {
            boolean tick = field.attr("type").matches("checkbox|radio");
            if (!tick || field.hasAttr("checked")) {
                String chosen =
                        field.is("select") ? field.select("option[selected]").attr("value") : field.val();
                fields.put(field.attr("name"), chosen);
            }
        });
        fields.remove("_csrf");
        return fields;
    }

    public static Browserless.Page keep(Browserless organiser, String sheet, String part, Map<String, String> fields) {
        return organiser.post(sheet, sheet + "/parts/" + part, fields);
    }
}
