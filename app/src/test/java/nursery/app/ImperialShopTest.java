package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.ShopUnderTest.Running;
import nursery.app.floor.RoomPlan;
import nursery.app.materials.MaterialBook;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.measure.Clock;
import nursery.core.measure.TemperatureUnit;
import nursery.core.resin.Losses;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.PlanStep;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A shop that measures in inches, fluid ounces and °F by a clock of twelve hours reads nothing else. */
@ExtendWith(ShopUnderTest.class)
class ImperialShopTest {

    private static Running shop;
    private static Tablet tablet;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
    }

    @BeforeEach
    void imperial() {
        shop.empty();
        shop.settle("UTC");
        Map<String, String> form = shopForm();
        form.putAll(typed("lengthUnit", "IN", "volumeUnit", "FL_OZ", "temperatureUnit", "F", "clock", "H12"));
        assertThat(tablet.send("/shop", form)).hasStatus(302);
    }

    /** The shop's form as it is shown. */
    private static Map<String, String> shopForm() {
        Map<String, String> form = new HashMap<>();
        String page = tablet.page("/shop");
        Matcher inputs = Pattern.compile(
                        "<input (?!type=\"(?:radio|checkbox)\")[^>]*?name=\"([^\"]+)\"[^>]*?value=\"([^\"]*)\"")
                .matcher(page);
        while (inputs.find()) {
            form.putIfAbsent(inputs.group(1), inputs.group(2));
        }
        Matcher chosen =
                Pattern.compile("name=\"([^\"]+)\" value=\"([^\"]*)\" checked").matcher(page);
        while (chosen.find()) {
            form.put(chosen.group(1), chosen.group(2));
        }
        form.put("zone", "UTC");
        return form;
    }

    /** 1.5 ml became 1.4787: 0.05 fl oz, read again. */
    @Test
    void theShopsFormSentAsItIsShownChangesNothing() {
        Losses before = shop.floor().ways().losses();
        assertThat(before).isEqualTo(Losses.USUAL);
        assertThat(tablet.send("/shop", shopForm())).hasStatus(302);
        assertThat(shop.floor().ways().losses()).isEqualTo(before);
        Map<String, String> more = shopForm();
        more.put("lossFill", "2 ml");
        assertThat(tablet.send("/shop", more)).hasStatus(302);
        assertThat(shop.floor().ways().losses()).isEqualTo(new Losses(2, before.perCupMl()));
    }

    @Test
    void theHeatingIsReadByAClockOfTwelveHours() {
        assertThat(tablet.page("/room"))
                .contains("such as 6:30 am 70, 10 pm 61.")
                .doesNotContain("22:00");
        String kept = RoomPlan.written(RoomPlan.settings("6:30 am 70, 10 pm 61", TemperatureUnit.F));
        assertThat(RoomPlan.written(RoomPlan.settings(kept, TemperatureUnit.C), TemperatureUnit.F, Clock.H12))
                .isEqualTo("6:30 am 70, 10:00 pm 61");
        assertThat(RoomPlan.written(RoomPlan.settings("06:30 21; 22 16.5", TemperatureUnit.C)))
                .isEqualTo("06:30 21, 22:00 16.5");
    }

    /** 4 US fl oz are 118.294 ml (NIST SP 811). */
    @Test
    void aBottleOfPaintIsReadInItsOwnUnitAndToldInTheShops() {
        Map<String, String> paint =
                typed("name", "Tram green", "kind", "PAINT", "colour", "#2f6b46", "leadDays", "7", "amount", "4 fl oz");
        String one = tablet.send("/shelf/materials/new", paint).getResponse().getRedirectedUrl();
        assertThat(text(tablet.get(one))).contains("4 fl oz").doesNotContain("118.3 ml");
        assertThat(text(tablet.get("/shelf/materials"))).contains("4 fl oz left");
    }

    private static String material(String name, String kind, String... fields) {
        Map<String, String> form = new HashMap<>(typed(fields));
        form.putAll(typed("name", name, "kind", kind, "colour", "#2f6b46", "leadDays", "7"));
        return tablet.send("/shelf/materials/new", form).getResponse().getRedirectedUrl();
    }

    /** 100 square inches are 645.16 cm² (NIST SP 811). */
    @Test
    void aMaterialIsAskedForInTheShopsUnits() {
        String one = material("Night vinyl", "VINYL", "film", "PERMANENT", "amount", "100");
        double kept = shop.sql().queryForObject("SELECT amount FROM material_lot", Double.class);
        assertThat(kept).as("100 square inches").isCloseTo(645.16, within(1e-6));
        String page = text(tablet.get(one));
        assertThat(page)
                .contains("really left, sq in")
                .contains("On how many sq in")
                .doesNotContain("cm²");
        long lot = shop.sql().queryForObject("SELECT id FROM material_lot", Long.class);
        assertThat(tablet.send(one + "/lots/" + lot, typed("left-" + lot, "40")))
                .hasStatus(302);
        assertThat(text(tablet.get(one))).contains("40 sq in");
        assertThat(text(tablet.send(one + "/lots/" + lot, typed("left-" + lot, "101"))))
                .as("no more than it was, in what it was asked in")
                .contains("0 and 100 sq in");
    }

    /** By hand: 0.03 ml to a cm² are 0.03 × 6.4516 ÷ 29.5735 = 0.0065 fl oz to a square inch. */
    @Test
    void whatItTakesIsToldInTheShopsUnits() {
        String one = material("Night paint", "PAINT", "amount", "8");
        assertThat(text(tablet.get(one))).contains("0.0065 fl oz for each sq in of cup");
        assertThat(tablet.send(one + "/weighed", typed("before", "2", "after", "1.5", "basis", "50")))
                .hasStatus(302);
        assertThat(shop.sql().queryForObject("SELECT area_cm2 FROM material_weighed", Double.class))
                .isCloseTo(322.58, within(1e-6));
    }

    /** The same paint at its step: from 2 to 1.5 fl oz is half of one, 14.79 ml (NIST SP 811). */
    @Test
    void aPackAtItsStepIsAskedForInTheSameUnits() {
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.empty()));
        String one = material("Night paint", "PAINT", "amount", "8");
        long paint = Long.parseLong(one.substring(one.lastIndexOf('/') + 1));
        String code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
        PlanStep step = shop.cup(code).cup().plan().stream()
                .filter(each -> MaterialKind.PAINT.isUsedBy(each.kind()))
                .findFirst()
                .orElseThrow();
        shop.bean(MaterialBook.class).choose(shop.cup(code).cup().id(), step, List.of(paint));
        String made = "/cups/%s/made".formatted(code);
        assertThat(text(tablet.get(made))).contains("fl oz in the pack");
        String weighed = "%s/%d/weighed/%d".formatted(made, step.number(), paint);
        assertThat(tablet.send(weighed, typed("weight", "2", "before", "on"))).hasStatus(302);
        assertThat(text(tablet.get(made))).contains("before 2 fl oz");
        assertThat(tablet.send(weighed, typed("weight", "1.5", "after", "on"))).hasStatus(302);
        assertThat(text(tablet.get(made))).contains("used 0.5 fl oz");
        assertThat(shop.sql().queryForObject("SELECT used FROM material_weighed", Double.class))
                .isCloseTo(14.787, within(0.001));
    }
}
