package nursery.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;

import jakarta.servlet.http.Cookie;
import java.io.UnsupportedEncodingException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.UUID;
import nursery.app.ShopUnderTest.Running;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.springframework.web.context.WebApplicationContext;

/** A tablet without a screen: sends forms and reads pages, through the application's whole web layer. */
final class Tablet {

    private final MockMvcTester web;

    Tablet(Running shop) {
        web = MockMvcTester.from((WebApplicationContext) shop.context(), builder -> builder.apply(springSecurity())
                .build());
    }

    /** A form's fields, with a token of its own. */
    static Map<String, String> typed(String... pairs) {
        Map<String, String> typed =
                new LinkedHashMap<>(Map.of("token", UUID.randomUUID().toString()));
        for (int i = 0; i < pairs.length; i += 2) {
            typed.put(pairs[i], pairs[i + 1]);
        }
        return typed;
    }

    MvcTestResult send(String path, Map<String, String> typed, String maker) {
        var request = web.post().uri(path).with(csrf()).cookie(new Cookie("maker", maker));
        typed.forEach(request::param);
        return request.exchange();
    }

    MvcTestResult send(String path, Map<String, String> typed) {
        return send(path, typed, "Mira");
    }

    MvcTestResult upload(String path, String name, byte[] file) {
        return web.post()
                .uri(path)
                .multipart()
                .file(new MockMultipartFile("file", name, "application/json", file))
                .param("token", UUID.randomUUID().toString())
                .with(csrf())
                .exchange();
    }

    MvcTestResult get(String path) {
        return web.get().uri(path).exchange();
    }

    String page(String path) {
        return text(get(path));
    }

    /** The answer as a person reads it: no entities, no hard blanks. */
    static String text(MvcTestResult result) {
        try {
            return result.getResponse()
                    .getContentAsString()
                    .replace("&quot;", "\"")
                    .replace("&#39;", "'")
                    .replace('\u00a0', ' ');
        } catch (UnsupportedEncodingException e) {
            throw new IllegalStateException(e);
        }
    }
}
