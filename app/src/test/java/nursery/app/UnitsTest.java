package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.LogBook;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.floor.ShelfCup;
import nursery.core.floor.Ways;
import nursery.core.log.QuietHours;
import nursery.core.measure.Clock;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.resin.Losses;
import nursery.core.resin.MeasuringCup;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Every figure in the shop's units, every measuring cup in its own, every blank as it was taped. */
@ExtendWith(ShopUnderTest.class)
class UnitsTest {

    private static Running shop;
    private static Tablet tablet;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
    }

    @BeforeEach
    void aShopInInchesWithABlank() {
        shop.empty();
        ways(LengthUnit.IN, VolumeUnit.FL_OZ, TemperatureUnit.F, Clock.H12, DayOfWeek.SUNDAY);
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
    }

    private static void ways(
            LengthUnit length, VolumeUnit volume, TemperatureUnit temperature, Clock clock, DayOfWeek weekStarts) {
        shop.bean(ShopBook.class)
                .save(new Ways(
                        length,
                        volume,
                        temperature,
                        new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC),
                        Losses.USUAL,
                        OptionalDouble.empty(),
                        clock,
                        weekStarts));
    }

    private static long regular() {
        return shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
    }

    /** A cup whose next step is its first flood coat. */
    private static String readyToFlood() {
        Instant noon = shop.clock().instant();
        String code = shop.start("Winter sky", regular(), noon.minus(Duration.ofHours(9)));
        for (int step = 1; step <= 4; step++) {
            shop.bean(LogBook.class)
                    .add(code, shop.entry(code, step, noon.minus(Duration.ofMinutes(520 - 100L * step)), 1), true);
        }
        return code;
    }

    private static void atHand(MeasuringCup cup) {
        shop.bean(ShelfBook.class).addMeasuringCup("in hand", cup);
        ShelfCup added = shop.shelf().measuringCups().stream()
                .filter(found -> found.name().equals("in hand"))
                .findFirst()
                .orElseThrow();
        assertThat(tablet.send("/shelf/measuring-cups/" + added.id() + "/in-hand", typed()))
                .hasStatus(302);
    }

    private static List<String> said(String page, String units) {
        String plain = page.replaceAll("(?s)<(script|style)\\b.*?</\\1>", " ")
                .replaceAll("<[^>]*>", " ")
                .replaceAll("\\s+", " ");
        Matcher found = Pattern.compile(".{0,40}\\d[ \u00a0]?(" + units + ")(?![\\w²/]).{0,10}")
                .matcher(plain);
        List<String> all = new ArrayList<>();
        while (found.find()) {
            all.add(found.group());
        }
        return all;
    }

    private static List<String> pages(String code) {
        List<String> pages = new ArrayList<>(List.of(
                "/",
                "/cups",
                "/cups/new",
                "/cups/" + code,
                "/mix",
                "/mix?resin=" + regular() + "&pick-" + code + "=on",
                "/mix/turner",
                "/plan",
                "/plan/today",
                "/plan/cup/" + code,
                "/plan/hours",
                "/shelf/bottles",
                "/shelf/resins/" + regular(),
                "/shelf/resins/" + regular() + "/learned",
                "/room",
                "/room/lab?cup=",
                "/alarms"));
        shop.bean(nursery.app.techniques.TechniqueBook.class)
                .all()
                .forEach(one -> pages.add("/techniques/" + one.key()));
        return pages;
    }

    @Test
    void noMetricWordInAnInchShop() {
        atHand(new MeasuringCup(8 * 29.5735295625 / 4, 29.5735295625 / 8, 40, 50, VolumeUnit.FL_OZ));
        String code = readyToFlood();
        for (String path : pages(code)) {
            assertThat(said(tablet.page(path), "mm|ml|cm²|cm|°C|K")).as(path).isEmpty();
        }
    }

    @Test
    void noInchInAMetricShop() {
        ways(LengthUnit.MM, VolumeUnit.ML, TemperatureUnit.C, Clock.H24, DayOfWeek.MONDAY);
        String code = readyToFlood();
        for (String path : pages(code)) {
            assertThat(said(tablet.page(path), "in|fl oz|sq in|thou|°F|am|pm|K"))
                    .as(path)
                    .isEmpty();
        }
    }

    /** A cup printed in millilitres is read in millilitres, whatever the shop reads in; and the other way round. */
    @Test
    void aMeasuringCupIsReadByItsOwnMarks() {
        atHand(new MeasuringCup(60, 2.5, 34, 42));
        String code = readyToFlood();
        assertThat(tablet.page("/shelf")).contains("holds <span>60 ml</span>").doesNotContain("0.08 fl oz");
        assertThat(tablet.page("/cups/" + code))
                .containsPattern("Measuring cup: A to [0-9.]+ ml, then B to [0-9.]+ ml")
                .contains("fl oz");
        ways(LengthUnit.MM, VolumeUnit.ML, TemperatureUnit.C, Clock.H24, DayOfWeek.MONDAY);
        assertThat(tablet.send(
                        "/shelf/measuring-cups",
                        typed(
                                "cupName",
                                "two ounces",
                                "cupMl",
                                "2",
                                "markMl",
                                "1/8",
                                "marks",
                                "FL_OZ",
                                "bottomMm",
                                "40",
                                "topMm",
                                "1.9 in")))
                .hasStatus(302);
        MeasuringCup kept = shop.shelf().measuringCups().stream()
                .filter(found -> found.name().equals("two ounces"))
                .findFirst()
                .orElseThrow()
                .cup();
        assertThat(kept.marks()).isEqualTo(VolumeUnit.FL_OZ);
        assertThat(kept.markMl() * 8).isCloseTo(29.5735295625, org.assertj.core.api.Assertions.within(1e-9));
        assertThat(tablet.page("/shelf")).contains("holds <span>2 fl oz</span>, a mark every <span>0.125 fl oz</span>");
    }

    /** By scale it was begun, by scale it goes on: A at 1.15 g/ml, B at 0.96. */
    @Test
    void aMixBegunByScaleGoesOnByScale() {
        ways(LengthUnit.MM, VolumeUnit.ML, TemperatureUnit.C, Clock.H24, DayOfWeek.MONDAY);
        String code = readyToFlood();
        String mix = tablet.send("/mix", typed("resin", "" + regular(), "pick-" + code, "on", "by", "scale"))
                .getResponse()
                .getRedirectedUrl();
        double each = shop.bean(nursery.app.floor.Floors.class)
                .batch(Long.parseLong(mix.substring(5)))
                .orElseThrow()
                .planned()
                .partAMl();
        String afterA = nursery.core.measure.Numbers.show(each * 1.15, 1);
        assertThat(tablet.page(mix))
                .contains("Pour A until the scale shows")
                .contains(afterA + " g")
                .contains("value=\"" + afterA + "\"")
                .containsPattern("value=\"scale\"[^>]*checked")
                .doesNotContain("class=\"fill\"");
        assertThat(tablet.page(mix + "/judge?by=scale&partA=30&partB=45"))
                .as("26.1 ml of A wants as much of B: 25 g; 15 are in")
                .contains("Add <span>10 g</span> of B");
        assertThat(tablet.page(mix + "/judge?by=cup&partA=26&partB=20")).contains("Add <span>6 ml</span> of B");
    }

    @Test
    void whatTheTapeReadComesBack() {
        ways(LengthUnit.MM, VolumeUnit.ML, TemperatureUnit.C, Clock.H24, DayOfWeek.MONDAY);
        assertThat(tablet.send(
                        "/shelf/blanks/new",
                        typed(
                                "name",
                                "Imported",
                                "unit",
                                "MM",
                                "form",
                                "STRAIGHT",
                                "height",
                                "7 in",
                                "circumference",
                                "9 1/16\"",
                                "rimBare",
                                "5",
                                "baseCoated",
                                "on")))
                .hasStatus(302);
        long id = shop.shelf().blanks().stream()
                .filter(found -> found.name().equals("Imported"))
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(tablet.page("/shelf/blanks/" + id))
                .containsPattern("name=\"height\" value=\"7 in\"")
                .containsPattern("name=\"circumference\" value=\"9.0625 in\"")
                .containsPattern("name=\"rimBare\" value=\"5\"")
                .containsPattern("value=\"MM\"[^>]*checked");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {"6:30 pm-10 pm|6:30 pm–10:00 pm", "18-22:15|6:00 pm–10:15 pm", "12am-9 a.m.|12:00 am–9:00 am"})
    void hoursAreReadAndShownOnTheShopsClock(String typed, String shown) {
        String page = tablet.page("/plan/hours");
        assertThat(page.indexOf(">Sunday<"))
                .as("the week begins on Sunday")
                .isPositive()
                .isLessThan(page.indexOf(">Monday<"));
        String seen = page.replaceAll("(?s).*name=\"seen\" value=\"([^\"]*)\".*", "$1");
        Map<String, String> hours = typed("seen", seen);
        for (int day = 1; day <= 7; day++) {
            hours.put("bench-" + day, typed);
            hours.put("booth-" + day, "");
        }
        assertThat(tablet.send("/plan/hours", hours)).hasStatus(302);
        assertThat(tablet.page("/plan/hours")).contains("value=\"" + shown + "\"");
        hours.putAll(typed("bench-1", "13 pm-14 pm"));
        assertThat(text(tablet.send("/plan/hours", hours))).contains("“13 pm” is not a time of day");
    }

    @Test
    void timesOfDayAreToldOnTheShopsClock() {
        String code = readyToFlood();
        assertThat(tablet.page("/cups/" + code)).containsPattern("\\d{1,2}:\\d\\d [ap]m");
        assertThat(said(tablet.page("/plan"), "am|pm")).isNotEmpty();
    }
}
