package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;

import java.net.URLEncoder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.springframework.web.context.WebApplicationContext;

/** Orders: what they can be promised for, taking them, reading them from a file. */
class OrdersTest extends PlannedShop {

    private static final String[] ORDER = {
        "name",
        "Tram bell",
        "madeFor",
        "Heritage tram society",
        "count",
        "3",
        "technique",
        "one-colour-glitter",
        "resin",
        "",
        "blank",
        ""
    };

    private static Map<String, String> order(String... changes) {
        Map<String, String> order = typed(ORDER);
        order.put("resin", "" + resin);
        order.put("blank", "" + shop.shelf().blanks().get(0).id());
        order.putAll(typed(changes));
        return order;
    }

    private static String asked(Map<String, String> order) {
        StringBuilder query = new StringBuilder("/plan/order?");
        order.forEach((key, value) -> query.append(key)
                .append('=')
                .append(URLEncoder.encode(value, StandardCharsets.UTF_8))
                .append('&'));
        return tablet.page(query.toString());
    }

    @Test
    void anOrderIsPromisedOrNotAndAskingStartsNothing() {
        assertThat(asked(order("due", "2026-04-10")))
                .contains(">Yes<", "All 3 at full cure", "Nothing that is planned moves", "See the plan with them");
        // Full cure alone takes three days.
        assertThat(asked(order("due", "2026-03-04"))).contains(">No<");
        assertThat(shop.floor().cups()).hasSize(2);
    }

    /** "No" alone helps nobody: how many by when, and each way out as one touch that asks again. */
    @Test
    void whatCannotBePromisedIsSaidByDayWithWaysOutOfIt() {
        assertThat(tablet.page("/plan/order"))
                .as("the resin most cups are made with")
                .contains("value=\"%d\" selected".formatted(resin));
        String page = asked(order("count", "8", "due", "2026-03-05"))
                .replaceAll("<[^>]*>", "")
                .replaceAll("\\s+", " ");
        assertThat(page)
                .contains("No")
                .containsPattern("\\d of 8 by \\w+ \\d+ Mar, ")
                .containsPattern("8 of 8 by ");
        String html = asked(order("count", "8", "due", "2026-03-05"));
        Matcher later = Pattern.compile("href=\"([^\"]*due=(2026-[0-9-]+)[^\"]*)\">Due on")
                .matcher(html);
        assertThat(later.find()).isTrue();
        assertThat(tablet.page(later.group(1).replace("&amp;", "&"))).contains(">Yes<");
    }

    @Test
    void anOrderIsTakenWithThePlanThatHasIt() {
        String change = location(tablet.send("/plan/order", order("due", "2026-04-10", "matters", "3")));

        assertThat(tablet.page(change))
                .contains("With 3 new cups")
                .contains("<b>0 → 0</b>")
                .contains("cups late");
        assertThat(shop.floor().cups()).hasSize(2);
        tablet.send(change + "/keep", typed());
        assertThat(shop.departures()).isEmpty();
        assertThat(shop.floor().cups()).hasSize(5).last().satisfies(cup -> {
            assertThat(cup.cup().about().name()).isEqualTo("Tram bell 3");
            assertThat(cup.cup().promise().matters()).isEqualTo(3);
        });
    }

