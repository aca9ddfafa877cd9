package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import nursery.app.cups.CupBook;
import nursery.app.cups.LogBook;
import nursery.core.log.Cup;
import nursery.core.plan.Placement;
import nursery.core.plan.PlannedStep;
import nursery.core.plan.WeekPlan;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** The plan's pages: keeping a plan, wanting something otherwise, the hours at the bench. */
class PlanPagesTest extends PlannedShop {

    @Test
    void theWeekNamesEveryCupAndWhenItIsReady() {
        assertThat(tablet.page("/plan"))
                .contains("A-01", "Winter sky", "A-02", "No plan is kept yet", "every promised cup in time", "ready ");
        assertThat(tablet.page("/plan")).contains("Next at the bench", "min of work. First:");
        assertThat(tablet.page("/plan?by=spindles&days=14")).contains("% taken").doesNotContain("Line 7 green");
        assertThat(tablet.get("/plan?days=-3&by=%3Cscript%3E")).hasStatusOk();
    }

    @Test
    void aPlanIsKeptAndStaysWhereItIsWhileTimePasses() {
        keep();
        List<PlannedStep> before = shop.plan().steps();
        shop.clock().forward(Duration.ofHours(3));

        assertThat(shop.plan().placements())
                .isEqualTo(before.stream()
                        .map(step -> new Placement(step.cup(), step.step().number(), step.begins()))
                        .toList());
        assertThat(shop.departures()).isEmpty();
        assertThat(tablet.page("/plan")).doesNotContain("No plan is kept yet");
    }

    @Test
    void whatIsLoggedOtherwiseIsADepartureToldOnTheBench() {
        keep();
        // The bench opens at 18:00; at 21:00 nothing is logged.
        shop.clock().set(Instant.parse("2026-03-02T21:00:00Z"));

        assertThat(shop.departures()).isNotEmpty();
        assertThat(tablet.page("/board")).contains("The plan moved", "was planned and is not logged");
        assertThat(tablet.page("/plan")).contains("the plan below is moved to fit");
        keep();
        assertThat(shop.departures()).isEmpty();
    }

    @Test
    void aStepIsPinnedOnlyOnceThePlanWithItIsKept() {
        keep();
        PlannedStep step = first("A-01");
        String change = location(tablet.send(
                "/plan/want",
                typed("want", "PIN", "cup", "A-01", "step", "" + step.step().number(), "at", "2026-03-03T19:30")));

        assertThat(tablet.page(change)).contains("A-01 is pinned to Tue 19:30", "Keep this plan");
        assertThat(first("A-01").begins()).isEqualTo(step.begins());
        tablet.send(change + "/keep", typed());
        assertThat(first("A-01").begins()).isEqualTo("2026-03-03T19:30:00Z");
        assertThat(tablet.page("/plan/cup/A-01")).contains("you pinned it there", "Take the pin out");

        tablet.send(
                location(tablet.send(
                                "/plan/want",
                                typed(
                                        "want",
                                        "UNPIN",
                                        "cup",
                                        "A-01",
                                        "step",
                                        "" + step.step().number())))
                        + "/keep",
                typed());
        assertThat(shop.plan().workshop().pins()).isEmpty();
    }

    @Test
    void aDroppedPlanChangesNothing() {
        keep();
        WeekPlan before = shop.plan();
        String change = location(tablet.send("/plan/want", typed("want", "HOURS", "day", "2026-03-02", "hours", "")));
        assertThat(tablet.page(change)).contains("Away on Mon 2 Mar");
        tablet.send(change + "/drop", typed());

        assertThat(shop.plan().placements()).isEqualTo(before.placements());
        assertThat(tablet.page(change)).contains("kept or dropped already");
        tablet.send(change + "/keep", typed());
        assertThat(shop.plan().placements()).isEqualTo(before.placements());
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
        tablet.send(
                location(tablet.send("/plan/want", typed("want", "HOURS", "day", "2026-03-02", "hours", ""))) + "/keep",
                typed());

        assertThat(shop.plan().steps())
                .allSatisfy(step -> assertThat(step.begins()).isAfterOrEqualTo(Instant.parse("2026-03-03T00:00:00Z")));
        assertThat(tablet.page("/plan/hours")).contains("Mon 2 Mar", "away");
        tablet.send("/plan/hours/usual", typed("day", "2026-03-02"));
        assertThat(tablet.page("/plan/hours")).doesNotContain("away</span>");
    }

