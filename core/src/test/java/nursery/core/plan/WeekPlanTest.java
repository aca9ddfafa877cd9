package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.QuietHours;
import nursery.core.log.Spindle;
import nursery.core.plan.Because.What;
import nursery.core.plan.Departure.Kind;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;

/**
 * What a plan says of itself: reasons, changes, departures, and what would save a late cup. The shop is at label speed
 * and never sleeps.
 */
class WeekPlanTest {

    private static final Instant NOW = RandomWorkshop.NOW;
    private static final QuietHours NEVER = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneOffset.UTC);
    private static final List<Spindle> SPINDLES = List.of(new Spindle(1, "spindle 1"), new Spindle(2, "spindle 2"));

    private static Cup cup(String code, int done, Optional<Instant> due) {
        return RandomWorkshop.plainCup(code, done, StartingProfile.REGULAR.label(), due);
    }

    private static Workshop shop(String hours, int spindles, Cup... cups) {
        return new Workshop(
                NOW,
                RoomCourse.steady(22),
                BenchHours.daily(DayHours.parse(hours), NEVER),
                SPINDLES.subList(0, spindles),
                List.of(cups));
    }

    private static WeekPlan plan(Workshop shop) {
        return Planner.plan(shop, Budget.of(400));
    }

    private static PlannedStep find(WeekPlan plan, String cup, StepKind kind) {
        return plan.of(cup).stream()
                .filter(step -> step.step().kind() == kind)
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aStepThatWaitsForTheTackWindowSaysSo() {
        // The flood coat was poured just now; recoat straight on from 4 h (P14).
        WeekPlan plan = plan(shop("07:00-23:00", 1, cup("N-001", 5, Optional.empty())));

        assertThat(Because.of(plan, find(plan, "N-001", StepKind.BUILD_COAT)))
                .first()
                .satisfies(because -> {
                    assertThat(because.what()).isEqualTo(What.WINDOW);
                    assertThat(because.words()).isEqualTo("the coat below takes the next");
                    assertThat(because.at()).isEqualTo(NOW.plus(Duration.ofHours(4)));
                });
    }

    @Test
    void aStepThatWaitsForTheMakerToComeSaysSo() {
        WeekPlan plan = plan(shop("17:00-22:00", 1, cup("N-001", 0, Optional.empty())));

        assertThat(Because.of(plan, plan.steps().get(0)))
                .extracting(Because::what, Because::words)
                .containsExactly(tuple(What.BENCH, "your bench hours begin"));
    }

    @Test
    void ofTwoCupsTheSecondWaitsForHandsAndForTheSpindle() {
        WeekPlan plan =
                plan(shop("07:00-23:00", 2, cup("N-001", 7, Optional.empty()), cup("N-002", 7, Optional.empty())));
        PlannedStep second = plan.steps().stream()
                .filter(step -> step.step().kind() == StepKind.FINISHING_COAT)
                .reduce((a, b) -> b)
                .orElseThrow();
        assertThat(Because.of(plan, second)).first().satisfies(because -> assertThat(because.words())
                .isEqualTo("hands come free from N-00%s: Finishing coat"
                        .formatted(second.cup().endsWith("1") ? "2" : "1")));

        WeekPlan narrow =
                plan(shop("07:00-23:00", 1, cup("N-001", 7, Optional.empty()), cup("N-002", 7, Optional.empty())));
        PlannedStep later = narrow.steps().stream()
                .filter(step -> step.step().kind() == StepKind.FINISHING_COAT)
                .reduce((a, b) -> b)
                .orElseThrow();
        assertThat(Because.of(narrow, later)).anySatisfy(because -> assertThat(because)
                .extracting(Because::what, Because::words)
                .containsExactly(What.SPINDLE, "spindle 1 comes free"));
    }

    @Test
    void aPinnedStepSaysWhoWantedIt() {
        Cup cup = cup("N-001", 7, Optional.empty());
        int finishing = cup.plan().get(7).number();
        WeekPlan plan = plan(shop("07:00-23:00", 1, cup)
                .withPins(List.of(new Pin("N-001", finishing, NOW.plus(Duration.ofHours(3))))));

        assertThat(Because.of(plan, find(plan, "N-001", StepKind.FINISHING_COAT)))
                .first()
                .satisfies(because -> assertThat(because.words()).isEqualTo("you pinned it there"));
    }

    /**
     * A reason that is told is one without which the step would be sooner or worse off, in plans of nobody's making:
     * what is shared could not be had at the step's own earliest, and what held it had not come true a slot before.
     */
    @Test
    void noReasonIsToldThatDoesNotBind() {
        int told = 0;
        for (long seed = 1; seed <= 40; seed++) {
            Workshop workshop = RandomWorkshop.of(seed, 8, 2 + (int) (seed % 3));
            Planner planner = Planner.anew(List.of(), workshop);
            planner.improve(Budget.of(60));
            WeekPlan plan = planner.best();
            for (PlannedStep step : plan.steps()) {
                for (Because because : Because.of(plan, step)) {
                    told++;
                    boolean chosen = because.what().ordinal() >= What.MIX.ordinal() && because.what() != What.PIN;
                    Duration before = Duration.between(because.at(), step.begins());
                    assertThat(before.toMinutes())
                            .as("%s: %s", step, because)
                            .isLessThan(because.what() == What.SPINDLE ? 60 : Grid.MINUTES);
                    if (chosen && because.what() == What.SESSION) {
                        assertThat(step.action().window().opensAt())
                                .as("open before the session it joins")
                                .isBefore(plan.sessions().stream()
                                        .filter(session -> session.steps().contains(step))
                                        .findFirst()
                                        .orElseThrow()
                                        .begins());
                    }
                    if (chosen && because.what() == What.MIX) {
                        assertThat(plan.mixOf(step).orElseThrow().pours().size())
                                .isGreaterThan(1);
                    }
                }
            }
        }
        assertThat(told).isGreaterThan(1000);
    }

    @Test
    void aStepPutOffForAnothersMixNamesIt() {
        // Two coats within the working time of 40 min are poured from one mix.
        WeekPlan plan =
                plan(shop("07:00-23:00", 2, cup("N-001", 7, Optional.empty()), cup("N-002", 7, Optional.empty())));

        assertThat(plan.mixes()).singleElement().satisfies(mix -> {
            assertThat(mix.pours()).hasSize(2);
            assertThat(mix.resin().name()).isEqualTo("regular");
            assertThat(mix.sharesMl())
                    .isEqualTo(2 * plan.steps().get(0).amountMl().orElseThrow());
        });
        assertThat(plan.mixOf(plan.steps().get(0))).contains(plan.mixes().get(0));
    }

    @Test
    void aStepMayBeMovedToWhereItsWindowAndTheBenchAllowIt() {
        // The flood coat was poured at 07:00; the tack window is from 11:00 to 13:00 (P14).
        WeekPlan plan =
                plan(shop("08:00-10:00, 11:30-12:00, 12:20-12:30, 12:40-20:00", 1, cup("N-001", 5, Optional.empty())));
        PlannedStep second = find(plan, "N-001", StepKind.BUILD_COAT);

        assertThat(plan.otherTimes(second, 6))
                .doesNotContain(second.begins())
                .isSubsetOf(Instant.parse("2026-03-02T11:30:00Z"), Instant.parse("2026-03-02T12:40:00Z"))
                .isNotEmpty();
        assertThat(plan.otherTimes(find(plan, "N-001", StepKind.FINISH), 2)).hasSize(2);
    }

    @Test
    void sessionsArePartedByMoreThanAnHour() {
        WeekPlan plan = plan(shop("07:00-23:00", 1, cup("N-001", 0, Optional.empty())));

        for (int i = 1; i < plan.sessions().size(); i++) {
            assertThat(Duration.between(
                            plan.sessions().get(i - 1).ends(),
                            plan.sessions().get(i).begins()))
                    .isGreaterThan(Duration.ofHours(1));
        }
        assertThat(plan.sessions().stream().mapToLong(Session::handsOnMinutes).sum())
                .isEqualTo(plan.steps().stream()
                        .mapToLong(step -> step.handsOn().toMinutes())
                        .sum());
    }

    @Test
    void anEveningAwayMovesStepsAndTheChangesNameThem() {
        Workshop shop = shop("18:00-22:00", 1, cup("N-001", 0, Optional.of(NOW.plus(Duration.ofDays(6)))));
        WeekPlan before = plan(shop);
        WeekPlan after = plan(shop.with(shop.hours().with(LocalDate.of(2026, 3, 2), DayHours.NONE)));

        Changes changes = Changes.between(before, after);

        assertThat(changes.isNothing()).isFalse();
        assertThat(changes.moved()).allSatisfy(moved -> assertThat(moved.by()).isPositive());
        assertThat(Changes.between(before, before).isNothing()).isTrue();
    }

    @Test
    void aCupThatBecomesLateIsTold() {
        Optional<Instant> due = Optional.of(NOW.plus(Duration.ofDays(4)));
        Workshop shop = shop("07:00-23:00", 1, cup("N-001", 7, due));
        BenchHours away = shop.hours()
                .with(LocalDate.of(2026, 3, 2), DayHours.NONE)
                .with(LocalDate.of(2026, 3, 3), DayHours.NONE);

        Changes changes = Changes.between(plan(shop), plan(shop.with(away)));

        assertThat(changes.nowLate()).singleElement().satisfies(change -> {
            assertThat(change.cup().code()).isEqualTo("N-001");
            // Poured on 4 March 07:00 at the earliest, full cure 72 h later, promised for 6 March 07:00.
            assertThat(change.after().orElseThrow()).isEqualTo(Duration.ofHours(24));
        });
        assertThat(Changes.between(plan(shop.with(away)), plan(shop)).noLongerLate())
                .hasSize(1);
    }

    @Test
    void aPlanIsKeptWhereItWasWhileLifeFollowsIt() {
        Workshop shop = shop("07:00-23:00", 1, cup("N-001", 0, Optional.empty()), cup("N-002", 4, Optional.empty()));
        WeekPlan plan = plan(shop);

        WeekPlan now = Planner.kept(plan.placements(), shop);

        assertThat(now.placements()).isEqualTo(plan.placements());
        assertThat(Departure.of(plan.placements(), now)).isEmpty();
    }

    @Test
    void aStepNotLoggedInTimeIsOverdue() {
        Workshop shop = shop("07:00-23:00", 1, cup("N-001", 0, Optional.empty()));
        WeekPlan plan = plan(shop);
        Workshop later =
                new Workshop(NOW.plus(Duration.ofHours(1)), shop.room(), shop.hours(), shop.spindles(), shop.cups());

        WeekPlan now = Planner.kept(plan.placements(), later);

        assertThat(Departure.of(plan.placements(), now)).singleElement().satisfies(departure -> {
            assertThat(departure.kind()).isEqualTo(Kind.OVERDUE);
            assertThat(departure.words()).isEqualTo("Scuff, clean and mask was planned and is not logged");
            assertThat(departure.by()).isEqualTo(Duration.ofHours(1));
        });
        assertThat(PlanChecker.faultsOf(now)).isEmpty();
    }

    @Test
    void aColdNightMovesTheSandingAndSaysWhy() {
        Workshop shop = shop("00:00-24:00", 1, cup("N-001", 6, Optional.empty()));
        WeekPlan plan = plan(shop);
        Workshop cold = new Workshop(NOW, RoomCourse.steady(12), shop.hours(), shop.spindles(), shop.cups());

        WeekPlan now = Planner.kept(plan.placements(), cold);

        // Ten kelvin colder the cure takes about twice as long (P28).
        assertThat(Departure.of(plan.placements(), now)).singleElement().satisfies(departure -> {
            assertThat(departure.kind()).isEqualTo(Kind.MOVED);
            assertThat(departure.words())
                    .contains("Trim the rim and sand cannot be where it was planned", "must be sandable");
            assertThat(departure.by()).isBetween(Duration.ofHours(7), Duration.ofHours(9));
        });
    }

    @Test
    void aCoatPutInLaterIsNotPlannedAndMovesNobodyElse() {
        Cup cup = cup("N-001", 5, Optional.empty());
        Cup other = cup("N-002", 4, Optional.empty());
        Workshop shop = shop("07:00-23:00", 2, cup, other);
        WeekPlan plan = plan(shop);
        PlanStep extra = new PlanStep(
                cup.freeNumber(),
                StepKind.BUILD_COAT,
                Wait.straightOn(),
                "",
                cup.plan().get(5).role());
        Cup longer = cup.withStepBefore(Optional.of(cup.plan().get(5)), extra);

        WeekPlan now = Planner.kept(plan.placements(), shop.withCups(List.of(longer, other)));

        assertThat(Departure.of(plan.placements(), now)).first().satisfies(departure -> assertThat(departure)
                .extracting(Departure::cup, Departure::kind)
                .containsExactly("N-001", Kind.NOT_PLANNED));
        assertThat(now.of("N-002"))
                .extracting(PlannedStep::begins)
                .isEqualTo(plan.of("N-002").stream().map(PlannedStep::begins).toList());
    }

    @Test
    void aCalmPlanLeavesWhatNeedNotMove() {
        List<Cup> cups = new ArrayList<>();
        for (int i = 1; i <= 8; i++) {
            cups.add(cup("N-00" + i, i % 4 * 2, Optional.of(NOW.plus(Duration.ofDays(9)))));
        }
        Workshop shop = shop("07:00-23:00", 2, cups.toArray(Cup[]::new));
        WeekPlan plan = plan(shop);

        Planner calm =
                Planner.after(plan.placements(), shop.with(shop.hours().with(LocalDate.of(2026, 3, 5), DayHours.NONE)));
        calm.improve(Budget.of(1500));

        long kept = calm.best().placements().stream()
                .filter(plan.placements()::contains)
                .count();
        assertThat(kept).isGreaterThan(plan.placements().size() / 2);
        assertThat(calm.score().lateMinutes()).isZero();
    }

    @Test
    void whatWouldSaveALateCupIsWorkedOutByPlanning() {
        // Regular resin needs 72 h to full cure, fast a day (P17); the coats below, 5 h old and more, are regular.
        Cup late = cup("N-001", 7, Optional.of(NOW.plus(Duration.ofHours(70))));
        WeekPlan plan = plan(shop("07:00-23:00", 1, late));
        assertThat(plan.late()).containsExactly(late);

        Resin fast = Resin.of(2, "fast", StartingProfile.FAST.label());
        List<Rescue> rescues = Rescue.of(plan, late, Optional.of(fast), 50);

        assertThat(rescues).singleElement().satisfies(rescue -> {
            assertThat(rescue.wish()).isEqualTo(new Wish.OtherResin("N-001", fast));
            assertThat(rescue.saves()).isTrue();
            assertThat(rescue.othersLate()).isZero();
        });
    }

    @Test
    void oneMoreEveningOrACoatLessMaySaveACupToo() {
        BenchHours hours = shop("17:00-23:00", 1).hours();
        for (int day = 3; day <= 5; day++) {
            hours = hours.with(LocalDate.of(2026, 3, day), DayHours.NONE);
        }
        Cup late = cup("N-001", 5, Optional.of(Instant.parse("2026-03-08T00:00:00Z")));
        WeekPlan plan = plan(shop("17:00-23:00", 1, late).with(hours));

        List<Rescue> rescues = Rescue.of(plan, late, Optional.empty(), 100);

        assertThat(rescues).isNotEmpty().first().satisfies(rescue -> assertThat(rescue.saves())
                .isTrue());
        assertThat(rescues)
                .extracting(Rescue::wish)
                .contains(new Wish.Hours(LocalDate.of(2026, 3, 3), DayHours.parse("18:00-22:00")));
    }

    private static PlanStep chunkyStep(int number, StepKind kind, Wait wait) {
        Optional<CoatRole> role = kind.isPour() ? Optional.of(CoatRole.BUILD) : Optional.empty();
        Fields how = Fields.usual(kind).with(Fields.Grain.COARSE);
        return new PlanStep(number, kind, "", wait, "", role, how, Optional.empty());
    }

    /** P33: over chunky glitter the third coat keeps the paper off the flakes. Sanding through is no rescue. */
    @Test
    void aCoatThatTheRulesNeedIsNotOfferedAsSpare() {
        Cup plain = cup("N-001", 0, Optional.of(NOW.plus(Duration.ofHours(30))));
        Wait seal = Wait.dry(Duration.ofMinutes(30));
        List<PlanStep> plan = List.of(
                chunkyStep(1, StepKind.GLITTER, Wait.none()),
                chunkyStep(2, StepKind.SEAL, Wait.none()),
                chunkyStep(3, StepKind.FLOOD_COAT, seal),
                chunkyStep(4, StepKind.BUILD_COAT, Wait.straightOn()),
                chunkyStep(5, StepKind.BUILD_COAT, Wait.straightOn()),
                chunkyStep(6, StepKind.SAND, Wait.of(Wait.Kind.SANDABLE)),
                chunkyStep(7, StepKind.FINISHING_COAT, Wait.straightOn()));
        Cup chunky = plain.withLog(List.of()).with(plan);
        WeekPlan late = plan(shop("07:00-23:00", 1, chunky));

        assertThat(late.late()).isNotEmpty();
        assertThat(Rescue.of(late, chunky, Optional.empty(), 50))
                .extracting(Rescue::wish)
                .noneMatch(Wish.CoatLess.class::isInstance);
    }

    /** A cup whose flood coat was poured just now and turns on the first spindle. */
    private static Cup turning() {
        Cup cup = cup("N-001", 5, Optional.empty());
        List<LogEntry> log = new ArrayList<>(cup.log());
        log.set(
                4,
                new LogEntry.Poured(
                        new Mark(5, NOW, NOW, "Mira", ""),
                        cup.plan().get(4).number(),
                        20,
                        Optional.of(SPINDLES.get(0))));
        return cup.withLog(log);
    }

    @Test
    void aRunningCoatKeepsItsSpindleUntilItHasGelled() {
        Cup turning = turning();
        WeekPlan plan = plan(shop("00:00-24:00", 1, turning, cup("N-002", 7, Optional.empty())));

        // Poured just now, it turns for four hours (P13).
        assertThat(find(plan, "N-002", StepKind.FINISHING_COAT).at()).isAfterOrEqualTo(NOW.plus(Duration.ofHours(4)));
        assertThat(PlanChecker.faultsOf(plan)).isEmpty();
    }

    @Test
    void aSpindleTakenAwayWhileLoadedDoesNotCountAgainstTheOthers() {
        Cup turning = turning();
        Workshop shop = shop("00:00-24:00", 2, turning, cup("N-002", 7, Optional.empty()));

        WeekPlan plan = plan(shop.withSpindles(List.of(SPINDLES.get(1))));

        assertThat(find(plan, "N-002", StepKind.FINISHING_COAT)
                        .turns()
                        .orElseThrow()
                        .spindle())
                .isEqualTo(SPINDLES.get(1));
        assertThat(PlanChecker.faultsOf(plan)).isEmpty();
    }
}
