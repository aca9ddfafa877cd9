package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;

import jakarta.servlet.http.Cookie;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.stream.Stream;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.cups.Happening;
import nursery.app.cups.Happening.Kind;
import nursery.app.cups.LogBook;
import nursery.app.cups.NewCup;
import nursery.app.shelf.Shelf;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.log.LogEntry;
import nursery.core.technique.Schools;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.springframework.web.context.WebApplicationContext;

/** The mixing bench: what it proposes, what it refuses, and what ends up in the cups' logs. */
@ExtendWith(ShopUnderTest.class)
class MixingTest {

    private static Running shop;
    private static MockMvcTester web;
    private static CupBook cups;
    private static Shelf shelf;
    private long regular;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        web = MockMvcTester.from((WebApplicationContext) running.context(), builder -> builder.apply(springSecurity()).build());
        cups = running.bean(CupBook.class);
        shelf = running.bean(Shelf.class);
    }

    @BeforeEach
    void freshShop() {
        shop.empty();
        shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        shop.sql().update("INSERT INTO shop VALUES (1, 'MM', 'ML', 'C', 'UTC', '22:30', '06:30')");
        regular = shelf.resins().stream().filter(found -> found.name().startsWith("Regular")).findFirst().orElseThrow().id();
    }

    /** A cup whose flood coat can be poured now. */
    private String readyToFlood() {
        Instant now = shop.clock().instant();
        String code = cups.start(new NewCup("Winter sky", "", shelf.blanks().get(0).id(), regular, regular, Optional.empty(), "#112233", "#445566", Schools.of(), now.minus(Duration.ofHours(8))));
        LogBook log = shop.bean(LogBook.class);
        for (int step = 1; step <= 4; step++) {
            log.add(code, new Happening(step == 3 ? Kind.POURED : Kind.DONE, step, now.minus(Duration.ofMinutes(480 - 60 * step)), 1, Optional.empty(), "Mira", ""), true);
        }
        return code;
    }

    private static String text(MvcTestResult result) {
        try {
            return result.getResponse().getContentAsString().replace("&#39;", "'").replace('\u00a0', ' ');
        } catch (java.io.UnsupportedEncodingException e) {
            throw new IllegalStateException(e);
        }
    }

    private static String page(String path) {
        return text(web.get().uri(path).exchange());
    }

    private static Map<String, String> typed(String... pairs) {
        Map<String, String> typed = new LinkedHashMap<>(Map.of("token", UUID.randomUUID().toString()));
        for (int i = 0; i < pairs.length; i += 2) {
            typed.put(pairs[i], pairs[i + 1]);
        }
        return typed;
    }

    private static MvcTestResult send(String path, Map<String, String> typed, String maker) {
        var request = web.post().uri(path).with(csrf()).cookie(new Cookie("maker", maker));
        typed.forEach(request::param);
        return request.exchange();
    }

    private String startMix(String... codes) {
        Map<String, String> typed = typed("resin", "" + regular);
        for (String code : codes) {
            typed.put("pick-" + code, "on");
        }
        return send("/mix", typed, "Mira").getResponse().getRedirectedUrl();
    }

    /** Two shares of 22.5 ml, 2.1 ml of losses: 47.1, on 2.5 ml marks at 1:1 that is 25 + 25. */
    @Test
    void coatsThatAreDueAreProposedAsOneMix() {
        String first = readyToFlood();
        String second = readyToFlood();
        assertThat(page("/mix")).contains(first).contains(second).contains("A to 25 ml, then B to 50 ml").contains("One mix reaches all 2 cups").contains("carries up to");
    }

    @Test
    void aShareThatIsChangedChangesTheWholeSheet() {
        String code = readyToFlood();
        assertThat(page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&share-" + code + "=40")).contains("A to 22.5 ml, then B to 45 ml");
        assertThat(page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&by=scale")).contains("The scale shows").contains("off by <b>20 %</b>");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"0|must be more than 0", "-5|must be more than 0", "600|at most 500", "NaN|is not a number", "twenty|is not a number"})
    void aShareThatIsNoneIsToldAndNothingIsStarted(String share, String reason) {
        String code = readyToFlood();
        assertThat(page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&share-" + code + "=" + share)).contains(reason);
        MvcTestResult result = send("/mix", typed("resin", "" + regular, "pick-" + code, "on", "share-" + code, share), "Mira");
        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(reason);
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM batch", Integer.class)).isZero();
    }

    @Test
    void aMixWithoutACoatIsRefused() {
        readyToFlood();
        assertThat(text(send("/mix", typed("resin", "" + regular), "Mira"))).contains("pick at least one");
    }

    @Test
    void aShareTheTurnerCannotCarryIsSaidToSag() {
        String code = readyToFlood();
        assertThat(page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&share-" + code + "=120")).contains("runs faster than the cup turns").contains("3 fillings");
    }

    @Test
    void aResinWithoutDensitiesCannotBeWeighed() {
        String code = readyToFlood();
        shop.sql().update("UPDATE resin SET density_a = NULL, density_b = NULL");
        assertThat(page("/mix/sheet?resin=" + regular + "&pick-" + code + "=on&by=scale")).contains("By scale needs densities");
        String mix = startMix(code);
        assertThat(page(mix + "/judge?by=scale&partA=14&partB=26")).contains("a weight says nothing about its volume");
    }

    @Test
    void fromTheSheetToTheLog() {
        String first = readyToFlood();
        String second = readyToFlood();
        String mix = startMix(first, second);
        assertThat(mix).matches("/mix/\\d+");
        assertThat(send(mix + "/pour", typed("cup", first, "amount", "22", "spindle", ""), "Mira")).hasStatus(422);
        assertThat(page(mix + "/judge?partA=25&partB=22")).contains("Do not use").contains("12 % too little hardener").contains("Add <span>3 ml</span> of B");
        assertThat(text(send(mix + "/mixed", typed("partA", "25", "partB", "22"), "Mira"))).contains("Do not use it").contains("value=\"22\"");
        assertThat(send(mix + "/mixed", typed("partA", "25", "partB", "25"), "Mira")).hasStatus(302);
        assertThat(text(send(mix + "/mixed", typed("partA", "25", "partB", "25"), "Jonas"))).contains("its clock runs");
        String spindle = "" + shelf.spindles().get(0).id();
        assertThat(send(mix + "/pour", typed("cup", first, "amount", "23", "spindle", spindle), "Mira")).hasStatus(302);
        assertThat(text(send(mix + "/pour", typed("cup", first, "amount", "23", "spindle", spindle), "Jonas"))).contains("already logged").contains("Mira wrote it");
        long number = Long.parseLong(mix.substring(5));
        assertThat(cups.cup(first).orElseThrow().state().newestCoat().orElseThrow().pour()).extracting(LogEntry.Poured::batch).isEqualTo(OptionalLong.of(number));
        assertThat(page("/cups/" + first)).contains(", mix " + number);
        assertThat(text(send(mix + "/close", typed("leftover", "900"), "Mira"))).contains("cannot be left of");
        assertThat(send(mix + "/close", typed("leftover", "2"), "Mira")).hasStatus(302);
        assertThat(text(send(mix + "/pour", typed("cup", second, "amount", "23", "spindle", ""), "Mira"))).contains("This batch is closed");
        assertThat(cups.cup(second).orElseThrow().state().coats()).hasSize(1);
    }

    /** By scale: 25 ml of A at 1.15 g/ml is 28.75 g; 25 ml of B at 0.96 on top makes 52.75. */
    @Test
    void whatTheScaleShowedIsTurnedIntoVolumes() {
        String mix = startMix(readyToFlood());
        assertThat(page(mix + "/judge?by=scale&partA=28.75&partB=52.75")).contains("Fine.").contains("Right on the ratio");
        assertThat(page(mix + "/judge?by=scale&partA=28.75&partB=57.5")).contains("Do not use");
        assertThat(page(mix + "/judge?by=scale&partA=28.75&partB=20")).contains("must show more than after A");
    }

    @Test
    void twoMakersStartingTheSameCoatTheSecondIsTold() {
        String code = readyToFlood();
        String mix = startMix(code);
        MvcTestResult second = send("/mix", typed("resin", "" + regular, "pick-" + code, "on"), "Jonas");
        assertThat(second).hasStatus(422);
        assertThat(text(second)).contains("Mira started mixing for this coat").contains("mix " + mix.substring(5));
    }

    @Test
    void aRatioCorrectedLaterDoesNotChangeWhatWasMeasured() {
        String mix = startMix(readyToFlood());
        shop.sql().update("UPDATE resin SET ratio = '2:1' WHERE id = ?", regular);
        assertThat(page(mix + "/judge?partA=25&partB=25")).contains("Fine.");
    }

    @Test
    void theSheetPrintsOnOnePage() throws Exception {
        String[] codes = Stream.generate(this::readyToFlood).limit(12).toArray(String[]::new);
        String mix = startMix(codes);
        assertThat(page(mix + "/print")).contains(codes[0]).contains(codes[11]).contains("A up to").contains("safety data sheet");
        byte[] pdf = web.get().uri(mix + "/sheet.pdf").exchange().getResponse().getContentAsByteArray();
        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
            String text = new PDFTextStripper().getText(document);
            assertThat(text).contains(codes).contains("Equal weights are not equal volumes");
        }
    }

    @Test
    void turnersAndMeasuringCupsAreKept() {
        assertThat(send("/shelf/turners", typed("turner", "Old motor", "rpm", "2.5", "spindles", "2"), "Mira")).hasStatus(302);
        assertThat(shelf.turners()).anySatisfy(turner -> assertThat(turner.spindles()).extracting(spindle -> spindle.name()).containsExactly("Old motor-1", "Old motor-2"));
        assertThat(text(send("/shelf/turners", typed("turner", "Old motor", "rpm", "900", "spindles", "1.5"), "Mira"))).contains("1 to 24 spindles");
        assertThat(text(send("/shelf/turners", typed("turner", "Fast", "rpm", "900", "spindles", "1"), "Mira"))).contains("between 0.2 and 60");
        shop.sql().update("DELETE FROM spindle WHERE name LIKE 'Old%'");
        shop.sql().update("DELETE FROM turner WHERE name = 'Old motor'");
        assertThat(text(send("/shelf/measuring-cups", typed("cupName", "odd", "cupMl", "10", "markMl", "8", "bottomMm", "30", "topMm", "40"), "Mira"))).contains("Marks must lie closer");
        assertThat(send("/shelf/measuring-cups", typed("cupName", "fine", "cupMl", "30", "markMl", "1", "bottomMm", "26", "topMm", "1 1/4 in"), "Mira")).hasStatus(302);
        assertThat(shelf.measuringCups()).anySatisfy(cup -> assertThat(cup.cup().topDiameterMm()).isEqualTo(31.75));
        shop.sql().update("DELETE FROM measuring_cup WHERE name = 'fine'");
    }
}