    /** A holiday is one touch: each of its days is away, and told as one. */
    @Test
    void aHolidayIsEachOfItsDaysAway() {
        keep();
        String change = location(tablet.send(
                "/plan/want", typed("want", "HOURS", "day", "2026-03-03", "until", "2026-03-08", "hours", "")));
        assertThat(tablet.page(change)).contains("Away from Tue 3 Mar to Sun 8 Mar");
        tablet.send(change + "/keep", typed());
        assertThat(shop.plan().steps())
                .filteredOn(PlannedStep::isHandsOn)
                .noneMatch(step -> step.begins().isAfter(Instant.parse("2026-03-03T00:00:00Z"))
                        && step.begins().isBefore(Instant.parse("2026-03-09T00:00:00Z")));
        assertThat(tablet.page("/plan/hours")).contains("Tue 3 Mar", "Sun 8 Mar");
        assertThat(tablet.send(
                        "/plan/want", typed("want", "HOURS", "day", "2026-03-08", "until", "2026-03-03", "hours", "")))
                .bodyText()
                .contains("It ends on Tue 3 Mar, before it begins.");
        assertThat(tablet.send(
                        "/plan/want", typed("want", "HOURS", "day", "2026-03-08", "until", "2036-03-03", "hours", "")))
                .bodyText()
                .contains("outside the half year");
    }

    /** What lies before the evening stays where it was; what moves is counted first, and drawn day by day. */
    @Test
    void anEveningAwayMovesNothingBeforeIt() {
        keep();
        List<PlannedStep> before = shop.plan().steps();
        LocalDate away = before.stream()
                .map(step -> step.begins().atZone(ZoneOffset.UTC).toLocalDate())
                .distinct()
                .skip(1)
                .findFirst()
                .orElseThrow();
        String change = location(tablet.send("/plan/want", typed("want", "HOURS", "day", "" + away, "hours", "")));

        String page = tablet.page(change);
        assertThat(page.indexOf("move")).isPositive().isLessThan(page.indexOf("late</span>"));
        assertThat(page).contains("Above as it is, below as it would be", "everything stays.", "→ none");
        tablet.send(change + "/keep", typed());
        Instant from = away.atStartOfDay(ZoneOffset.UTC).toInstant();
        WeekPlan after = shop.plan();
        assertThat(before)
                .filteredOn(step -> step.begins().isBefore(from))
                .isNotEmpty()
                .allSatisfy(
                        step -> assertThat(after.find(step.cup(), step.step().number())
                                        .orElseThrow()
                                        .begins())
                                .isEqualTo(step.begins()));
        assertThat(after.steps())
                .filteredOn(PlannedStep::isHandsOn)
                .noneMatch(step ->
                        step.begins().atZone(ZoneOffset.UTC).toLocalDate().equals(away));
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
        assertThat(shop.plan().steps())
                .allSatisfy(step -> assertThat(step.begins()).isAfterOrEqualTo(Instant.parse("2026-03-04T00:00:00Z")));
    }

    @Test
    void ofTenPressesAtOnceOneKeepsThePlan() throws Exception {
        String change = location(tablet.send("/plan/want", typed("want", "BETTER")));
        ExecutorService hands = Executors.newFixedThreadPool(10);
        try {
            List<Callable<MvcTestResult>> presses = IntStream.range(0, 10)
                    .mapToObj(i -> (Callable<MvcTestResult>) () -> tablet.send(change + "/keep", typed()))
                    .toList();
            for (Future<MvcTestResult> press : hands.invokeAll(presses)) {
                assertThat(press.get()).hasStatus(302);
            }
        } finally {
            hands.shutdownNow();
        }
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM week_plan WHERE state = 'KEPT'", Integer.class))
                .isEqualTo(1);
    }

