package nursery.app.platform;

import com.openhtmltopdf.bidi.support.ICUBidiReorderer;
import com.openhtmltopdf.bidi.support.ICUBidiSplitter;
import com.openhtmltopdf.extend.impl.FSDefaultCacheStore;
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

    /**
     * As print.css calls them: embedded, so that a name prints in whatever letters it is written. The first has those
     * of Europe and the Near East, the others what it lacks: Chinese, Japanese and Korean, Thai, Lao, Ethiopic, and
     * three of India. Letters that must be joined by other rules than theirs, such as Tamil, are left as boxes.
     */
    private static final String FAMILY = "Paper";

    private static final Map<String, String> LACKING = Map.of(
            "Paper East", "DroidSansFallback.ttf",
            "Paper Deva", "Lohit-Devanagari.ttf",
            "Paper Beng", "Lohit-Bengali.ttf",
            "Paper Gujr", "Lohit-Gujarati.ttf",
            "Paper Thai", "NotoSansThai-Regular.ttf",
            "Paper Lao", "NotoSansLao-Regular.ttf",
            "Paper Ethi", "NotoSansEthiopic-Regular.ttf");

    /** The file of the first. */
    public static final String REGULAR = "DejaVuSansCondensed.ttf";

    private static final BaseRendererBuilder.FontStyle NORMAL = BaseRendererBuilder.FontStyle.NORMAL;

    private final TemplateEngine templates;
    /** A typeface that a page has no letter of is not read for it. */
    private final FSDefaultCacheStore metrics = new FSDefaultCacheStore();

    Pdf(TemplateEngine templates) {
        this.templates = templates;
    }

    /** A typeface that is embedded. */
    public static InputStream font(String name) {
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
            PdfRendererBuilder builder = new PdfRendererBuilder();
            LACKING.forEach((family, file) -> builder.useFont(() -> font(file), family, 400, NORMAL, true)
                    .useFont(() -> font(file), family, 700, NORMAL, true));
            builder.useCacheStore(PdfRendererBuilder.CacheStore.PDF_FONT_METRICS, metrics);
            builder.useFont(() -> font(REGULAR), FAMILY, 400, NORMAL, true)
                    .useFont(() -> font("DejaVuSansCondensed-Bold.ttf"), FAMILY, 700, NORMAL, true)
                    .useUnicodeBidiSplitter(new ICUBidiSplitter.ICUBidiSplitterFactory())
                    .useUnicodeBidiReorderer(new ICUBidiReorderer())
                    .defaultTextDirection(BaseRendererBuilder.TextDirection.LTR)
                    .withHtmlContent(templates.process(template, context), null)
                    .toStream(document)
                    .run();
            return document.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
