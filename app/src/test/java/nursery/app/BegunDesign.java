package nursery.app;

import static java.nio.charset.StandardCharsets.UTF_8;
import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.ShopUnderTest.Running;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.ExtendWith;

/** A design that was begun on a straight blank, beside a tapered one. */
@ExtendWith(ShopUnderTest.class)
abstract class BegunDesign {

    static final String SQUARE = "<svg xmlns='http://www.w3.org/2000/svg' width='40mm' height='20mm' "
            + "viewBox='0 0 40 20'><rect id='plate' fill='#9d2f2b' width='40' height='20'/></svg>";

    Running shop;
    Tablet tablet;
    long slim;
    long tapered;
    long id;

    @BeforeEach
    void aDesignIsBegun(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        tablet = new Tablet(shop);
        ShelfBook shelf = shop.bean(ShelfBook.class);
        slim = shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        tapered = shelf.addBlank("Taper", new Blank(new Tapered(172, 214, 281), true, 5, 3, 0, OptionalDouble.empty()));
        String at = tablet.send("/designs", typed("name", "Number plate", "blank", "" + slim))
                .getResponse()
                .getRedirectedUrl();
        id = Long.parseLong(at.substring("/designs/".length()));
    }

    String design() {
        return "/designs/" + id;
    }

    String bringIn(String name, String svg) {
        return text(tablet.upload(design() + "/art", name, svg.getBytes(UTF_8)));
    }

    /** The fields of the form as a page shows them. */
    static Map<String, String> fields(String page) {
        Map<String, String> fields = new LinkedHashMap<>();
        Matcher inputs = Pattern.compile("<input ([^>]*)>").matcher(page);
        while (inputs.find()) {
            String tag = inputs.group(1);
            String name = one(tag, "name");
            boolean box = tag.contains("checkbox") && !tag.contains("checked");
            if (!name.isEmpty() && !name.equals("_csrf") && !box && !tag.contains("type=\"file\"")) {
                fields.put(name, one(tag, "value"));
            }
        }
        Matcher selects = Pattern.compile("(?s)<select [^>]*name=\"([^\"]+)\"[^>]*>(.*?)</select>")
                .matcher(page);
        while (selects.find()) {
            Matcher chosen =
                    Pattern.compile("<option value=\"([^\"]*)\"[^>]*selected").matcher(selects.group(2));
            Matcher first = Pattern.compile("<option value=\"([^\"]*)\"").matcher(selects.group(2));
            fields.put(selects.group(1), chosen.find() ? chosen.group(1) : first.find() ? first.group(1) : "");
        }
        return fields;
    }

    static String one(String tag, String attribute) {
        Matcher found = Pattern.compile("\\b" + attribute + "=\"([^\"]*)\"").matcher(tag);
        return found.find() ? found.group(1) : "";
    }

    String draft(Map<String, String> form, String... changed) {
        Map<String, String> sent = new LinkedHashMap<>(form);
        for (int i = 0; i < changed.length; i += 2) {
            sent.put(changed[i], changed[i + 1]);
        }
        return text(tablet.send(design() + "/draft", sent));
    }

    /** With the plate laid on the front and kept. */
    Map<String, String> kept() {
        Map<String, String> form = fields(bringIn("plate.svg", SQUARE));
        assertThat(tablet.send(design(), form)).hasStatus(302);
        return fields(tablet.page(design()));
    }
}
