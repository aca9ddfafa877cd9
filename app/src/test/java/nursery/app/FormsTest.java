package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.platform.Submissions;
import nursery.core.cup.Blank;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** Forms sent wrong, twice, and from two tablets at once. */
class FormsTest extends CupForms {

    /** Two tablets fill in the same page: the second is told, keeps what it typed, and may then insist. */
    @Test
    void settingsAndHoursThatSomeoneElseChangedAreNotOverwritten() {
        for (String path : List.of("/shop", "/plan/hours")) {
            String page = tablet.page(path);
            Map<String, String> mine = filled(page);
            Map<String, String> theirs = new LinkedHashMap<>(mine);
            String field = path.equals("/shop") ? "quietFrom" : "bench-1";
            theirs.put(field, path.equals("/shop") ? "21:00" : "18:00-20:00");
            mine.put(field, path.equals("/shop") ? "23:00" : "19:00-21:00");
            mine.put("token", Submissions.newToken());
            assertThat(tablet.send(path, theirs)).hasStatus(302);
            MvcTestResult lost = tablet.send(path, mine);
            assertThat(lost).hasStatus(422);
            assertThat(text(lost)).contains("Someone changed this", mine.get(field));
            Map<String, String> again = filled(text(lost));
            again.put(field, mine.get(field));
            assertThat(tablet.send(path, again)).hasStatus(302);
            assertThat(tablet.page(path)).contains(path.equals("/shop") ? "23:00" : "19:00");
        }
    }

