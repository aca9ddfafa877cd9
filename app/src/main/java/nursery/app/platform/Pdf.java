package nursery.app.platform;

import com.openhtmltopdf.outputdevice.helper.BaseRendererBuilder;
import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;
import org.thymeleaf.TemplateEngine;
import org.thymeleaf.context.Context;

/** Makes a PDF of a print template: the same page a browser prints, with its style inside. */
@Component
public class Pdf {

    /** As print.css calls it: embedded, so that names in Greek, Cyrillic, Hebrew or with any accent print as well. */
    private static final String FAMILY = "Paper";

    private static final BaseRendererBuilder.FontStyle NORMAL = BaseRendererBuilder.FontStyle.NORMAL;

    private final TemplateEngine templates;

    Pdf(TemplateEngine templates) {
        this.templates = templates;
    }

    private static InputStream font(String name) {
        try {
            return new ClassPathResource("fonts/" + name).getInputStream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * @param template a print template; it must be well-formed XML and take its style from {@code style}
     * @param model what it shows
     */
    public byte[] of(String template, Map<String, Object> model) {
        try {
            Context context = new Context();
            context.setVariables(model);
            context.setVariable(
                    "style", new ClassPathResource("static/css/print.css").getContentAsString(StandardCharsets.UTF_8));
            ByteArrayOutputStream document = new ByteArrayOutputStream();
            new PdfRendererBuilder()
                    .useFont(() -> font("DejaVuSansCondensed.ttf"), FAMILY, 400, NORMAL, true)
                    .useFont(() -> font("DejaVuSansCondensed-Bold.ttf"), FAMILY, 700, NORMAL, true)
                    .withHtmlContent(templates.process(template, context), null)
                    .toStream(document)
                    .run();
            return document.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
