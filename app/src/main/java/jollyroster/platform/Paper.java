package jollyroster.platform;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder.FontStyle;
import com.openhtmltopdf.outputdevice.helper.ExternalResourceControlPriority;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import com.openhtmltopdf.util.XRLog;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.springframework.stereotype.Component;
import org.thymeleaf.ITemplateEngine;
import org.thymeleaf.context.IContext;

/** Prints a template as PDF, with the program's own fonts; nothing is fetched from anywhere. */
@Component
public class Paper {

    private final ITemplateEngine templates;

    Paper(ITemplateEngine templates) {
        this.templates = templates;
    }

    /** @param template a page with its style sheet in it, as XHTML */
    public byte[] pdf(String template, IContext model) {
        XRLog.setLoggingEnabled(false);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfRendererBuilder builder = new PdfRendererBuilder();
        builder.useFont(() -> font("libre-franklin-regular"), "Text", 400, FontStyle.NORMAL, true);
        builder.useFont(() -> font("libre-franklin-bold"), "Text", 700, FontStyle.NORMAL, true);
        builder.useFont(() -> font("bitter-bold"), "Title", 700, FontStyle.NORMAL, true);
        builder.useExternalResourceAccessControl(
                (uri, type) -> false, ExternalResourceControlPriority.RUN_BEFORE_RESOLVING_URI);
        builder.withHtmlContent(templates.process(template, model), null);
        builder.toStream(out);
        try {
            builder.run();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }

    private static InputStream font(String name) {
        InputStream font = Paper.class.getResourceAsStream("/print/" + name + ".ttf");
        if (font == null) {
            throw new IllegalStateException("No font " + name);
        }
        return font;
    }
}
