package nursery.app.platform;

import java.util.HexFormat;
import java.util.Map;
import java.util.concurrent.ThreadLocalRandom;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.web.error.ErrorAttributeOptions;
import org.springframework.boot.webmvc.error.DefaultErrorAttributes;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.WebRequest;

/**
 * What nobody foresaw is written down once, with a word that its answer shows too: who tells of one can be found in the
 * log.
 */
@Component
class Failures extends DefaultErrorAttributes {

    private static final Logger LOG = LoggerFactory.getLogger(Failures.class);
    private static final int SERVER_ERROR = 500;

    /** @return the word to find it by */
    static String note(String method, @Nullable Object path, @Nullable Throwable failure) {
        String word = HexFormat.of().toHexDigits(ThreadLocalRandom.current().nextInt());
        LOG.error("{} {} failed [{}]: {}", method, path, word, String.valueOf(failure), failure);
        return word;
    }

    @Override
    public Map<String, @Nullable Object> getErrorAttributes(WebRequest request, ErrorAttributeOptions options) {
        Map<String, @Nullable Object> attributes = super.getErrorAttributes(request, options);
        if (attributes.get("status") instanceof Integer status && status >= SERVER_ERROR) {
            Object method = request.getAttribute("jakarta.servlet.error.method", RequestAttributes.SCOPE_REQUEST);
            attributes.put(
                    "word", note(method == null ? "" : method.toString(), attributes.get("path"), getError(request)));
        }
        return attributes;
    }
}