    @Test
    void oneMoreSpindleIsAddedWithThePlanThatWantsIt() {
        int before = shop.shelf().spindles().size();
        String change = location(tablet.send("/plan/want", typed("want", "SPINDLE")));
        assertThat(shop.shelf().spindles()).hasSize(before);
        tablet.send(change + "/keep", typed());
        assertThat(shop.shelf().spindles()).hasSize(before + 1);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "PIN|A-01|1|2026-03-01T10:00|has passed",
                "PIN|A-01|1|yesterday|is not a time",
                "PIN|A-01|1|2027-03-01T10:00|half a year",
                "PIN|A-77|1|2026-03-03T10:00|No cup “A-77” is in the plan",
                "PIN|A-01|99|2026-03-03T10:00|done, or not in the plan",
                "PIN|A-01|-1|2026-03-03T10:00|done, or not in the plan",
                "NONSENSE|A-01|1||choose one of those offered"
            })
    void whatCannotBePinnedIsToldAndNothingChanges(String want, String cup, String step, String at, String told) {
        MvcTestResult result =
                tablet.send("/plan/want", typed("want", want, "cup", cup, "step", step, "at", at == null ? "" : at));

        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(told, "Nothing was changed", "Try again");
        assertThat(shop.sql().queryForObject("SELECT COUNT(*) FROM week_plan", Integer.class))
                .isZero();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "2026-03-03|25:00-26:00|is not a time of day",
                "2026-03-03|18-20, 19-21|overlap",
                "2026-02-03||outside the half year",
                "|18-20|Say which day",
                "soon||is not a date"
            })
    void hoursThatCannotBeAreTold(String day, String hours, String told) {
        MvcTestResult result = tablet.send(
                "/plan/want",
                typed("want", "HOURS", "day", day == null ? "" : day, "hours", hours == null ? "" : hours));

        assertThat(result).hasStatus(422);
        assertThat(text(result)).contains(told);
    }

    @ParameterizedTest
    @CsvSource({"0", "10", "1.5", "much", "''"})
    void howMuchACupMattersIsAWholeNumberFromOneToNine(String matters) {
        assertThat(tablet.send("/plan/want", typed("want", "MATTERS", "cup", "A-01", "matters", matters)))
                .hasStatus(422);
    }

    @Test
    void howMuchACupMattersIsKept() {
        tablet.send(
                location(tablet.send("/plan/want", typed("want", "MATTERS", "cup", "A-02", "matters", "5"))) + "/keep",
                typed());

        assertThat(shop.plan().workshop().cups())
                .filteredOn(cup -> cup.code().equals("A-02"))
                .singleElement()
                .satisfies(cup -> assertThat(cup.promise().matters()).isEqualTo(5));
    }

    @Test
    void benchHoursAreKeptAsWrittenOrComeBackWithTheirFaults() {
        MvcTestResult wrong =
                tablet.send("/plan/hours", typed("bench-1", "18:00", "booth-1", "9-17", "bench-2", "19-21"));
        assertThat(wrong).hasStatus(422);
        assertThat(text(wrong)).contains("Monday: “18:00” is not a stretch of hours", "19-21");

        tablet.send("/plan/hours", typed("bench-1", "19-21:30", "booth-1", "19-21"));
        assertThat(tablet.page("/plan/hours")).contains("19:00–21:30", "19:00–21:00");
        assertThat(shop.plan().steps().get(0).begins()).isEqualTo("2026-03-02T19:00:00Z");
    }

    @Test
    void aRescueIsTakenWithOneTouch() {
        keep();
        Instant ready = shop.plan().readyAt().get("A-01");
        String due = ready.minus(Duration.ofDays(1)).toString().substring(0, 10);
        shop.sql().update("UPDATE cup SET due_on = ? WHERE code = 'A-01'", due);
        assertThat(shop.plan().late()).extracting(Cup::code).containsExactly("A-01");
        assertThat(tablet.page("/plan"))
                .as("what is late comes before the week, with its way out")
                .containsSubsequence(
                        "Next at the bench", "late by ", "/plan/cup/A-01/rescue", "1 cup late", "plan-rows");
        String offers = tablet.page("/plan/cup/A-01/rescue");
        String form = offers.substring(offers.indexOf("<form"), offers.indexOf("</form>"));
        assertThat(form).contains("Take it", "without one of its middle coats");
        Duration late = late("A-01");
        Map<String, String> typed = typed();
        Matcher hidden = Pattern.compile("name=\"(\\w+)\" value=\"([^\"]*)\"").matcher(form);
        hidden.results().forEach(found -> typed.put(found.group(1), found.group(2)));

        String change = location(tablet.send("/plan/want", typed));
        assertThat(late("A-01")).as("nothing is done before it is kept").isEqualTo(late);
        tablet.send(change + "/keep", typed());

        assertThat(late("A-01")).isLessThan(late);
        assertThat(shop.cup("A-01").cup().find(6))
                .as("the coat is out of its plan")
                .isEmpty();
        assertThat(shop.departures()).isEmpty();
    }

    private static Duration late(String code) {
        return shop.plan().lateness(shop.cup(code).cup()).orElse(Duration.ZERO);
    }

    /** In time by the plan, and yet not surely: so it is said, by the same figures wherever it stands. */
    @Test
    void whatIsInTimeByThePlanMayBeInDoubt() {
        keep();
        Instant ready = shop.plan().readyAt().get("A-01");
        String due = ready.plus(Duration.ofDays(1)).toString().substring(0, 10);
        shop.sql().update("UPDATE cup SET due_on = ? WHERE code = 'A-01'", due);
        assertThat(shop.plan().late()).isEmpty();

        String page = tablet.page("/plan/doubt");
        Matcher inTime = Pattern.compile("in time (\\d+) of 100<").matcher(page);
        assertThat(inTime.find()).isTrue();
        assertThat(page).contains("1 of 2 promises hold with 90 of 100 or better", "Plan it with more slack");
        assertThat(Integer.parseInt(inTime.group(1))).isBetween(5, 89);
        String row = page.substring(page.indexOf("doubt-cups"), page.indexOf("doubt-says"));
        assertThat(row.split("doubt-dot late", -1).length - 1)
                .as("of twenty dots as many are late")
                .isBetween(
                        (int) Math.floor((100 - Integer.parseInt(inTime.group(1))) / 5.0) - 1,
                        (int) Math.ceil((100 - Integer.parseInt(inTime.group(1))) / 5.0) + 1);
        assertThat(tablet.page("/plan/cup/A-01/doubt")).contains("In time: %s of 100.".formatted(inTime.group(1)));

        MvcTestResult none = tablet.send("/plan/doubt/slack", typed());
        assertThat(none).hasStatus(422);
        assertThat(text(none)).contains("I found no plan in which more promises hold");

        tablet.send("/plan/doubt", typed("sure", "50", "late", "0", "seen", seen(page)));
        assertThat(tablet.page("/plan/doubt")).contains("promises hold with 50 of 100 or better");
        assertThat(tablet.send("/plan/doubt", typed("sure", "70", "late", "5", "seen", seen(page))))
                .as("it was changed meanwhile")
                .hasStatus(422);
        assertThat(tablet.send("/plan/doubt", typed("sure", "33", "late", "5"))).hasStatus(422);
    }

    private static String seen(String page) {
        Matcher seen = Pattern.compile("name=\"seen\" value=\"([^\"]*)\"").matcher(page);
        assertThat(seen.find()).isTrue();
        return seen.group(1);
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
        WeekPlan plan = shop.plan();
        String day = plan.mixes().get(0).at().toString().substring(0, 10);

        assertThat(tablet.page("/plan/today?day=" + day))
                .contains("<b>Mix ", "<span>Fast tumbler epoxy</span> for", "Resin for the next seven days", "buy ");
        assertThat(tablet.page("/plan/today?day=2026-03-02"))
                .contains("Have ready:", "a vented booth, or outdoors", "18:00", "Not today: what then?");
        assertThat(tablet.get("/plan/today?day=nonsense")).hasStatusOk();
    }

    @Test
    void aCupsStepsSayWhyTheyStandWhereTheyStand() {
        assertThat(tablet.page("/plan/cup/A-01"))
                .contains("your bench hours begin", "Move it", "Promised for Fri 20 Mar");
        assertThat(tablet.get("/plan/cup/A-99")).hasStatus(404);
    }

    @Test
    void aFinishedCupLeavesThePlan() {
        CupBook cups = shop.bean(CupBook.class);
        LogBook log = shop.bean(LogBook.class);
        shop.cup("A-01").cup().plan().forEach(step -> {
            shop.clock().forward(Duration.ofHours(30));
            log.add("A-01", shop.entry("A-01", step.number(), shop.clock().instant(), 10), true);
        });

        assertThat(shop.plan().workshop().cups()).extracting(cup -> cup.code()).containsExactly("A-02");
        assertThat(tablet.page("/plan")).doesNotContain("Winter sky");
    }
}
