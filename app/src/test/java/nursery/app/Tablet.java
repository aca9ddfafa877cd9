package nursery.app;

import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;

import jakarta.servlet.http.Cookie;
import java.io.UnsupportedEncodingException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import nursery.app.ShopUnderTest.Running;
import org.jsoup.Connection;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.FormElement;
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

    /** Presses a button of a page: its form is sent with all that it holds, as a browser without scripts sends it. */
    MvcTestResult press(String path, String button) {
        Element pressed = Objects.requireNonNull(Jsoup.parse(html(get(path))).selectFirst(button), button);
        FormElement form = (FormElement) Objects.requireNonNull(pressed.closest("form"));
        // Of a choice that is empty jsoup makes "on", which no browser does.
        form.select("input[type=radio][checked][value='']").attr("type", "hidden");
        var request = web.post().uri(form.attr("action")).with(csrf()).cookie(new Cookie("maker", "Mira"));
        for (Connection.KeyVal field : form.formData()) {
            if (!field.key().equals("_csrf")) {
                request.param(field.key(), field.value());
            }
        }
        if (pressed.hasAttr("name")) {
            request.param(pressed.attr("name"), pressed.attr("value"));
        }
        return request.exchange();
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
        return html(result).replace("&quot;", "\"").replace("&#39;", "'").replace('\u00a0', ' ');
    }

    private static String html(MvcTestResult result) {
        try {
            return result.getResponse().getContentAsString();
        } catch (UnsupportedEncodingException e) {
            throw new IllegalStateException(e);
        }
    }
}
