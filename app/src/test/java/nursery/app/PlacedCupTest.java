package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.ShopUnderTest.Running;
import nursery.app.floor.Floors;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.NextAction;
import nursery.core.log.Pot;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Where;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** A cup of which each part is done differently: composed, started, written down, corrected, drawn and told. */
@ExtendWith(ShopUnderTest.class)
class PlacedCupTest {

    private static Running shop;
    private static Tablet tablet;

    private long blank;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
    }

    @BeforeEach
    void freshShop() {
        shop.empty();
        blank = shop.bean(ShelfBook.class)
                .addBlank(
                        "20 oz slim", new Blank(new Straight(205, 229.3), true, 0, 0, 0, OptionalDouble.of(20), true));
        shop.settle("UTC");
    }

    private static Map<String, String> blocks(String... more) {
        Map<String, String> form = typed(
                "base", "base-coated",
                "layer-0", "layer-glue-glitter",
                "where-0", "lower-half-and-base",
                "layer-1", "layer-glitter",
                "where-1", "upper-half",
                "layer-2", "layer-coat",
                "layer-3", "layer-coat",
                "layer-4", "layer-decal",
                "where-4", "band",
                "band-4", "60–120",
                "layer-5", "layer-wave",
                "where-5", "lower-third",
                "finish", "finish-two",
                "name", "Two halves");
        form.putAll(typed(more));
        return form;
    }

    private String compose(String... more) {
        String to =
                tablet.send("/techniques/compose", blocks(more)).getResponse().getRedirectedUrl();
        return to.substring(to.lastIndexOf('/') + 1);
    }

    private String start(String technique) {
        String resin = "" + shop.shelf().resins().get(0).id();
        Map<String, String> cup = typed(
                "name",
                "Two halves",
                "technique",
                technique,
                "blank",
                "" + blank,
                "base",
                resin,
                "paint",
                "#101020",
                "glitter",
                "#7733aa");
        String to = tablet.send("/cups/new", cup).getResponse().getRedirectedUrl();
        return to.substring(to.lastIndexOf('/') + 1);
    }

    /** What is read on a page. */
    private static String said(MvcTestResult page) {
        return text(page).replaceAll("(?s)<head.*?</head>|<[^>]*>", " ").replaceAll("\\s+", " ");
    }

    /** The fields of the composer's page that say what lies where. */
    private static Map<String, String> places(String page) {
        Map<String, String> places = new LinkedHashMap<>();
        Matcher selects = Pattern.compile("<select id=\"(where-[^\"]+)\".*?</select>", Pattern.DOTALL)
                .matcher(page);
        while (selects.find()) {
            Matcher chosen = Pattern.compile("value=\"([^\"]+)\" selected").matcher(selects.group());
            places.put(selects.group(1), chosen.find() ? chosen.group(1) : "");
        }
        return places;
    }

    @Test
    void takenApartEachBlockLiesWhereItWasPut() {
        String key = compose();
        String page = tablet.page("/techniques/compose?from=" + key);
        assertThat(places(page))
                .containsEntry("where-0", "lower-half-and-base")
                .containsEntry("where-1", "upper-half")
                .containsEntry("where-2", "usual")
                .containsEntry("where-4", "band")
                .containsEntry("where-5", "lower-third");
        assertThat(page).contains("name=\"band-4\" value=\"60–120\"");
        assertThat(tablet.page("/techniques/" + key))
                .contains("Brush on craft glue, lower half and base")
                .contains("Lay the decal, in a band");
        String file = text(tablet.get("/techniques/" + key + "/file"));
        assertThat(file).contains("\"place\" : \"60-120\"").contains("\"place\" : \"upper-half\"");
    }

    @Test
    void aBandThatIsNoneIsSaidAndWhatWasTypedStays() {
        for (String wrong : List.of("", "60", "90-90", "0-4000", "up to the middle")) {
            MvcTestResult refused = tablet.send("/techniques/compose", blocks("band-4", wrong));
            assertThat(refused).as(wrong).hasStatus(422);
            assertThat(text(refused)).contains("name=\"band-4\" value=\"" + wrong + "\"");
        }
        assertThat(text(tablet.send("/techniques/compose/draft", blocks("band-4", "90-90"))))
                .as("a draft is drawn while it is typed")
                .contains("From the steel outwards");
    }

    /** All of it in arrears, in one row, each at its own hour; then what it was is put right. */
    @Test
    void itIsWrittenAsOneRowAndPutRight() {
        String code = start(compose());
        Cup cup = shop.cup(code).cup();
        assertThat(tablet.page("/cups/" + code + "/row"))
                .as("two of the same kind are told apart")
                .contains("Glitter, lower half and base")
                .contains("Glitter, upper half");
        Map<String, String> row = new LinkedHashMap<>();
        Instant ended = write(cup, row);
        shop.clock().set(ended.plus(Duration.ofDays(1)));
        MvcTestResult written = tablet.send("/cups/" + code + "/row", row);
        assertThat(written.getResponse().getStatus() == 302 ? "" : said(written))
                .isEmpty();
        assertThat(shop.cup(code).state().isFinished()).isTrue();
        assertThat(shop.cup(code).state().concerns())
                .filteredOn(concern -> !concern.isAdvice())
                .isEmpty();
        String page = tablet.page("/cups/" + code);
        assertThat(page).contains("Lay the decal, in a band").contains("Lay the clear of the wave, lower third");
        // The wave's film lies on its own third: 10 ml on 157 cm², not on 512.
        LogEntry.Poured wave = shop.cup(code).cup().happened().stream()
                .filter(LogEntry.Poured.class::isInstance)
                .map(LogEntry.Poured.class::cast)
                .filter(pour -> shop.cup(code).cup().step(pour).kind() == StepKind.PARTIAL_COAT)
                .findFirst()
                .orElseThrow();
        assertThat(shop.cup(code).state().coats())
                .filteredOn(coat -> coat.pour().equals(wave))
                .singleElement()
                .satisfies(coat -> assertThat(coat.filmMm()).isCloseTo(wave.amountMl() / 15.67, within(0.01)));
        Map<String, String> right = typed(
                "amount",
                "" + wave.amountMl(),
                "spindle",
                "" + shop.shelf().spindles().get(0).id(),
                "instead",
                "this",
                "how.place",
                "band",
                "how.band",
                "0–100",
                "at",
                shop.bean(Floors.class).show().input(wave.mark().happenedAt()));
        assertThat(tablet.send("/cups/" + code + "/entries/" + wave.mark().id(), right))
                .hasStatus(302);
        assertThat(shop.cup(code).state().coats())
                .filteredOn(coat -> coat.step().kind() == StepKind.PARTIAL_COAT)
                .singleElement()
                .satisfies(coat -> {
                    assertThat(coat.step().how().where()).isEqualTo(Where.band(0, 100));
                    assertThat(coat.filmMm()).isCloseTo(wave.amountMl() / 22.93, within(0.01));
                });
        assertThat(tablet.page("/cups/" + code)).contains("band 0–100 mm");
    }

    /** A shop in inches reads and writes its bands in them. */
    @Test
    void aBandIsInTheShopsUnits() {
        String code = start(compose());
        shop.sql().update("UPDATE shop SET length_unit = 'IN'");
        assertThat(tablet.page("/techniques/compose?from=" + compose("band-4", "2 3/8 – 4 3/4", "name", "In inches")))
                .contains("value=\"2.375–4.75\"")
                .contains("in above the foot");
        assertThat(tablet.page("/cups/" + code)).doesNotContain("60–120 mm");
        shop.sql().update("UPDATE shop SET length_unit = 'MM'");
    }

    /** Writes every step of a cup as early as it may be done; when the last was. */
    private Instant write(Cup cup, Map<String, String> row) {
        RoomCourse room = shop.floor().air().course();
        Cup written = cup;
        Instant now = cup.startedAt();
        List<LogEntry> log = new ArrayList<>();
        while (true) {
            CupState state = written.at(room, now);
            Optional<NextAction> next = state.next();
            if (next.isEmpty()) {
                return now;
            }
            PlanStep step = next.get().step();
            Instant opens = next.get().window().opensAt();
            now = opens.isAfter(now) ? opens : now;
            int hands = step.kind() == StepKind.GLITTER ? 5 : step.kind().handsOnMinutes();
            now = now.plus(Duration.ofMinutes(step.kind().isPour() ? 1 : hands));
            Mark mark = new Mark(log.size() + 1L, now, now, "Mira", "");
            String of = "-" + step.number();
            row.put("step" + of, "on");
            row.put("at" + of, shop.bean(Floors.class).show().input(now));
            if (step.kind().isPour()) {
                double ml = step.role().filter(CoatRole.WAVE::equals).isPresent()
                        ? 10
                        : state.share(written, step, state.carrier(written, step, List.of(), 22))
                                .suggestedMl();
                row.put("spindle" + of, "" + shop.shelf().spindles().get(0).id());
                row.put("amount" + of, String.format(java.util.Locale.ROOT, "%.1f", ml));
                log.add(new LogEntry.Poured(
                        mark,
                        step.number(),
                        ml,
                        Optional.empty(),
                        Optional.of(Pot.of(cup.resinFor(step), OptionalLong.empty())),
                        Optional.empty()));
            } else {
                log.add(new LogEntry.StepDone(mark, step.number(), Optional.empty()));
            }
            written = written.withLog(log);
        }
    }
}
