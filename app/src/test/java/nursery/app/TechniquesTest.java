package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.shelf.ShelfBook;
import nursery.app.techniques.EditForm;
import nursery.app.techniques.TechniqueBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.log.LogEntry;
import nursery.core.log.NextAction;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** Techniques copied, changed and exchanged; cups started from them, followed, and led off the plan. */
@ExtendWith(ShopUnderTest.class)
class TechniquesTest {

    private static Running shop;
    private static Tablet tablet;
    private static CupBook cups;
    private static TechniqueBook techniques;
    private long regular;
    private long blank;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
        cups = running.bean(CupBook.class);
        techniques = running.bean(TechniqueBook.class);
    }

    @BeforeEach
    void freshShop() {
        shop.empty();
        ShelfBook shelf = shop.bean(ShelfBook.class);
        blank = shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        shop.settle("UTC");
        regular = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private Map<String, String> newCup(String... more) {
        Map<String, String> cup = typed(
                "name",
                "Night tram",
                "blank",
                "" + blank,
                "base",
                "" + regular,
                "paint",
                "#123456",
                "glitter",
                "#654321");
        for (int i = 0; i < more.length; i += 2) {
            cup.put(more[i], more[i + 1]);
        }
        return cup;
    }

    private String start(String technique, String... more) {
        Map<String, String> cup = newCup(more);
        cup.put("technique", technique);
        String to = tablet.send("/cups/new", cup).getResponse().getRedirectedUrl();
        return to.substring(to.lastIndexOf('/') + 1);
    }

    private List<PlanStep> planOf(String code) {
        return shop.cup(code).cup().plan();
    }

    private String next(String code) {
        return shop.cup(code).state().next().orElseThrow().title();
    }

    private MvcTestResult log(String code, String what, String... more) {
        Map<String, String> entry = typed(
                "what",
                what,
                "when",
                "0",
                "note",
                "",
                "step",
                ""
                        + shop.cup(code)
                                .state()
                                .next()
                                .map(action -> action.step().number())
                                .orElse(0));
        for (int i = 0; i < more.length; i += 2) {
            entry.put(more[i], more[i + 1]);
        }
        return tablet.send("/cups/" + code + "/log", entry);
    }

    private String copyOf(String key) {
        String to = tablet.send("/techniques/" + key + "/copy", typed())
                .getResponse()
                .getRedirectedUrl();
        return to.replaceAll("/techniques/(\\d+)/edit", "$1");
    }

    private Map<String, String> formOf(String key) {
        Map<String, String> form = new LinkedHashMap<>();
        String page = tablet.page("/techniques/" + key + "/edit");
        Matcher inputs = Pattern.compile("<input [^>]*?name=\"([^\"]+)\" value=\"([^\"]*)\"")
                .matcher(page);
        while (inputs.find()) {
            form.put(inputs.group(1), inputs.group(2));
        }
        Matcher selects = Pattern.compile("<select id=\"[^\"]+\" name=\"([^\"]+)\"[^>]*>(.*?)</select>", Pattern.DOTALL)
                .matcher(page);
        while (selects.find()) {
            Matcher chosen = Pattern.compile("value=\"([^\"]*)\" selected").matcher(selects.group(2));
            form.put(selects.group(1), chosen.find() ? chosen.group(1) : "");
        }
        form.put("about", "tried at the bench");
        form.put("token", UUID.randomUUID().toString());
        return form;
    }

    @Test
    void theShelfHoldsWhatShipsAndACopyBecomesOnesOwn() {
        assertThat(tablet.page("/techniques"))
                .contains("One-colour glitter")
                .contains("Waves in partial coats")
                .contains("Plain, hand-turned, minimal kit");
        assertThat(tablet.page("/techniques/peekaboo"))
                .contains("Lay the stencil")
                .contains("Two thin coats over stencil and cup")
                .contains("Removable vinyl")
                .contains("day 2");
        String key = copyOf("peekaboo");
        assertThat(techniques.find(key)).hasValueSatisfying(own -> {
            assertThat(own.own()).isTrue();
            assertThat(own.technique().name()).isEqualTo("Peekaboo, my way");
            assertThat(own.technique().parts())
                    .isEqualTo(techniques
                            .find("peekaboo")
                            .orElseThrow()
                            .technique()
                            .parts());
        });
        assertThat(techniques.find(copyOf("peekaboo")).orElseThrow().technique().name())
                .isEqualTo("Peekaboo, my way 2");
        assertThat(tablet.get("/techniques/peekaboo/edit"))
                .as("what ships is not changed")
                .hasStatus(404);
    }

    @Test
    void aTechniqueSavedAsAFileComesBackAsItWas() throws Exception {
        String file = tablet.get("/techniques/waves/file").getResponse().getContentAsString(StandardCharsets.UTF_8);
        MvcTestResult taken = upload(
                file.replace("Waves in partial coats", "Waves from next door").getBytes(StandardCharsets.UTF_8));
        assertThat(taken).hasStatus(302);
        String key = taken.getResponse().getRedirectedUrl().replace("/techniques/", "");
        assertThat(techniques.find(key).orElseThrow().technique().parts())
                .isEqualTo(techniques.find("waves").orElseThrow().technique().parts());
        assertThat(text(upload(file.getBytes(StandardCharsets.UTF_8))))
                .contains("There is a technique called “Waves in partial coats” already");
    }

    private static MvcTestResult upload(byte[] file) {
        return tablet.upload("/techniques/import", "t.json", file);
    }

    private static String file(String steps) {
        return "{\"format\":\"nursery-technique\",\"version\":1,\"name\":\"Tried\",\"steps\":[" + steps + "]}";
    }

    static Stream<Arguments> badFiles() {
        String wash = "{\"do\":\"wash\"}";
        return Stream.of(
                Arguments.of("an unknown step", file("{\"do\":\"microwave\"}"), List.of("steps[0].do")),
                Arguments.of(
                        "two faults at once",
                        file("{\"do\":\"wash\",\"wait\":{\"kind\":\"dry\",\"minutes\":-5}}," + wash
                                + ",{\"do\":\"bake\"}"),
                        List.of("steps[0].wait.minutes", "steps[2].do")),
                Arguments.of(
                        "a loop",
                        file("{\"repeat\":\"a\",\"least\":1,\"most\":2,\"usual\":1,"
                                + "\"steps\":[{\"repeat\":\"b\",\"least\":1,\"most\":2,\"usual\":1,\"steps\":["
                                + wash + "]}]}"),
                        List.of("steps[0].steps[0]")),
                Arguments.of(
                        "5,000 steps",
                        file(IntStream.range(0, 5000).mapToObj(i -> wash).collect(Collectors.joining(","))),
                        List.of("steps")),
                Arguments.of(
                        "too many by repeats",
                        file(IntStream.range(0, 30)
                                .mapToObj(i -> "{\"repeat\":\"r\",\"least\":1,\"most\":10,\"usual\":1,\"steps\":["
                                        + wash + "]}")
                                .collect(Collectors.joining(","))),
                        List.of("comes to 300 steps")),
                Arguments.of(
                        "a wait without its minutes",
                        file("{\"do\":\"wash\",\"wait\":{\"kind\":\"dry\"}}"),
                        List.of("minutes")),
                Arguments.of(
                        "a coat that says not which", file("{\"do\":\"flood-coat\"}"), List.of("is a coat: say which")),
                Arguments.of("a coat on a wash", file("{\"do\":\"wash\",\"coat\":\"flood\"}"), List.of("is no coat")),
                Arguments.of("an unknown field", file("{\"do\":\"wash\",\"colour\":\"red\"}"), List.of("colour")),
                Arguments.of(
                        "a repeat turned round",
                        file("{\"repeat\":\"a\",\"least\":3,\"most\":2,\"usual\":1,\"steps\":[" + wash + "]}"),
                        List.of("between its least and its most")),
                Arguments.of("no steps", file(""), List.of("steps")),
                Arguments.of(
                        "another format",
                        "{\"format\":\"recipe\",\"version\":1,\"name\":\"x\",\"steps\":[" + wash + "]}",
                        List.of("format")),
                Arguments.of("half a file", "{\"format\":\"nursery-technique\",", List.of("is not JSON at line 1")),
                Arguments.of(
                        "twice the same field",
                        "{\"format\":\"nursery-technique\",\"version\":1,\"name\":\"x\",\"name\":\"y\",\"steps\":["
                                + wash + "]}",
                        List.of("is not JSON", "name")),
                Arguments.of(
                        "not a number",
                        file("{\"do\":\"wash\",\"wait\":{\"kind\":\"age\",\"hours\":NaN}}"),
                        List.of("is not JSON")),
                Arguments.of("nothing", "", List.of("No file was chosen")));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("badFiles")
    void aFileThatCannotBeIsRefusedWithEveryFaultNamed(String what, String file, List<String> told) {
        MvcTestResult result = upload(file.getBytes(StandardCharsets.UTF_8));
        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(told);
        assertThat(techniques.own()).isEmpty();
    }

    @Test
    void aFileInAnotherEncodingOrOfAbsurdSizeIsRefused() {
        assertThat(text(upload(file("{\"do\":\"wash\",\"title\":\"Früh\"}").getBytes(StandardCharsets.ISO_8859_1))))
                .contains("is not UTF-8 text");
        assertThat(text(upload((file("{\"do\":\"wash\"}") + " ".repeat(300_000)).getBytes(StandardCharsets.UTF_8))))
                .contains("larger than 256 kB");
        assertThat(upload(("\ufeff" + file("{\"do\":\"wash\"}")).getBytes(StandardCharsets.UTF_8)))
                .as("a byte order mark does no harm")
                .hasStatus(302);
    }

    @Test
    void aTechniqueIsChangedStepByStepAndJudgedMeanwhile() {
        String key = copyOf("chunky-glitter");
        Map<String, String> form = formOf(key);
        assertThat(text(tablet.send("/techniques/" + key + "/draft", form))).contains("No problems found.");
        int seal = IntStream.range(0, 20)
                .filter(i -> "seal".equals(form.get("s" + i + ".do")))
                .findFirst()
                .orElseThrow();
        form.put("press", "remove-" + seal);
        assertThat(text(tablet.send("/techniques/" + key + "/draft", form)))
                .as("what waited for the sealer waits for the film instead; on epoxy flakes go unsealed every day")
                .contains("No problems found.")
                .doesNotContain("Seal the glitter</b>");
        form.remove("press");
        form.put("name", "Chunky, twice sealed");
        form.put("s" + seal + ".title", "Seal it well");
        assertThat(tablet.send("/techniques/" + key + "/edit", form)).hasStatus(302);
        assertThat(tablet.page("/techniques/" + key))
                .contains("Chunky, twice sealed")
                .contains("Seal it well");
        form.put("token", UUID.randomUUID().toString());
        form.put("name", "Chunky, at the same time");
        assertThat(text(tablet.send("/techniques/" + key + "/edit", form, "Jonas")))
                .contains("Someone changed or removed this technique")
                .contains("Chunky, at the same time");
    }

    @Test
    void aStepMovesUpDoublesAndANewOneIsPutInBelow() {
        String key = copyOf("hand-turned");
        Map<String, String> form = formOf(key);
        form.put("press", "up-1");
        assertThat(text(tablet.send("/techniques/" + key + "/draft", form)).replaceAll("\\s+", " "))
                .containsSubsequence("Paint the base colour", "Scuff, clean and mask");
        form.put("press", "after-0");
        assertThat(text(tablet.send("/techniques/" + key + "/draft", form)))
                .containsSubsequence("Scuff, clean and mask", "A step", "choose", "Paint the base colour");
        form.put("press", "twice-1");
        assertThat(text(tablet.send("/techniques/" + key + "/draft", form)))
                .containsSubsequence("Paint the base colour", "Paint the base colour");
        form.put("press", "up-0");
        assertThat(tablet.send("/techniques/" + key + "/draft", form))
                .as("the first cannot go up")
                .hasStatus(200);
        form.put("press", "remove-9999999999");
        assertThat(tablet.send("/techniques/" + key + "/draft", form)).hasStatus(200);
    }

    @Test
    void whatIsWrongInTheEditorIsToldAtItsStepAndKept() {
        String key = copyOf("hand-turned");
        Map<String, String> form = formOf(key);
        form.putAll(Map.of("name", " ", "s1.wait", "dry", "s1.amount", "-20", "s2.coat", "", "s0.width", "90"));
        MvcTestResult result = tablet.send("/techniques/" + key + "/edit", form);
        assertThat(result).hasStatus(422);
        assertThat(text(result))
                .contains("The name is missing")
                .contains("The minutes to wait is -20")
                .contains("is a coat: choose which")
                .contains("The height is missing")
                .contains("value=\"-20\"");
        form.putAll(Map.of(
                "name",
                "ok",
                "s1.wait",
                "none",
                "s2.coat",
                "thin-clear",
                "s0.width",
                "",
                "s3.do",
                "repeat-from",
                "s3.title",
                "Turns",
                "s3.least",
                "1",
                "s3.usual",
                "two",
                "s3.most",
                "3"));
        form.put("token", UUID.randomUUID().toString());
        assertThat(text(tablet.send("/techniques/" + key + "/edit", form)))
                .contains("“two” is no number of times")
                .doesNotContain("Internal Server Error");
    }

    @Test
    void severalCupsAlikeAreStartedAtOnceEachWithItsOwnPlan() {
        Map<String, String> three = newCup("count", "3", "technique", "waves", "times-Further wave", "2");
        assertThat(tablet.send("/cups/new", three)).hasStatus(302);
        assertThat(shop.floor().cups()).hasSize(3).allSatisfy(cup -> {
            assertThat(cup.cup().about().technique()).isEqualTo("Waves in partial coats");
            assertThat(cup.cup().plan().stream().filter(step -> step.kind() == StepKind.PARTIAL_COAT))
                    .extracting(PlanStep::title)
                    .containsExactly(
                            "Lay the clear of the first wave",
                            "Lay the clear of a further wave (1 of 2)",
                            "Lay the clear of a further wave (2 of 2)");
        });
        for (String count : List.of("0", "-2", "25", "1.5", "many")) {
            assertThat(tablet.send("/cups/new", newCup("count", count))).hasStatus(422);
        }
        assertThat(shop.floor().cups()).hasSize(3);
    }

    @Test
    void twoSizesOfOneOrderAreStartedTogetherAndNumberedThrough() {
        long mug = shop.bean(ShelfBook.class)
                .addBlank("16 oz mug", new Blank(new Straight(118, 262), true, 5, 0, 34, OptionalDouble.of(16)));
        Map<String, String> order = newCup("count", "2", "also-" + mug, "1", "madeFor", "Tram society");
        assertThat(tablet.send("/cups/new", order)).hasStatus(302);
        assertThat(shop.floor().cups())
                .extracting(
                        cup -> cup.cup().about().name(),
                        cup -> cup.cup().about().blank())
                .containsExactlyInAnyOrder(
                        tuple("Night tram 1", "20 oz slim"),
                        tuple("Night tram 2", "20 oz slim"),
                        tuple("Night tram 3", "16 oz mug"));
        MvcTestResult refused = tablet.send("/cups/new", newCup("count", "20", "also-" + mug, "5"));
        assertThat(text(refused)).contains("25 cups cannot be started at once");
        assertThat(text(tablet.send("/cups/new", newCup("also-" + mug, "-1")))).contains("value=\"-1\"");
        assertThat(shop.floor().cups()).hasSize(3);
    }

    @Test
    void aPlanAgainstPracticeIsSaidBeforeTheCupIsStarted() {
        long fast = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Fast"))
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(tablet.page("/cups/new/plan?technique=ink-bloom&base=" + fast + "&blank=" + blank))
                .contains("A fast resin leaves the ink no time to spread: use a regular one here.");
        assertThat(tablet.page("/cups/new/plan?technique=ink-bloom&base=" + regular + "&blank=" + blank))
                .doesNotContain("goes against practice");
    }

    @Test
    void aTechniqueChangedOrRemovedLeavesItsCupsTheirPlans() {
        String key = copyOf("hand-turned");
        String code = start(key);
        List<PlanStep> before = planOf(code);
        Map<String, String> form = formOf(key);
        form.put("s0.title", "Scrub it");
        assertThat(tablet.send("/techniques/" + key + "/edit", form)).hasStatus(302);
        assertThat(planOf(code)).isEqualTo(before);
        assertThat(tablet.send("/techniques/" + key + "/remove", typed())).hasStatus(302);
        assertThat(techniques.find(key)).isEmpty();
        assertThat(planOf(code)).isEqualTo(before);
        assertThat(tablet.page("/cups/" + code)).contains("Plain, hand-turned, minimal kit, my way");
        assertThat(text(tablet.send("/techniques/waves/remove", typed()))).contains("ships with Nursery and stays");
    }

    @Test
    void aStepIsLeftOutWithAReasonWhichStaysInSight() {
        String code = start("hand-turned");
        assertThat(text(log(code, "SKIPPED"))).contains("why the step is left out");
        assertThat(log(code, "SKIPPED", "note", "came scuffed")).hasStatus(302);
        assertThat(next(code)).isEqualTo("Scuff, clean and mask, then paint the base colour");
        assertThat(tablet.page("/cups/" + code))
                .contains("left out: came scuffed", "Bare steel was not scuffed", "Put it in", "Done without");
        assertThat(text(log(code, "DONE"))).contains("It happened all the same, because");
        assertThat(log(code, "DONE", "why-STEEL_BARE", "came scuffed")).hasStatus(302);
        assertThat(shop.cup(code).state().next().orElseThrow().kind()).isEqualTo(NextAction.Kind.STEP);
    }

    @Test
    void aStepIsRepeatedAndAnExtraCoatPutInAndTheOldEntriesStand() {
        String code = start("hand-turned");
        log(code, "DONE");
        log(code, "DONE");
        int first = planOf(code).get(0).number();
        assertThat(tablet.send("/cups/" + code + "/plan", typed("edit", "repeat", "repeated", "" + first)))
                .hasStatus(302);
        assertThat(next(code)).isEqualTo("Scuff, clean and mask");
        assertThat(planOf(code))
                .hasSize(techniques
                                .find("hand-turned")
                                .orElseThrow()
                                .technique()
                                .parts()
                                .size()
                        + 1);
        assertThat(shop.cup(code).state().done()).hasSize(2);
        assertThat(tablet.send("/cups/" + code + "/plan", typed("edit", "coat")))
                .hasStatus(302);
        assertThat(next(code)).isEqualTo("Extra coat");
        assertThat(text(tablet.send("/cups/" + code + "/plan", typed("edit", "repeat", "repeated", "777"))))
                .contains("has no step 777");
    }

    /** P33: if it feels rough all over, do not sand, put on another coat. */
    @Test
    void roughIsOneTouchAwayFromAnotherCoat() {
        String code = start("one-colour-glitter");
        for (int i = 0; i < 6; i++) {
            shop.clock().forward(Duration.ofHours(i == 5 ? 5 : 4));
            boolean pour =
                    shop.cup(code).state().next().orElseThrow().step().kind().isPour();
            assertThat(log(
                            code,
                            pour ? "POURED" : "DONE",
                            "amount",
                            pour && i > 3 ? "20" : "1",
                            "spindle",
                            "",
                            "confirmed",
                            "on",
                            "why",
                            "test"))
                    .hasStatus(302);
        }
        assertThat(next(code)).isEqualTo("Trim the rim and sand");
        assertThat(tablet.page("/cups/" + code)).contains("Feels rough: coat again instead");
        tablet.send("/cups/" + code + "/plan", typed("edit", "coat"));
        assertThat(next(code)).isEqualTo("Extra coat");
        assertThat(tablet.page("/cups/" + code))
                .contains("In section")
                .contains("Flood coat (20 ml)")
                .contains("0.4 mm");
    }

    @Test
    void oneStepIsLoggedForSeveralCupsAllOrNone() {
        start("hand-turned", "count", "2");
        String third = start("hand-turned");
        List<String> codes =
                shop.floor().cups().stream().map(cup -> cup.cup().code()).toList();
        assertThat(tablet.page("/cups/together"))
                .contains("Scuff, clean and mask")
                .contains(codes);
        Map<String, String> all = typed("what", "DONE", "when", "0", "note", "outside");
        codes.forEach(code -> all.putAll(Map.of("cup-" + code, "on", "step-" + code, "1")));
        log(third, "DONE");
        MvcTestResult late = tablet.send("/cups/together", all, "Jonas");
        assertThat(late).hasStatus(422);
        assertThat(text(late))
                .contains(third + ": Scuff, clean and mask is already logged")
                .contains("Mira wrote it")
                .contains("value=\"outside\"");
        assertThat(shop.cup(codes.get(0)).cup().log()).isEmpty();
        all.remove("cup-" + third);
        assertThat(tablet.send("/cups/together", all, "Jonas")).hasStatus(302);
        assertThat(shop.floor().cups())
                .allSatisfy(cup -> assertThat(cup.state().done()).containsKey(1));
        assertThat(text(tablet.send("/cups/together", typed("what", "DONE", "when", "0"))))
                .contains("No cup is picked");
    }

    @Test
    void aCupHandedOverBeforeFullCureIsToldUntilWhen() {
        String code = start("hand-turned");
        while (shop.cup(code).state().next().isPresent()) {
            shop.clock().forward(Duration.ofHours(5));
            boolean pour =
                    shop.cup(code).state().next().orElseThrow().step().kind().isPour();
            log(code, pour ? "POURED" : "DONE", "amount", "10", "spindle", "", "confirmed", "on", "why", "test");
        }
        assertThat(log(code, "HANDED_OVER")).hasStatus(302);
        assertThat(shop.cup(code).state().handedOverAt()).isPresent();
        assertThat(tablet.page("/cups/" + code))
                .contains("Before full cure: it may dent, print and smell until then. Ready ");
        assertThat(text(log(code, "HANDED_OVER"))).contains("handed over already");
    }

    @Test
    void faultsSeenInARakingLightAreKept() {
        String code = start("ink-under-vinyl-matte");
        assertThat(text(log(code, "FAULTS_SEEN"))).contains("what was seen");
        assertThat(log(code, "FAULTS_SEEN", "note", "a dimple")).hasStatus(302);
        assertThat(shop.cup(code).cup().log())
                .singleElement()
                .extracting(LogEntry::kind)
                .isEqualTo(LogEntry.Kind.FAULTS_SEEN);
        assertThat(tablet.page("/cups/" + code)).contains("Not flawless");
    }

    @Test
    void whatIsInUseStaysOnTheShelf() {
        String code = start("hand-turned");
        assertThat(text(tablet.send("/shelf/blanks/" + blank + "/remove", typed())))
                .contains("in use by " + code)
                .contains("value=\"20 oz slim\"");
        assertThat(text(tablet.send("/shelf/resins/" + regular + "/remove", typed())))
                .contains("in use by " + code);
        ShelfBook shelf = shop.bean(ShelfBook.class);
        long spare = shelf.addBlank("spare", new Blank(new Straight(150, 200), false, 0, 0, 0, OptionalDouble.empty()));
        assertThat(tablet.send("/shelf/blanks/" + spare + "/remove", typed())).hasStatus(302);
        assertThat(shop.shelf().blank(spare)).isEmpty();
        long fast = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Fast"))
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(tablet.send("/shelf/resins/" + fast + "/remove", typed())).hasStatus(302);
        assertThat(shop.shelf().resin(fast)).isEmpty();
    }

    /** The chosen blocks as the composer's page has them. */
    private static Map<String, String> composed(String page) {
        Map<String, String> form = new LinkedHashMap<>();
        Matcher fields = Pattern.compile("<input type=\"(?:hidden|radio)\" name=\"(from|base|finish|layer-\\d)\""
                        + " value=\"([^\"]*)\"( checked)?")
                .matcher(page);
        while (fields.find()) {
            if (!fields.group(1).matches("base|finish") || fields.group(3) != null) {
                form.put(fields.group(1), fields.group(2));
            }
        }
        return form;
    }

    @Test
    void aShippedTechniqueIsTakenApartAndPutTogetherOtherwise() {
        Map<String, String> form = composed(tablet.page("/techniques/compose?from=waves"));
        assertThat(form)
                .containsEntry("base", "waves.0")
                .containsEntry("layer-0", "waves.1")
                .containsEntry("layer-1", "waves.2")
                .containsEntry("finish", "waves.3");
        form.put("press", "add-layer-slide");
        String page = text(tablet.send("/techniques/compose/draft", with(form)));
        assertThat(page).contains("Water-slide").contains("No problems found.");
        form = composed(page);
        form.putAll(Map.of("from", "waves", "base", "base-glitter", "finish", "finish-two", "name", "Tide"));
        String to = tablet.send("/techniques/compose", with(form)).getResponse().getRedirectedUrl();
        String key = to.substring(to.lastIndexOf('/') + 1);
        assertThat(techniques.find(key).orElseThrow().technique().blocks())
                .extracting(Technique.Block::title)
                .containsExactly(
                        "Fine glitter on a film", "Before Waves", "Waves", "Decals", "Water-slide", "Two last coats");
        assertThat(tablet.page("/techniques/" + key))
                .contains("Fine glitter on a film · ", "Change its blocks")
                .doesNotContain("Before Waves ·");
    }

    private static Map<String, String> with(Map<String, String> form) {
        Map<String, String> all = typed();
        all.putAll(form);
        return all;
    }

    @Test
    void aChangedStepStaysInItsBlockAndOneMovedOutOfOrderLosesThem() {
        String key = copyOf("smoke-stencil");
        List<Technique.Block> blocks =
                techniques.find(key).orElseThrow().technique().blocks();
        assertThat(blocks).hasSize(3);
        Map<String, String> form = formOf(key);
        form.put("press", "twice-1");
        Map<String, String> more = EditForm.pressed(form, "twice-1");
        assertThat(tablet.send("/techniques/" + key + "/edit", more)).hasStatus(302);
        assertThat(techniques.find(key).orElseThrow().technique().blocks())
                .extracting(Technique.Block::parts)
                .containsExactly(
                        blocks.get(0).parts() + 1,
                        blocks.get(1).parts(),
                        blocks.get(2).parts());
        Map<String, String> moved = formOf(key);
        for (int place = blocks.get(0).parts() + 1; place > 0; place--) {
            moved = EditForm.pressed(moved, "up-" + place);
        }
        assertThat(tablet.send("/techniques/" + key + "/edit", moved)).hasStatus(302);
        assertThat(techniques.find(key).orElseThrow().technique().blocks()).isEmpty();
        assertThat(tablet.page("/techniques/" + key)).doesNotContain("Change its blocks");
    }

    @Test
    void theEditorSetsTheRowsOfOtherSchoolsAside() {
        String page = tablet.page("/techniques/" + copyOf("one-colour-glitter") + "/edit");
        assertThat(page).contains("Also the 15 steps of other schools");
        assertThat(Pattern.compile("class=\"[^\"]*other-school").matcher(page).results())
                .hasSize(15);
        assertThat(tablet.page("/techniques/" + copyOf("waves") + "/edit")).doesNotContain("of other schools");
    }

    /** Eight layers of the longest kind are more steps than a technique has: it stays as it was, and says so. */
    @Test
    void howeverMuchIsAddedADraftAnswers() {
        List<String> layers = Pattern.compile("value=\"add-([^\"]+)\"")
                .matcher(tablet.page("/techniques/compose"))
                .results()
                .map(found -> found.group(1))
                .toList();
        assertThat(layers).hasSizeGreaterThan(5);
        for (String layer : layers) {
            Map<String, String> form = new LinkedHashMap<>();
            for (int i = 0; i < 7; i++) {
                form.put("layer-" + i, layer);
            }
            form.put("press", "add-" + layer);
            assertThat(tablet.send("/techniques/compose/draft", form)).as(layer).hasStatusOk();
        }
        assertThat(tablet.send("/techniques/compose/draft", Map.of("press", "add")))
                .hasStatusOk();
    }

    /** The table stands there once for what it says alike, and what the shop's own techniques wait longer for. */
    @Test
    void whatMayGoOnWhatIsShownWithTheShopsOwnHabits() {
        assertThat(tablet.page("/meets"))
                .contains("On craft glue, spray glue")
                .doesNotContain("What your own techniques");
        shop.bean(TechniqueBook.class)
                .add(
                        TechniqueBook.read(
                                """
                                {"format": "nursery-technique", "version": 2, "name": "Depot cream", "steps": [
                                  {"do": "prep", "cleaner": "soap"}, {"do": "paint"},
                                  {"do": "paint", "title": "Second colour",
                                   "wait": {"kind": "dry", "minutes": 90}}]}"""),
                        "Mira");
        assertThat(tablet.page("/meets"))
                .contains("What your own techniques wait longer")
                .contains("Depot cream")
                .contains("Second colour 60 min");
    }
}