    /** What the inputs of a page's form hold. */
    private static Map<String, String> filled(String page) {
        Map<String, String> typed = new LinkedHashMap<>();
        Matcher input = Pattern.compile("<input[^>]*>").matcher(page);
        while (input.find()) {
            Matcher name = Pattern.compile(" name=\"([^\"]*)\"").matcher(input.group());
            Matcher value = Pattern.compile(" value=\"([^\"]*)\"").matcher(input.group());
            boolean chosen = !input.group().contains("radio") || input.group().contains("checked");
            if (name.find() && chosen) {
                typed.putIfAbsent(name.group(1), value.find() ? value.group(1) : "");
            }
        }
        typed.put("zone", "UTC");
        return typed;
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "height|0|outside 20–600 mm", "height|-5|outside 20–600 mm", "height|1e308|is not a number",
                        "height|NaN|is not a number",
                "height||is missing", "circumference|9.03|did you mean 9.03 in (229 mm)",
                        "circumference|1,234|could mean", "circumference|229 ml|is not a measure in mm",
                "rimBare|999|must lie between 0 and 205", "handleGap|300|less than the way around",
                        "nominalOz|900|outside 0–64 oz"
            })
    void aWrongSizeComesBackWithItsReasonAndWhatWasTyped(String field, String value, String reason) {
        Map<String, String> typed = typed(
                "name",
                "slim again",
                "unit",
                "MM",
                "form",
                "STRAIGHT",
                "height",
                "205",
                "circumference",
                "229.3",
                "baseCoated",
                "on");
        typed.put(field, value == null ? "" : value);
        MvcTestResult result = tablet.send("/shelf/blanks/new", typed);
        assertThat(result).hasStatus(422);
        assertThat(text(result))
                .contains(reason)
                .contains("Everything you typed is still here")
                .contains("value=\"slim again\"")
                .contains("value=\"" + (value == null ? "" : value) + "\"");
        assertThat(shop.shelf().blanks()).hasSize(1);
    }

    @Test
    void commasInchesAndFractionsAreUnderstood() {
        assertThat(tablet.send(
                        "/shelf/blanks/new",
                        typed(
                                "name",
                                "by tape",
                                "unit",
                                "IN",
                                "form",
                                "TAPERED",
                                "height",
                                "6 1/4",
                                "baseCircumference",
                                "8,66",
                                "rimCircumference",
                                "276 mm")))
                .hasStatus(302);
        Blank blank = shop.shelf().blanks().stream()
                .filter(found -> found.name().equals("by tape"))
                .findFirst()
                .orElseThrow()
                .blank();
        assertThat(blank.outline().heightMm()).isEqualTo(158.75);
        assertThat(blank.outline().baseCircumferenceMm()).isEqualTo(8.66 * 25.4);
        assertThat(blank.outline().rimCircumferenceMm()).isEqualTo(276);
    }

    @Test
    void aFaultInATurnedOutlineIsShownAtItsRow() {
        MvcTestResult result = tablet.send(
                "/shelf/blanks/new",
                typed(
                        "name", "odd", "unit", "MM", "form", "TURNED", "h0", "0", "c0", "205", "h2", "-4", "c2", "288",
                        "h3", "120", "c3", "5"));
        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains("does not lie above").contains("Circumference 5 mm is outside");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "ratio|0:1|leaves one part out",
                "ratio|1:|is not a mix ratio",
                "ratio|1/1|with a colon",
                "working|abc|is not a number",
                "recoatUntil|3|must be later",
                "reference|75|did you mean 75 °F (23.9 °C)",
                "densityB||enter both or neither",
                "viscosity2|2|own temperature as well",
                "viscosity2At|10|A temperature alone says nothing",
                "fullCure|NaN|is not a number",
                "sandableFrom|1|is before the turning time"
            })
    void aWrongLabelComesBackWithItsReason(String field, String value, String reason) {
        Map<String, String> typed = typed(
                "name",
                "Lantern Lane",
                "ratio",
                "2:1",
                "working",
                "30",
                "turning",
                "4",
                "recoatFrom",
                "4",
                "recoatUntil",
                "6",
                "sandableFrom",
                "8",
                "sandableSure",
                "12",
                "scuffAfter",
                "24",
                "cured",
                "24",
                "fullCure",
                "72",
                "reference",
                "22",
                "activation",
                "50",
                "densityA",
                "1.1",
                "densityB",
                "0.95",
                "viscosity",
                "",
                "source",
                "");
        typed.put(field, value == null ? "" : value);
        MvcTestResult result = tablet.send("/shelf/resins/new", typed);
        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(reason).contains("value=\"Lantern Lane\"");
        assertThat(shop.shelf().resins()).hasSize(2);
    }

    /** 59 °F is 15 °C; what was kept comes back in the shop's unit, and the coldest is the thickest. */
    @Test
    void aLabelsTwoViscositiesAreKeptInTheShopsUnit() {
        Resin resin = shop.shelf().resins().get(0);
        Map<String, String> typed = filled(tablet.page("/shelf/resins/" + resin.id()));
        typed.putAll(Map.of("viscosity", "0.9", "viscosity2", "1.9", "viscosity2At", "59 °F", "why", "CORRECTED"));
        assertThat(tablet.send("/shelf/resins/" + resin.id(), typed)).hasStatus(302);
        Label kept = shop.shelf().resin(resin.id()).orElseThrow().copy().printed();
        assertThat(kept.viscosityPaSAt(15).orElseThrow()).isCloseTo(1.9, within(1e-6));
        assertThat(tablet.page("/shelf/resins/" + resin.id()))
                .contains("value=\"1.9\"")
                .contains("value=\"15\"");
        typed.putAll(Map.of("viscosity2", "0.4", "version", "2"));
        assertThat(text(tablet.send("/shelf/resins/" + resin.id(), typed))).contains("thicker when it is colder");
    }

    @Test
    void namesMayHoldEmojiAndScriptAndAreShownAsTheyWereTyped() {
        String name = "<script>alert(1)</script> 🌱";
        assertThat(tablet.send(
                        "/shelf/blanks/new",
                        typed("name", name, "unit", "MM", "form", "STRAIGHT", "height", "150", "circumference", "207")))
                .hasStatus(302);
        assertThat(shop.shelf().blanks()).extracting(found -> found.name()).contains(name);
        assertThat(tablet.get("/shelf"))
                .bodyText()
                .contains("&lt;script&gt;alert(1)&lt;/script&gt; 🌱")
                .doesNotContain("<script>alert");
    }

    @Test
    void aDueDateInThePastIsRefusedAndTheRestKept() {
        MvcTestResult result = tablet.send(
                "/cups/new",
                typed(
                        "name",
                        "Foxglove",
                        "blank",
                        "" + shop.shelf().blanks().get(0).id(),
                        "base",
                        "" + shop.shelf().resins().get(0).id(),
                        "due",
                        "2026-03-01",
                        "paint",
                        "#123456",
                        "glitter",
                        "#654321"));
        assertThat(result).hasStatus(422);
        assertThat(text(result))
                .contains("in the past")
                .contains("value=\"Foxglove\"")
                .contains("value=\"2026-03-01\"");
        assertThat(shop.floor().cups()).isEmpty();
    }

    @Test
    void aCupWithoutBlankOrResinIsToldAllAtOnce() {
        MvcTestResult result = tablet.send(
                "/cups/new",
                typed("name", "", "blank", "", "base", "999", "due", "soon", "paint", "red", "glitter", "#654321"));
        assertThat(text(result))
                .contains("The blank: choose one")
                .contains("not on the shelf any more")
                .contains("is not a date")
                .contains("is not a colour");
    }

    @Test
    void aFormSentTwiceCountsOnce() {
        Map<String, String> typed = typed(
                "name",
                "Foxglove",
                "blank",
                "" + shop.shelf().blanks().get(0).id(),
                "base",
                "" + shop.shelf().resins().get(0).id(),
                "paint",
                "#123456",
                "glitter",
                "#654321");
        String first = tablet.send("/cups/new", typed).getResponse().getRedirectedUrl();
        String second = tablet.send("/cups/new", typed).getResponse().getRedirectedUrl();
        assertThat(second).isEqualTo(first).startsWith("/cups/");
        assertThat(shop.floor().cups()).hasSize(1);
    }

    @Test
    void aFormTakenBackAndChangedIsAnotherForm() {
        Map<String, String> typed = typed(
                "name",
                "Foxglove",
                "blank",
                "" + shop.shelf().blanks().get(0).id(),
                "base",
                "" + shop.shelf().resins().get(0).id(),
                "paint",
                "#123456",
                "glitter",
                "#654321");
        tablet.send("/cups/new", typed);
        typed.put("name", "Runner bean");
        tablet.send("/cups/new", typed);
        assertThat(shop.floor().cups())
                .extracting(cup -> cup.cup().about().name())
                .containsExactly("Foxglove", "Runner bean");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"70|did you mean 70 °F (21.1 °C)", "NaN|is not a number", "''|is missing", "-60|outside"})
    void aRoomThatCannotBeIsAskedAbout(String temperature, String reason) {
        MvcTestResult result = tablet.send("/room", typed("temperature", temperature));
        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(reason);
    }

    @Test
    void aFahrenheitReadingWithItsUnitIsRight() {
        assertThat(tablet.send("/room", typed("temperature", "70 °F"))).hasStatus(302);
        assertThat(tablet.get("/room")).bodyText().contains("21.1");
    }

    @Test
    void settingsThatMakeNoSenseComeBackWithTheirReasons() {
        MvcTestResult result = tablet.send(
                "/shop",
                typed(
                        "lengthUnit",
                        "CUBIT",
                        "volumeUnit",
                        "ML",
                        "temperatureUnit",
                        "C",
                        "zone",
                        "Middle/Earth",
                        "clock",
                        "H24",
                        "weekStarts",
                        "MONDAY",
                        "quietFrom",
                        "late",
                        "quietUntil",
                        "06:00"));
        assertThat(result).hasStatus(422);
        assertThat(text(result))
                .contains("choose one of those offered")
                .contains("is not a time zone")
                .contains("is not a time of day: write it as 18:30");
    }

    @Test
    void everythingIsShownInTheShopsUnits() {
        String code = startCup();
        upToFlood(code);
        assertThat(tablet.send(
                        "/shop",
                        typed(
                                "lengthUnit",
                                "IN",
                                "volumeUnit",
                                "FL_OZ",
                                "temperatureUnit",
                                "F",
                                "zone",
                                "America/Chicago",
                                "clock",
                                "H24",
                                "weekStarts",
                                "MONDAY",
                                "quietFrom",
                                "22:00",
                                "quietUntil",
                                "06:00",
                                "lossFill",
                                "1.5",
                                "lossCup",
                                "0.3")))
                .hasStatus(302);
        assertThat(tablet.page("/cups/" + code))
                .contains("fl oz")
                .contains("sq in")
                .contains("thou")
                .doesNotContain("cm²");
        assertThat(tablet.send("/cups/" + code + "/log", pour(5, "0.8", turning())))
                .hasStatus(302);
        assertThat(shop.cup(code).state().newestCoat().orElseThrow().pour().amountMl())
                .isBetween(23.6, 23.7);
    }

    @Test
    void twoPeopleChangingOneResinTheSecondIsTold() {
        var resin = shop.shelf().resins().get(0);
        Map<String, String> typed = typed(
                "name",
                resin.name(),
                "ratio",
                "1:1",
                "working",
                "20",
                "turning",
                "4",
                "recoatFrom",
                "4",
                "recoatUntil",
                "6",
                "sandableFrom",
                "8",
                "sandableSure",
                "",
                "scuffAfter",
                "24",
                "cured",
                "24",
                "fullCure",
                "72",
                "reference",
                "22",
                "activation",
                "50",
                "version",
                "" + resin.version());
        assertThat(tablet.send("/shelf/resins/" + resin.id(), typed)).hasStatus(302);
        typed.put("token", UUID.randomUUID().toString());
        assertThat(text(tablet.send("/shelf/resins/" + resin.id(), typed)))
                .contains("Someone changed this while you had it open");
    }
}
