package nursery.app.platform;

import com.openhtmltopdf.pdfboxout.PdfRendererBuilder;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
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

    private final TemplateEngine templates;

    Pdf(TemplateEngine templates) {
        this.templates = templates;
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
                    .withHtmlContent(templates.process(template, context), null)
                    .toStream(document)
                    .run();
            return document.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
