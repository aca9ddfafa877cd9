package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.setup.SecurityMockMvcConfigurers.springSecurity;

import java.io.IOException;
import java.io.StringReader;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.cups.Happening;
import nursery.app.cups.Happening.Kind;
import nursery.app.cups.LogBook;
import nursery.app.plan.PlanBook;
import nursery.app.shelf.Shelf;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.plan.Placement;
import nursery.core.plan.PlannedStep;
import nursery.core.plan.WeekPlan;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.mock.web.MockMultipartFile;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.springframework.web.context.WebApplicationContext;

/** The plan's pages: keeping it, wanting something otherwise, promising and importing orders, taking it away. It is Monday, 2 March 2026, 08:00. */
@Timeout(120)
@ExtendWith(ShopUnderTest.class)
class PlanPagesTest {

    private static Running shop;
    private static Tablet tablet;
    private static PlanBook plans;
    private static long resin;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
        plans = running.bean(PlanBook.class);
    }

    @BeforeEach
    void twoCups() {
        shop.empty();
        shop.settle("UTC");
        Shelf shelf = shop.bean(Shelf.class);
        shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        resin = shelf.resins().get(0).id();
        CupBook cups = shop.bean(CupBook.class);
        cups.start(shop.glitterCup("Winter sky", resin, shop.clock().instant()));
        cups.start(shop.glitterCup("Line 7 green", resin, shop.clock().instant()));
    }

    private static String location(MvcTestResult result) {
        assertThat(result).hasStatus(302);
        return String.valueOf(result.getResponse().getHeader("Location"));
    }

    private static String keep() {
        String change = location(tablet.send("/plan/want", typed("want", "BETTER")));
        tablet.send(change + "/keep", typed());
        return change;
    }

    private static PlannedStep first(String cup) {
        return plans.current().of(cup).get(0);
    }

    @Test
    void theWeekNamesEveryCupAndWhenItIsReady() {
        assertThat(tablet.page("/plan")).contains("A-01", "Winter sky", "A-02", "No plan is kept yet", "every promised cup in time", "ready ");
        assertThat(tablet.page("/plan?by=spindles&days=14")).contains("% taken").doesNotContain("Line 7 green");
        assertThat(tablet.get("/plan?days=-3&by=%3Cscript%3E")).hasStatusOk();
    }

    @Test
    void aPlanIsKeptAndStaysWhereItIsWhileTimePasses() {
        keep();
        List<PlannedStep> before = plans.current().steps();
        shop.clock().forward(Duration.ofHours(3));

        assertThat(plans.current().placements()).isEqualTo(before.stream().map(step -> new Placement(step.cup(), step.step().number(), step.begins())).toList());
        assertThat(plans.departures()).isEmpty();
        assertThat(tablet.page("/plan")).doesNotContain("No plan is kept yet");
    }

    @Test
    void whatIsLoggedOtherwiseIsADepartureToldOnTheBench() {
        keep();
        // The bench opens at 18:00; at 21:00 nothing is logged.
        shop.clock().set(Instant.parse("2026-03-02T21:00:00Z"));

        assertThat(plans.departures()).isNotEmpty();
        assertThat(tablet.page("/board")).contains("Life has departed from the plan", "was planned and is not logged");
        assertThat(tablet.page("/plan")).contains("What you see is the plan moved to fit");
        keep();
        assertThat(plans.departures()).isEmpty();
    }

    @Test
    void aStepIsPinnedOnlyOnceThePlanWithItIsKept() {
        keep();
        PlannedStep step = first("A-01");
        String change = location(tablet.send("/plan/want", typed("want", "PIN", "cup", "A-01", "step", "" + step.step().number(), "at", "2026-03-03T19:30")));

        assertThat(tablet.page(change)).contains("A-01 is pinned to Tue 19:30", "Keep this plan");
        assertThat(first("A-01").begins()).isEqualTo(step.begins());
        tablet.send(change + "/keep", typed());
        assertThat(first("A-01").begins()).isEqualTo("2026-03-03T19:30:00Z");
        assertThat(tablet.page("/plan/cup/A-01")).contains("you pinned it there", "Take the pin out");

        tablet.send(location(tablet.send("/plan/want", typed("want", "UNPIN", "cup", "A-01", "step", "" + step.step().number()))) + "/keep", typed());
        assertThat(plans.current().workshop().pins()).isEmpty();
    }

    @Test
    void aDroppedPlanChangesNothing() {
        keep();
        WeekPlan before = plans.current();
        String change = location(tablet.send("/plan/want", typed("want", "HOURS", "day", "2026-03-02", "hours", "")));
        assertThat(tablet.page(change)).contains("Away on Mon 2 Mar");
        tablet.send(change + "/drop", typed());

        assertThat(plans.current().placements()).isEqualTo(before.placements());
        assertThat(tablet.page(change)).contains("kept or dropped already");
        tablet.send(change + "/keep", typed());
        assertThat(plans.current().placements()).isEqualTo(before.placements());
    }

    @Test
    void whatWasProposedAWeekAgoAndNotKeptIsForgotten() {
        String kept = keep();
        String old = location(tablet.send("/plan/want", typed("want", "SPINDLE")));
        shop.clock().forward(Duration.ofDays(8));
        tablet.send("/plan/want", typed("want", "BETTER"));

        assertThat(tablet.get(old)).hasStatus(404);
        assertThat(tablet.get(kept)).hasStatusOk();
    }

    @Test
    void anEveningAwayIsKeptWithItsPlan() {
        keep();
        tablet.send(location(tablet.send("/plan/want", typed("want", "HOURS", "day", "2026-03-02", "hours", ""))) + "/keep", typed());

        assertThat(plans.current().steps()).allSatisfy(step -> assertThat(step.begins()).isAfterOrEqualTo(Instant.parse("2026-03-03T00:00:00Z")));
        assertThat(tablet.page("/plan/hours")).contains("Mon 2 Mar", "away");
        tablet.send("/plan/hours/usual", typed("day", "2026-03-02"));
        assertThat(tablet.page("/plan/hours")).doesNotContain("away</span>");
    }

    @Test
    void ofTwoMakersTheSecondGetsAPlanMadeAnew() {
        keep();
        String hers = location(tablet.send("/plan/want", typed("want", "HOURS", "day", "2026-03-02", "hours", "")));
        String his = location(tablet.send("/plan/want", typed("want", "HOURS", "day", "2026-03-03", "hours", "")));
        assertThat(location(tablet.send(hers + "/keep", typed()))).isEqualTo("/plan");

        String anew = location(tablet.send(his + "/keep", typed()));

        assertThat(anew).matches("/plan/changes/\\d+\\?others");
        assertThat(tablet.page(anew)).contains("Another plan was kept while you looked");
        tablet.send(anew.replace("?others", "") + "/keep", typed());
        assertThat(plans.current().steps()).allSatisfy(step -> assertThat(step.begins()).isAfterOrEqualTo(Instant.parse("2026-03-04T00:00:00Z")));
    }

    @Test
    void ofTenPressesAtOnceOneKeepsThePlan() throws Exception {
        String change = location(tablet.send("/plan/want", typed("want", "BETTER")));
        ExecutorService hands = Executors.newFixedThreadPool(10);
        try {
            List<Callable<MvcTestResult>> presses = IntStream.range(0, 10).mapToObj(i -> (Callable<MvcTestResult>) () -> tablet.send(change + "/keep", typed())).toList();
            for (Future<MvcTestResult> press : hands.invokeAll(presses)) {
                assertThat(press.get()).hasStatus(302);
            }
        } finally {
            hands.shutdownNow();
        }
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM week_plan WHERE state = 'KEPT'", Integer.class)).isEqualTo(1);
    }

    @Test
    void oneMoreSpindleIsAddedWithThePlanThatWantsIt() {
        int before = shop.bean(Shelf.class).spindles().size();
        String change = location(tablet.send("/plan/want", typed("want", "SPINDLE")));
        assertThat(shop.bean(Shelf.class).spindles()).hasSize(before);
        tablet.send(change + "/keep", typed());
        assertThat(shop.bean(Shelf.class).spindles()).hasSize(before + 1);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"PIN|A-01|1|2026-03-01T10:00|has passed", "PIN|A-01|1|yesterday|is not a time", "PIN|A-01|1|2027-03-01T10:00|half a year", "PIN|A-77|1|2026-03-03T10:00|No cup “A-77” is in the plan", "PIN|A-01|99|2026-03-03T10:00|done, or not in the plan",
            "PIN|A-01|-1|2026-03-03T10:00|done, or not in the plan", "NONSENSE|A-01|1||choose one of those offered"})
    void whatCannotBePinnedIsToldAndNothingChanges(String want, String cup, String step, String at, String told) {
        MvcTestResult result = tablet.send("/plan/want", typed("want", want, "cup", cup, "step", step, "at", at == null ? "" : at));

        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(told, "Nothing was changed");
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM week_plan", Integer.class)).isZero();
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"2026-03-03|25:00-26:00|is not a time of day", "2026-03-03|18-20, 19-21|overlap", "2026-02-03||outside the half year", "|18-20|Say which day", "soon||is not a date"})
    void hoursThatCannotBeAreTold(String day, String hours, String told) {
        MvcTestResult result = tablet.send("/plan/want", typed("want", "HOURS", "day", day == null ? "" : day, "hours", hours == null ? "" : hours));

        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(told);
    }

    @ParameterizedTest
    @CsvSource({"0", "10", "1.5", "much", "''"})
    void howMuchACupMattersIsAWholeNumberFromOneToNine(String matters) {
        assertThat(tablet.send("/plan/want", typed("want", "MATTERS", "cup", "A-01", "matters", matters))).hasStatus(422);
    }

    @Test
    void howMuchACupMattersIsKept() {
        tablet.send(location(tablet.send("/plan/want", typed("want", "MATTERS", "cup", "A-02", "matters", "5"))) + "/keep", typed());

        assertThat(plans.current().workshop().cups()).filteredOn(cup -> cup.code().equals("A-02")).singleElement().satisfies(cup -> assertThat(cup.matters()).isEqualTo(5));
    }

    @Test
    void benchHoursAreKeptAsWrittenOrComeBackWithTheirFaults() {
        MvcTestResult wrong = tablet.send("/plan/hours", typed("bench-1", "18:00", "booth-1", "9-17", "bench-2", "19-21"));
        assertThat(wrong).hasStatus(422);
        assertThat(text(wrong)).contains("Monday: “18:00” is not a stretch of hours", "19-21");

        tablet.send("/plan/hours", typed("bench-1", "19-21:30", "booth-1", "19-21"));
        assertThat(tablet.page("/plan/hours")).contains("19:00–21:30", "19:00–21:00");
        assertThat(plans.current().steps().get(0).begins()).isEqualTo("2026-03-02T19:00:00Z");
    }

    @Test
    void withoutAnyHoursThePlanSaysWhatIsMissing() {
        tablet.send("/plan/hours", typed());

        assertThat(tablet.page("/plan")).contains("No place was found for", "there are no bench hours at all");
        assertThat(tablet.page("/plan/cup/A-01")).contains("No place for", "Work it out");
        assertThat(tablet.get("/plan/cup/A-01/rescue")).hasStatusOk();
        assertThat(tablet.page("/plan/today")).contains("Nothing for your hands");
    }

    @Test
    void theDayNamesTheMixAndWhatToHaveReady() {
        WeekPlan plan = plans.current();
        String day = plan.mixes().get(0).at().toString().substring(0, 10);

        assertThat(tablet.page("/plan/today?day=" + day)).contains("<b>Mix ", "<span>Fast tumbler epoxy</span> for", "Resin for the next seven days", "buy ");
        assertThat(tablet.page("/plan/today?day=2026-03-02")).contains("Have ready:", "a vented booth, or outdoors", "18:00", "Not today: what then?");
        assertThat(tablet.get("/plan/today?day=nonsense")).hasStatusOk();
    }

    @Test
    void aCupsStepsSayWhyTheyStandWhereTheyStand() {
        assertThat(tablet.page("/plan/cup/A-01")).contains("your bench hours begin", "Move it", "Promised for Fri 20 Mar");
        assertThat(tablet.get("/plan/cup/A-99")).hasStatus(404);
    }

    private static final String[] ORDER = {"name", "Tram bell", "madeFor", "Heritage tram society", "count", "3", "technique", "one-colour-glitter", "resin", "", "blank", ""};

    private static Map<String, String> order(String... changes) {
        Map<String, String> order = typed(ORDER);
        order.put("resin", "" + resin);
        order.put("blank", "" + shop.bean(Shelf.class).blanks().get(0).id());
        order.putAll(typed(changes));
        return order;
    }

    private static String asked(Map<String, String> order) {
        StringBuilder query = new StringBuilder("/plan/order?");
        order.forEach((key, value) -> query.append(key).append('=').append(URLEncoder.encode(value, StandardCharsets.UTF_8)).append('&'));
        return tablet.page(query.toString());
    }

    @Test
    void anOrderIsPromisedOrNotAndAskingStartsNothing() {
        assertThat(asked(order("due", "2026-04-10"))).contains(">Yes<", "All 3 at full cure", "Nothing that is planned moves", "See the plan with them");
        // Full cure alone takes three days.
        assertThat(asked(order("due", "2026-03-04"))).contains(">No<");
        assertThat(shop.bean(CupBook.class).all()).hasSize(2);
    }

    @Test
    void anOrderIsTakenWithThePlanThatHasIt() {
        String change = location(tablet.send("/plan/order", order("due", "2026-04-10", "matters", "3")));

        assertThat(tablet.page(change)).contains("With 3 new cups");
        assertThat(shop.bean(CupBook.class).all()).hasSize(2);
        tablet.send(change + "/keep", typed());
        assertThat(plans.departures()).isEmpty();
        assertThat(shop.bean(CupBook.class).all()).hasSize(5).last().satisfies(cup -> {
            assertThat(cup.cup().name()).isEqualTo("Tram bell");
            assertThat(cup.cup().matters()).isEqualTo(3);
        });
    }

    @Test
    void anOrderDroppedStartsNothingAndOneWhoseBlankHasGoneIsRefused() {
        String dropped = location(tablet.send("/plan/order", order("due", "2026-04-10")));
        tablet.send(dropped + "/drop", typed());
        Shelf shelf = shop.bean(Shelf.class);
        long other = shelf.addBlank("12 oz slim", new Blank(new Straight(155, 207), true, 5, 0, 0, OptionalDouble.of(12)));
        String change = location(tablet.send("/plan/order", order("blank", "" + other)));
        shelf.removeBlank(other);

        assertThat(tablet.get(change)).hasStatus(422);
        MvcTestResult result = tablet.send(change + "/keep", typed());

        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains("No blank is called", "Nothing was changed");
        assertThat(shop.bean(CupBook.class).all()).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"count|0|not a whole number from 1 to 60", "count|61|not a whole number from 1 to 60", "count|two|", "count||is missing", "due|2026-03-01|is in the past", "name||The name is missing", "technique|magic|No technique is called “magic”", "blank|999|No blank is called “999”", "matters|12|not a whole number from 1 to 9"})
    void anOrderWithAFaultComesBackAndStartsNothing(String field, String value, String told) {
        MvcTestResult result = tablet.send("/plan/order", order(field, value == null ? "" : value));

        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(told == null ? "" : told);
        assertThat(shop.bean(CupBook.class).all()).hasSize(2);
    }

    private static MvcTestResult upload(String csv) {
        MockMvcTester web = MockMvcTester.from((WebApplicationContext) shop.context(), builder -> builder.apply(springSecurity()).build());
        return web.post().uri("/plan/import").multipart().file(new MockMultipartFile("file", "orders.csv", "text/csv", csv.getBytes(StandardCharsets.UTF_8))).param("token", UUID.randomUUID().toString()).with(csrf()).exchange();
    }

    @Test
    void ordersComeFromAFileInAnyOrderOfColumns() {
        MvcTestResult result = upload("\ufeffcount;Made for;name;Technique;blank;resin;due\n2;Seed-library fair;Foxglove;one-colour glitter;20 oz slim;regular tumbler epoxy;2026-04-20\n1;;\"Bean; runner\";One-colour glitter;20 OZ SLIM;Regular tumbler epoxy;\n");

        String change = location(result);
        assertThat(tablet.page(change)).contains("2 new cups, Foxglove", "1 new cup, Bean; runner");
        tablet.send(change + "/keep", typed());
        assertThat(plans.departures()).isEmpty();
        assertThat(shop.bean(CupBook.class).all()).extracting(cup -> cup.cup().name()).containsExactly("Winter sky", "Line 7 green", "Foxglove", "Foxglove", "Bean; runner");
    }

    @Test
    void everyBadRowIsNamedAndNoneIsTaken() {
        String told = text(upload("name,technique,blank,resin,count,due\nFoxglove,one-colour-glitter,20 oz slim,Regular tumbler epoxy,1,\nNo blank,one-colour-glitter,99 oz,Regular tumbler epoxy,1,\nLate,one-colour-glitter,20 oz slim,Regular tumbler epoxy,0,31.3.2026\n"));

        assertThat(told).contains("Row 3: No blank is called “99 oz”", "Row 4: How many 0 is not a whole number", "Row 4: The due date “31.3.2026” is not a date");
        assertThat(shop.bean(CupBook.class).all()).hasSize(2);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', value = {"''|The file is empty", "name,count|No column is headed technique, blank, resin", "name,technique,blank,resin,count|headings and no orders"})
    void aFileThatCannotBeReadIsTold(String csv, String told) {
        assertThat(text(upload(csv.isEmpty() ? " \n" : csv))).contains(told);
    }

    @Test
    void theCalendarHoldsEachSessionOnce() throws IOException, ParserException {
        Calendar calendar = new CalendarBuilder().build(new StringReader(text(tablet.get("/plan/week.ics"))));

        List<VEvent> events = calendar.getComponents("VEVENT");
        assertThat(events).hasSize(plans.current().sessions().size());
        assertThat(events.get(0).getUid().orElseThrow().getValue()).isEqualTo("session-%s-%d@nursery.invalid".formatted(plans.current().steps().get(0).cup(), plans.current().steps().get(0).step().number()));
        assertThat(events.get(0).getComponents("VALARM")).hasSize(1);
    }

    @Test
    void theTableHasARowForEachStepOfWork() throws IOException {
        List<CSVRecord> rows = CSVParser.parse(text(tablet.get("/plan/week.csv")), CSVFormat.RFC4180).getRecords();

        assertThat(rows).hasSize(1 + (int) plans.current().steps().stream().filter(PlannedStep::isHandsOn).count());
        assertThat(rows.get(1).get(0)).isEqualTo("2026-03-02T18:00Z");
        assertThat(rows.get(1).get(2)).isEqualTo(plans.current().steps().get(0).cup());
    }

    @Test
    void theWeekSheetIsAPdfWithTheDays() throws IOException {
        byte[] pdf = tablet.get("/plan/week.pdf").getResponse().getContentAsByteArray();

        try (var document = Loader.loadPDF(pdf)) {
            assertThat(new PDFTextStripper().getText(document)).contains("The week from Mon 2 Mar", "A-01", "Every promised cup in time.");
        }
    }

    @Test
    void aFinishedCupLeavesThePlan() {
        CupBook cups = shop.bean(CupBook.class);
        LogBook log = shop.bean(LogBook.class);
        cups.cup("A-01").orElseThrow().file().plan().forEach(step -> {
            shop.clock().forward(Duration.ofHours(30));
            log.add("A-01", new Happening(step.kind().isPour() ? Kind.POURED : Kind.DONE, step.number(), shop.clock().instant(), 10, Optional.empty(), "Mira", ""), true);
        });

        assertThat(plans.current().workshop().cups()).extracting(cup -> cup.code()).containsExactly("A-02");
        assertThat(tablet.page("/plan")).doesNotContain("Winter sky");
    }
}