    @Test
    void anOrderDroppedStartsNothingAndOneWhoseBlankHasGoneIsRefused() {
        String dropped = location(tablet.send("/plan/order", order("due", "2026-04-10")));
        tablet.send(dropped + "/drop", typed());
        ShelfBook shelf = shop.bean(ShelfBook.class);
        long other =
                shelf.addBlank("12 oz slim", new Blank(new Straight(155, 207), true, 5, 0, 0, OptionalDouble.of(12)));
        String change = location(tablet.send("/plan/order", order("blank", "" + other)));
        shelf.removeBlank(other);

        assertThat(tablet.get(change)).hasStatus(422);
        MvcTestResult result = tablet.send(change + "/keep", typed());

        assertThat(result).hasStatus(422);
        assertThat(text(result))
                .contains("The blank this was asked with is no longer on the shelf", "Nothing was changed");
        assertThat(shop.floor().cups()).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "count|0|not a whole number from 1 to 60",
                "count|61|not a whole number from 1 to 60",
                "count|two|",
                "count||is missing",
                "due|2026-03-01|is in the past",
                "technique|magic|No technique is called “magic”",
                "blank|999|No blank is called “999”",
                "matters|12|not a whole number from 1 to 9"
            })
    void anOrderWithAFaultComesBackAndStartsNothing(String field, String value, String told) {
        MvcTestResult result = tablet.send("/plan/order", order(field, value == null ? "" : value));

        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(told == null ? "" : told);
        assertThat(shop.floor().cups()).hasSize(2);
    }

    private static MvcTestResult upload(String csv) {
        return upload(csv, StandardCharsets.UTF_8);
    }

    /** Where the page that waits for the plan goes on to. */
    private static String planned(MvcTestResult uploaded) throws InterruptedException {
        String waiting = location(uploaded);
        for (int i = 0; i < 600; i++) {
            MvcTestResult page = tablet.get(waiting);
            if (page.getResponse().getStatus() == 302) {
                return location(page);
            }
            assertThat(text(page)).contains("% done");
            Thread.sleep(50);
        }
        throw new AssertionError("The plan never came.");
    }

    private static MvcTestResult upload(String csv, Charset charset) {
        MockMvcTester web =
                MockMvcTester.from((WebApplicationContext) shop.context(), builder -> builder.apply(springSecurity())
                        .build());
        return web.post()
                .uri("/plan/import")
                .multipart()
                .file(new MockMultipartFile("file", "orders.csv", "text/csv", csv.getBytes(charset)))
                .param("token", UUID.randomUUID().toString())
                .with(csrf())
                .exchange();
    }

    @Test
    void ordersComeFromAFileInAnyOrderOfColumns() throws InterruptedException {
        MvcTestResult result =
                upload("\ufeffcount;Made for;name;Technique;blank;resin;due\n2;Seed-library fair;Foxglove;one-colour "
                        + "glitter;20 oz slim;regular tumbler epoxy;2026-04-20\n1;;\"Bean; runner\";One-colour "
                        + "glitter;20 OZ SLIM;Regular tumbler epoxy;\n");

        String change = planned(result);
        assertThat(tablet.page(change)).contains("2 new cups, Foxglove", "1 new cup, Bean; runner");
        tablet.send(change + "/keep", typed());
        assertThat(shop.departures()).isEmpty();
        assertThat(shop.floor().cups())
                .extracting(cup -> cup.cup().about().name())
                .containsExactly("Winter sky", "Line 7 green", "Foxglove 1", "Foxglove 2", "Bean; runner");
    }

    /** 0xE4 is ä in Windows-1252 and no letter at all in UTF-8; 0x80 is €, which ISO 8859-1 does not have. */
    @ParameterizedTest
    @ValueSource(strings = {"windows-1252", "UTF-16", "UTF-8"})
    void noLetterIsLostWhateverTheFileIsWrittenIn(String charset) throws InterruptedException {
        String change = planned(upload(
                "count;name;technique;blank;resin\n"
                        + "1;Märzbecher 5 €;One-colour glitter;20 oz slim;Regular tumbler epoxy\n",
                Charset.forName(charset)));
        assertThat(tablet.page(change)).contains("Märzbecher 5 €");
        assertThat(tablet.page(change).contains("read as Windows-1252: look at its accents"))
                .isEqualTo(charset.equals("windows-1252"));
    }

    @Test
    void everyBadRowIsNamedAndNoneIsTaken() {
        String told =
                text(upload("name,technique,blank,resin,count,due\nFoxglove,one-colour-glitter,20 oz slim,Regular "
                        + "tumbler epoxy,1,\nNo blank,one-colour-glitter,99 oz,Regular tumbler "
                        + "epoxy,1,\nLate,one-colour-glitter,20 oz slim,Regular tumbler epoxy,0,31.3.2026\n"));

        assertThat(told)
                .contains(
                        "Row 3: No blank is called “99 oz”",
                        "Row 4: How many 0 is not a whole number",
                        "Row 4: The due date “31.3.2026” is not a date");
        assertThat(shop.floor().cups()).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|The file is empty",
                "name,count|No column is headed technique, blank, resin",
                "name,technique,blank,resin,count|headings and no orders"
            })
    void aFileThatCannotBeReadIsTold(String csv, String told) {
        assertThat(text(upload(csv.isEmpty() ? " \n" : csv))).contains(told);
    }
}
