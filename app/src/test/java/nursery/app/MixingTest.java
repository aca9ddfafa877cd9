package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.stream.Stream;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.cups.LogBook;
import nursery.app.floor.Floors;
import nursery.app.shelf.ShelfBook;
import nursery.app.shelf.StockBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.log.LogEntry;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** The mixing bench: what it proposes, what it refuses, and what ends up in the cups' logs. */
@ExtendWith(ShopUnderTest.class)
class MixingTest {

    private static Running shop;
    private static Tablet tablet;
    private static CupBook cups;
    private static ShelfBook shelf;
    private long regular;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
        cups = running.bean(CupBook.class);
        shelf = running.bean(ShelfBook.class);
    }

    @BeforeEach
    void freshShop() {
        shop.empty();
        shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        shop.settle("UTC");
        regular = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
    }

    /** A cup whose flood coat can be poured now. */
    private String readyToFlood() {
        Instant now = shop.clock().instant();
        String code = shop.start("Winter sky", regular, now.minus(Duration.ofHours(8)));
        LogBook log = shop.bean(LogBook.class);
        for (int step = 1; step <= 4; step++) {
            log.add(code, shop.entry(code, step, now.minus(Duration.ofMinutes(480 - 60 * step)), 1), true);
        }
        return code;
    }

    private String startMix(String... codes) {
        Map<String, String> typed = typed("resin", "" + regular);
        for (String code : codes) {
            typed.put("pick-" + code, "on");
        }
        return tablet.send("/mix", typed, "Mira").getResponse().getRedirectedUrl();
    }

    /** Two shares of 22.5 ml, 2.1 ml of losses: 47.1, on 2.5 ml marks at 1:1 that is 25 + 25. */
    @Test
    void coatsThatAreDueAreProposedAsOneMix() {
        String first = readyToFlood();
        String second = readyToFlood();
        assertThat(tablet.page("/mix"))
                .contains(first)
                .contains(second)
                .contains("A to 25 ml, then B to 50 ml")
                .contains("One mix reaches all 2 cups")
                .contains("carries up to");
    }

    @Test
    void aShareThatIsChangedChangesTheWholeSheet() {
        String code = readyToFlood();
        assertThat(tablet.page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&share-" + code + "=40"))
                .contains("A to 22.5 ml, then B to 45 ml");
        assertThat(tablet.page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&by=scale"))
                .contains("The scale shows")
                .contains("off by <b>20 %</b>");
    }

    @Test
    void whileOnlySharesChangeOnlyTheirRowsAreSent() {
        String first = readyToFlood();
        String second = readyToFlood();
        String query = "/mix/sheet?resin=" + regular + "&pick-" + first + "=on&pick-" + second + "=on";
        String whole = tablet.page(query);
        String shown = whole.replaceAll("(?s).*name=\"shown\" value=\"([^\"]*)\".*", "$1");
        String part = tablet.page(query + "&shown=" + shown + "&share-" + second + "=30");
        assertThat(part)
                .contains("id=\"sheet-head\"")
                .contains("id=\"check-" + second)
                .contains("A to 27.5 ml, then B to 55 ml")
                .doesNotContain("id=\"check-" + first)
                .doesNotContain("share-" + first);
        assertThat(tablet.page(query + "&shown=" + shown + "&share-" + second + "=-1"))
                .contains("id=\"sheet\"")
                .contains("must be more than 0");
        assertThat(tablet.page("/mix/sheet?resin=" + regular + "&pick-" + first + "=on&shown=" + shown))
                .as("a cup less")
                .contains("id=\"sheet\"");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "0|must be more than 0",
                "-5|must be more than 0",
                "600|at most 500",
                "NaN|is not a number",
                "twenty|is not a number"
            })
    void aShareThatIsNoneIsToldAndNothingIsStarted(String share, String reason) {
        String code = readyToFlood();
        assertThat(tablet.page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&share-" + code + "=" + share))
                .contains(reason);
        MvcTestResult result =
                tablet.send("/mix", typed("resin", "" + regular, "pick-" + code, "on", "share-" + code, share), "Mira");
        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(reason);
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM batch", Integer.class))
                .isZero();
    }

    @Test
    void aMixWithoutACoatIsRefused() {
        readyToFlood();
        assertThat(text(tablet.send("/mix", typed("resin", "" + regular), "Mira")))
                .contains("pick at least one");
    }

    @Test
    void aShareTheTurnerCannotCarryIsSaidToSag() {
        String code = readyToFlood();
        assertThat(tablet.page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&share-" + code + "=120"))
                .contains("runs faster than the cup turns")
                .contains("3 fillings");
    }

    /** As if every label had been copied so from the beginning. */
    private static void rewrite(String columns) {
        shop.sql().update("UPDATE resin_edition SET " + columns);
        shop.sql().update("UPDATE stamp SET version = version + 1");
    }

    @Test
    void aResinWithoutDensitiesCannotBeWeighed() {
        String code = readyToFlood();
        rewrite("density_a = NULL, density_b = NULL");
        assertThat(tablet.page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&by=scale"))
                .contains("By scale needs densities");
        String mix = startMix(code);
        assertThat(tablet.page(mix + "/judge?by=scale&partA=14&partB=26"))
                .contains("a weight says nothing about its volume");
    }

    @Test
    void fromTheSheetToTheLog() {
        String first = readyToFlood();
        String second = readyToFlood();
        String mix = startMix(first, second);
        assertThat(mix).matches("/mix/\\d+");
        assertThat(tablet.send(mix + "/pour", typed("cup", first, "amount", "22", "spindle", ""), "Mira"))
                .hasStatus(422);
        assertThat(tablet.page(mix + "/judge?partA=25&partB=22"))
                .contains("Do not use")
                .contains("12 % too little hardener")
                .contains("Add <span>3 ml</span> of B");
        assertThat(text(tablet.send(mix + "/mixed", typed("partA", "25", "partB", "22"), "Mira")))
                .contains("Do not use it")
                .contains("value=\"22\"");
        assertThat(tablet.send(mix + "/mixed", typed("partA", "25", "partB", "25"), "Mira"))
                .hasStatus(302);
        assertThat(text(tablet.send(mix + "/mixed", typed("partA", "25", "partB", "25"), "Jonas")))
                .contains("its clock runs");
        String spindle = "" + shop.shelf().spindles().get(0).id();
        assertThat(tablet.send(mix + "/pour", typed("cup", first, "amount", "23", "spindle", spindle), "Mira"))
                .hasStatus(302);
        assertThat(text(tablet.send(mix + "/pour", typed("cup", first, "amount", "23", "spindle", spindle), "Jonas")))
                .contains("already logged")
                .contains("Mira wrote it");
        long number = Long.parseLong(mix.substring(5));
        assertThat(shop.cup(first).state().newestCoat().orElseThrow().pour())
                .extracting(LogEntry.Poured::batch)
                .isEqualTo(OptionalLong.of(number));
        assertThat(tablet.page("/cups/" + first)).contains(", mix " + number);
        assertThat(text(tablet.send(mix + "/close", typed("leftover", "900"), "Mira")))
                .contains("cannot be left: what was mixed, less what went on the cups, is 27 ml");
        assertThat(tablet.send(mix + "/close", typed("leftover", "24"), "Mira")).hasStatus(302);
        assertThat(text(tablet.send(mix + "/pour", typed("cup", second, "amount", "23", "spindle", ""), "Mira")))
                .contains("This batch is closed");
        assertThat(shop.cup(second).state().coats()).hasSize(1);
    }

    /** By scale: 25 ml of A at 1.15 g/ml is 28.75 g; 25 ml of B at 0.96 on top makes 52.75. */
    @Test
    void whatTheScaleShowedIsTurnedIntoVolumes() {
        String mix = startMix(readyToFlood());
        assertThat(tablet.page(mix + "/judge?by=scale&partA=28.75&partB=52.75"))
                .contains("Fine.")
                .contains("Right on the ratio");
        assertThat(tablet.page(mix + "/judge?by=scale&partA=28.75&partB=57.5")).contains("Do not use");
        assertThat(tablet.page(mix + "/judge?by=scale&partA=28.75&partB=20")).contains("must show more than after A");
    }

    @Test
    void twoMakersStartingTheSameCoatTheSecondIsTold() {
        String code = readyToFlood();
        String mix = startMix(code);
        MvcTestResult second = tablet.send("/mix", typed("resin", "" + regular, "pick-" + code, "on"), "Jonas");
        assertThat(second).hasStatus(422);
        assertThat(text(second)).contains("Mira started mixing for this coat").contains("mix " + mix.substring(5));
    }

    @Test
    void aRatioCorrectedLaterDoesNotChangeWhatWasMeasured() {
        String mix = startMix(readyToFlood());
        rewrite("ratio = '2:1'");
        assertThat(tablet.page(mix + "/judge?partA=25&partB=25")).contains("Fine.");
    }

    @Test
    void theSheetPrintsOnOnePage() throws Exception {
        String[] codes = Stream.generate(this::readyToFlood).limit(12).toArray(String[]::new);
        String mix = startMix(codes);
        assertThat(tablet.page(mix + "/print"))
                .contains(codes[0])
                .contains(codes[11])
                .contains("A up to")
                .contains("safety data sheet");
        byte[] pdf = tablet.get(mix + "/sheet.pdf").getResponse().getContentAsByteArray();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            String text = new PDFTextStripper().getText(document);
            assertThat(text).contains(codes).contains("Equal weights are not equal volumes");
        }
    }

    @Test
    void turnersAndMeasuringCupsAreKept() {
        assertThat(tablet.send("/shelf/turners", typed("turner", "Old motor", "rpm", "2.5", "spindles", "2"), "Mira"))
                .hasStatus(302);
        assertThat(shop.shelf().turners()).anySatisfy(turner -> assertThat(turner.spindles())
                .extracting(spindle -> spindle.name())
                .containsExactly("Old motor-1", "Old motor-2"));
        assertThat(text(tablet.send(
                        "/shelf/turners", typed("turner", "Old motor", "rpm", "900", "spindles", "1.5"), "Mira")))
                .contains("1 to 24 spindles");
        assertThat(text(tablet.send("/shelf/turners", typed("turner", "Fast", "rpm", "900", "spindles", "1"), "Mira")))
                .contains("between 0.2 and 60");
        shop.sql().update("DELETE FROM spindle WHERE name LIKE 'Old%'");
        shop.sql().update("DELETE FROM turner WHERE name = 'Old motor'");
        assertThat(text(tablet.send(
                        "/shelf/measuring-cups",
                        typed("cupName", "odd", "cupMl", "10", "markMl", "8", "bottomMm", "30", "topMm", "40"),
                        "Mira")))
                .contains("Marks must lie closer");
        assertThat(tablet.send(
                        "/shelf/measuring-cups",
                        typed("cupName", "fine", "cupMl", "30", "markMl", "1", "bottomMm", "26", "topMm", "1 1/4 in"),
                        "Mira"))
                .hasStatus(302);
        assertThat(shop.shelf().measuringCups())
                .anySatisfy(cup -> assertThat(cup.cup().topDiameterMm()).isEqualTo(31.75));
        shop.sql().update("DELETE FROM measuring_cup WHERE name = 'fine'");
    }

    private void bottle(String part, String lot, String holds) {
        assertThat(tablet.send(
                        "/shelf/bottles", typed("resin", "" + regular, "part", part, "lot", lot, "holds", holds)))
                .hasStatus(302);
    }

    private double leftMl(String lot) {
        return shop.bean(StockBook.class).bottles().stream()
                .map(StockBook.StockedBottle::bottle)
                .filter(bottle -> bottle.lot().equals(lot))
                .findFirst()
                .orElseThrow()
                .leftMl();
    }

    @Test
    void aMixIsTakenOutOfTheBottlesAndItsPageNamesTheLots() {
        String code = readyToFlood();
        bottle("A", "R-1", "20");
        bottle("A", "R-2", "500");
        bottle("B", "H-1", "16 fl oz");
        String mix = startMix(code);
        assertThat(leftMl("R-1")).as("nothing is drawn before it is measured").isEqualTo(20);
        assertThat(tablet.send(mix + "/mixed", typed("partA", "25", "partB", "25")))
                .hasStatus(302);
        assertThat(leftMl("R-1")).isZero();
        assertThat(leftMl("R-2")).isEqualTo(495);
        assertThat(leftMl("H-1")).as("NIST SP 811: 1 fl oz is 29.5735 ml").isCloseTo(16 * 29.5735 - 25, within(0.01));
        assertThat(tablet.page(mix))
                .contains("A lot R-1 (20 ml)")
                .contains("A lot R-2 (5 ml)")
                .contains("B lot H-1 (25 ml)");
    }

    @Test
    void bottlesTooEmptyForAMixAreNamedAndDoNotStopIt() {
        String code = readyToFlood();
        bottle("A", "R-1", "500");
        bottle("B", "H-1", "10");
        assertThat(tablet.page("/mix")).contains("the bottles of <b>B</b> are <b>2.5 ml</b> short of this mix");
        String mix = startMix(code);
        assertThat(tablet.send(mix + "/mixed", typed("partA", "12.5", "partB", "12.5")))
                .hasStatus(302);
        assertThat(leftMl("H-1")).isZero();
    }

    @Test
    void aLookIntoTheBottleCorrectsTheBook() {
        bottle("A", "R-1", "500");
        long id = shop.bean(StockBook.class).bottles().get(0).bottle().id();
        assertThat(tablet.send("/shelf/bottles/" + id, typed("left-" + id, "420")))
                .hasStatus(302);
        assertThat(leftMl("R-1")).isEqualTo(420);
        MvcTestResult result = tablet.send("/shelf/bottles/" + id, typed("left-" + id, "600"));
        assertThat(text(result)).contains("must lie between 0 and 500 ml").contains("value=\"600\"");
        assertThat(text(tablet.send("/shelf/bottles", typed("part", "C", "lot", "", "holds", "-3"))))
                .contains("The resin: choose one")
                .contains("The lot is missing")
                .contains("choose one of those offered");
        assertThat(leftMl("R-1")).isEqualTo(420);
    }

    @Test
    void whatWasMeasuredWrongIsThrownAwayAndTheCoatIsFreeAgain() {
        String code = readyToFlood();
        bottle("A", "R-1", "500");
        String mix = startMix(code);
        assertThat(text(tablet.send(mix + "/throw-away", typed("wasteA", "12.5", "wasteB", "-1"))))
                .contains("B thrown away")
                .contains("value=\"-1\"");
        assertThat(tablet.send(mix + "/throw-away", typed("wasteA", "12.5", "wasteB", "15")))
                .hasStatus(302);
        assertThat(leftMl("R-1")).isEqualTo(487.5);
        assertThat(tablet.page(mix)).contains("Measured and thrown away").contains("27.5 ml");
        assertThat(startMix(code)).matches("/mix/\\d+").isNotEqualTo(mix);
    }

    /** P7, common practice: a wave of 20 ml with 5 split off and tinted white. */
    @Test
    void aSplitIsOnTheSheetInTheGuideAndInTheLog() {
        String code = readyToFlood();
        Map<String, String> typed = typed(
                "resin",
                "" + regular,
                "pick-" + code,
                "on",
                "share-" + code,
                "20",
                "aside-" + code,
                "5",
                "tint-" + code,
                "white tint");
        String mix = tablet.send("/mix", typed).getResponse().getRedirectedUrl();
        assertThat(tablet.page(mix))
                .contains("For " + code + " set aside and stir in white tint")
                .contains("5 ml of it with white tint stirred in");
        assertThat(tablet.page(mix + "/print")).contains("5 ml: white tint");
        tablet.send(mix + "/mixed", typed("partA", "12.5", "partB", "12.5"));
        tablet.send(
                mix + "/pour",
                typed(
                        "cup",
                        code,
                        "amount",
                        "20",
                        "spindle",
                        "" + shop.shelf().spindles().get(0).id()));
        assertThat(shop.cup(code)
                        .state()
                        .newestCoat()
                        .orElseThrow()
                        .pour()
                        .mark()
                        .note())
                .isEqualTo("5 ml of it with white tint stirred in.");
    }

    @Test
    void glitterInTheClearAndWhiteAsideAreTwoThingsOfOneShare() {
        String code = readyToFlood();
        Map<String, String> typed = typed(
                "resin",
                "" + regular,
                "pick-" + code,
                "on",
                "share-" + code,
                "20",
                "tint-" + code,
                "fine glitter",
                "aside-" + code + "-2",
                "5",
                "tint-" + code + "-2",
                "white tint");
        typed.put("aside-" + code, "18");
        MvcTestResult refused = tablet.send("/mix", typed);
        assertThat(text(refused))
                .contains("23 ml set aside together are more than the share of 20 ml")
                .contains("white tint");
        typed.put("aside-" + code, "");
        String mix = tablet.send("/mix", typed).getResponse().getRedirectedUrl();
        assertThat(tablet.page(mix))
                .contains("15 ml of it with fine glitter, 5 ml of it with white tint stirred in.")
                .contains("For " + code + " set aside and stir in white tint");
        assertThat(tablet.page(mix + "/print")).contains("15 ml: fine glitter", "5 ml: white tint");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "25|white|cannot be set aside out of a share of 20 ml",
                "0|white|more than 0",
                "5||say what is stirred",
                "five|white|is not a number"
            })
    void aSplitThatCannotBeIsToldAndKept(String aside, String what, String reason) {
        String code = readyToFlood();
        MvcTestResult result = tablet.send(
                "/mix",
                typed(
                        "resin",
                        "" + regular,
                        "pick-" + code,
                        "on",
                        "share-" + code,
                        "20",
                        "aside-" + code,
                        aside,
                        "tint-" + code,
                        what == null ? "" : what));
        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(reason);
    }

    @Test
    void lossesAndPaceAreSettingsAndTheSheetFollows() {
        String code = readyToFlood();
        Map<String, String> settings = typed(
                "lengthUnit",
                "MM",
                "volumeUnit",
                "ML",
                "temperatureUnit",
                "C",
                "zone",
                "UTC",
                "clock",
                "H24",
                "weekStarts",
                "MONDAY",
                "quietFrom",
                "22:30",
                "quietUntil",
                "06:30",
                "lossFill",
                "6",
                "lossCup",
                "1",
                "minutesPerCup",
                "9.5");
        assertThat(tablet.send("/shop", settings)).hasStatus(302);
        assertThat(tablet.page("/mix"))
                .as("22.5 on the cup and 7 lost: 30 on marks of 2.5")
                .contains("A to 15 ml, then B to 30 ml")
                .contains("9.5 min a cup");
        settings.putAll(typed("lossFill", "-1", "minutesPerCup", "900"));
        assertThat(text(tablet.send("/shop", settings)))
                .contains("The time a cup takes is 900 min")
                .contains("What stays on a mixing cup is -1 ml")
                .contains("value=\"900\"");
        assertThat(tablet.page("/mix")).contains("9.5 min a cup").contains(code);
        settings.putAll(typed("volumeUnit", "FL_OZ", "lossFill", "6", "minutesPerCup", ""));
        assertThat(tablet.send("/shop", settings)).hasStatus(302);
        assertThat(shop.bean(Floors.class).ways().losses().perFillMl())
                .as("read in the unit the form was filled in")
                .isEqualTo(6);
    }

    @Test
    void theTurnerCheckSaysWhatIsCarriedAndWhatIsWrong() {
        String query = "/mix/turner?blank=" + shop.shelf().blanks().get(0).id() + "&resin=" + regular;
        assertThat(tablet.page(query + "&share=25&rpm=6&roomNow=22"))
                .contains("It holds")
                .contains("carries up to");
        assertThat(tablet.page(query + "&share=60&rpm=2&roomNow=28")).contains("It sags");
        assertThat(tablet.page(query + "&share=-1&rpm=900&roomNow=70"))
                .contains("The share is -1")
                .contains("The turner's speed is 900")
                .contains("The room is 70");
        assertThat(tablet.page(query + "&share=5&rpm=6&roomNow=22")).contains("brush lines stay");
        rewrite("viscosity = NULL");
        assertThat(tablet.page(query)).contains("states no viscosity");
    }
}
