package nursery.core.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.log.CupState.Concern;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Judgement;
import nursery.core.technique.OneColourGlitter;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Plans followed, departed from and changed on the way. */
class FollowedPlanTest {

    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final Resin RESIN = Resin.of(1, "regular", REGULAR);
    private static final Cup.Resins RESINS = new Cup.Resins(RESIN, RESIN);
    private static final RoomCourse ROOM = RoomCourse.steady(REGULAR.referenceC());
    private static final Blank MUG = new Blank(new Straight(118, 262), true, 5, 0, 34, OptionalDouble.of(16));
    private static final QuietHours NEVER = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneOffset.UTC);
    private static final QuietHours NIGHT = new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneOffset.UTC);

    private static Cup file(List<PlanStep> plan) {
        List<PlanStep> numbered = new ArrayList<>();
        plan.forEach(step -> numbered.add(step.numbered(numbered.size() + 1)));
        return Cup.started("A-01", MUG, RESINS, numbered, START);
    }

    private static Mark mark(long id, Instant at, String note) {
        return new Mark(id, at, at, "Mira", note);
    }

    private static LogEntry done(PlanStep step, long id, Instant at) {
        return step.kind().isPour()
                ? new LogEntry.Poured(mark(id, at, ""), step.number(), 10, Optional.empty())
                : new LogEntry.StepDone(mark(id, at, ""), step.number());
    }

    /** A coat when it is poured, other work when it is finished. */
    private static Instant logged(PlanStep step, Instant at) {
        return at.plus(Duration.ofMinutes(step.kind().isPour() ? 0 : step.handsOnMinutes()));
    }

    /** The log of a maker who does each step as soon as the plan's own wait allows, whatever the bench says. */
    private static List<String> concernsOf(List<PlanStep> plan) {
        Cup file = file(plan);
        List<LogEntry> log = new ArrayList<>();
        Instant ended = START;
        Instant poured = START;
        for (PlanStep step : file.plan()) {
            Instant own = byItsOwnWait(step.waiting(), ended, poured);
            Instant at = own.isAfter(ended) ? own : ended;
            log.add(done(step, log.size() + 1, logged(step, at)));
            poured = step.kind().isPour() ? at : poured;
            ended = at.plus(Duration.ofMinutes(step.handsOnMinutes()));
        }
        return concernsOf(file, log);
    }

    private static Instant byItsOwnWait(Wait wait, Instant ended, Instant poured) {
        LabelTimes times = REGULAR.times();
        double hours =
                switch (wait.kind()) {
                    case NONE, DRY, SETTLE, INTO_COAT -> 0;
                    case AGE -> wait.hoursFor(times.turningH());
                    case STRAIGHT_ON -> times.recoatFromH();
                    case SANDABLE -> times.sandableFromH();
                    case CURED -> times.curedH();
                };
        return switch (wait.kind()) {
            case NONE -> ended;
            case DRY -> ended.plus(wait.atLeast());
            case SETTLE, INTO_COAT -> poured.plus(wait.atLeast());
            case AGE, STRAIGHT_ON, SANDABLE, CURED -> poured.plus(Duration.ofSeconds(Math.round(hours * 3600)));
        };
    }

    /** The log of a maker who does each step as soon as the bench offers it. */
    private static List<String> concernsOfWhatIsOffered(List<PlanStep> plan) {
        Cup file = file(plan);
        List<LogEntry> log = new ArrayList<>();
        Ahead.of(file, ROOM, START, NEVER)
                .forEach(step -> log.add(done(step.step(), log.size() + 1, logged(step.step(), step.at()))));
        return concernsOf(file, log);
    }

    private static List<String> concernsOf(Cup file, List<LogEntry> log) {
        CupState state =
                file.withLog(log).at(ROOM, log.get(log.size() - 1).mark().happenedAt());
        return state.concerns().stream().map(Concern::key).toList();
    }

    /** What a rule says of a plan it says of the log as well. */
    @ParameterizedTest
    @MethodSource("nursery.core.technique.RuleTest#plans")
    void aLogThatBreaksARuleIsToldAndTheMendedOneIsNot(String rule, List<PlanStep> wrong, List<PlanStep> right) {
        assertThat(concernsOf(wrong)).contains(rule);
        assertThat(concernsOf(right)).doesNotContain(rule);
    }

    /** However short a plan's own waits are, and whatever stands before a step, the bench offers it on no wet coat. */
    @ParameterizedTest
    @MethodSource("nursery.core.technique.RuleTest#plans")
    void whatTheBenchOffersIsNeverOnACoatThatIsNotReady(String rule, List<PlanStep> wrong, List<PlanStep> right) {
        String[] ofTheCoat = {
            "COAT_TOO_SOON", "SAND_TOO_SOON", "COAT_STILL_WET", "ADHESIVE_NOT_SET", "POLISH_TOO_SOON", "FINISH_TOO_SOON"
        };
        assertThat(concernsOfWhatIsOffered(wrong)).as("%s, broken", rule).doesNotContain(ofTheCoat);
        assertThat(concernsOfWhatIsOffered(right)).as("%s, kept", rule).doesNotContain(ofTheCoat);
    }

    /**
     * Steps are left out and coats and washes put in at random, and everything else is done the moment it is offered:
     * nothing of that is asked about for the coat below, and no coat goes on a wet one.
     */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void whateverIsLeftOutOrPutInWhatIsOfferedIsNotAskedAbout(long seed) {
        Random random = new Random(seed);
        Set<String> ofTime = Set.of(
                "COAT_TOO_SOON",
                "TACK_WINDOW",
                "SAND_TOO_SOON",
                "COAT_STILL_WET",
                "ADHESIVE_NOT_SET",
                "FINISH_TOO_SOON");
        int skipped = 0;
        for (int cups = 0; cups < 100; cups++) {
            Cup cup = glitterCup();
            Instant at = START;
            for (Optional<NextAction> next = cup.at(ROOM, at).next();
                    next.isPresent();
                    next = cup.at(ROOM, at).next()) {
                long id = cup.log().size() + 1;
                PlanStep step = next.get().step();
                double dice = random.nextDouble();
                if (dice < 0.25 && !step.kind().isPour()) {
                    cup = and(cup, new LogEntry.Skipped(mark(id, at, "not today"), step.number()));
                    skipped++;
                    continue;
                }
                if (dice > 0.9 && cup.plan().size() < 40) {
                    StepKind kind = random.nextBoolean() ? StepKind.THIN_COAT : StepKind.WASH;
                    PlanStep put =
                            TechniqueStep.usual(kind).in(cup.freeNumber()).waitingFor(Wait.none());
                    cup = cup.withStepBefore(Optional.of(step), put);
                    continue;
                }
                // Sometimes at once, sometimes a day and a half late: what is offered then may be to scuff it first.
                Instant offered = next.get().window().opensAt();
                at = (offered.isAfter(at) ? offered : at).plus(Duration.ofHours(random.nextInt(10) == 0 ? 36 : 0));
                NextAction then = cup.at(ROOM, at).next().orElseThrow();
                if (then.kind() == NextAction.Kind.SCUFF_FIRST) {
                    at = at.isBefore(then.window().opensAt()) ? then.window().opensAt() : at;
                    cup = and(cup, LogEntry.scuffed(mark(id++, at, "")));
                }
                at = logged(step, at);
                cup = and(cup, done(step, id, at));
            }
            assertThat(cup.at(ROOM, at).concerns())
                    .as("seed %d, cup %d: %s", seed, cups, cup.happened())
                    .noneMatch(concern -> ofTime.contains(concern.key()));
        }
        assertThat(skipped).isGreaterThan(100);
    }

    /** P39: what was soft after three hours and was stripped is not waited for until it could be sanded. */
    @Test
    void aStrippedCupMindsNoCoat() {
        Cup file = file(List.of(
                new PlanStep(1, StepKind.BUILD_COAT, Wait.none(), "", Optional.of(CoatRole.BUILD)),
                new PlanStep(2, StepKind.PREP, Wait.none(), "", Optional.empty())));
        Instant at = START.plus(Duration.ofHours(3));
        List<LogEntry> log =
                List.of(done(file.step(1), 1, START), new LogEntry.RemedyChosen(mark(2, at, ""), "strip-back", ""));
        assertThat(file.withLog(log).at(ROOM, at).next())
                .map(next -> next.window().isOpenAt(at))
                .contains(true);
    }

    private static Cup and(Cup cup, LogEntry entry) {
        List<LogEntry> log = new ArrayList<>(cup.log());
        log.add(entry);
        return cup.withLog(log);
    }

    private static Cup glitterCup() {
        return Cup.started("A-01", MUG, RESINS, OneColourGlitter.plan(Schools.of(), REGULAR), START);
    }

    @Test
    void aStepIsLeftOutOnlyWithAReason() {
        Cup file = glitterCup();
        LogEntry silent = new LogEntry.Skipped(mark(1, START, " "), 1);
        assertThat(LegalMoves.refusalOf(file.at(ROOM, START), file, silent, START))
                .hasValueSatisfying(refusal -> assertThat(refusal.field()).isEqualTo("note"));
        LogEntry said = new LogEntry.Skipped(mark(1, START, "the blank came painted"), 1);
        assertThat(LegalMoves.refusalOf(file.at(ROOM, START), file, said, START))
                .isEmpty();
        CupState after = file.withLog(List.of(said)).at(ROOM, START);
        assertThat(after.next()).map(next -> next.step().number()).contains(2);
        LogEntry third = new LogEntry.Skipped(mark(2, START, "no"), 3);
        assertThat(LegalMoves.refusalOf(after, file, third, START))
                .as("out of order")
                .isPresent();
        assertThat(LegalMoves.refusalOf(after, file, said, START)).as("twice").isPresent();
    }

    @Test
    void aStepPutInComesNextAndOldEntriesKeepTheirSteps() {
        Cup file = glitterCup();
        List<LogEntry> log = List.of(done(file.step(1), 1, START.plusSeconds(60)));
        PlanStep extra = new PlanStep(file.freeNumber(), StepKind.WASH, Wait.none(), "", Optional.empty());
        Cup changed = file.withLog(log).withStepBefore(Optional.of(file.step(2)), extra);
        assertThat(changed.at(ROOM, START.plusSeconds(120)).next())
                .map(NextAction::step)
                .contains(extra);
        assertThat(changed.happened()).isEqualTo(log);
        assertThat(LegalMoves.refusalOf(changed, ROOM, START.plusSeconds(120))).isEmpty();
        assertThat(changed.freeNumber()).isEqualTo(file.freeNumber() + 1);
    }

    @Test
    void faultsSeenAreRememberedUntilTheNextCoat() {
        Cup file = file(List.of(
                new PlanStep(1, StepKind.BUILD_COAT, Wait.none(), "", Optional.of(CoatRole.BUILD)),
                new PlanStep(2, StepKind.INSPECT, Wait.of(Wait.Kind.CURED), "", Optional.empty()),
                new PlanStep(3, StepKind.POLISH, Wait.none(), "", Optional.empty())));
        Instant later = START.plus(Duration.ofHours(30));
        List<LogEntry> log = new ArrayList<>(List.of(done(file.step(1), 1, START), done(file.step(2), 2, later)));
        CupState sound = file.withLog(log).at(ROOM, later);
        assertThat(LegalMoves.concernsAbout(sound, file, done(file.step(3), 3, later)))
                .isEmpty();
        assertThat(LegalMoves.refusalOf(sound, file, new LogEntry.FaultsSeen(mark(3, later, ""), List.of()), later))
                .as("say what")
                .isPresent();
        log.add(new LogEntry.FaultsSeen(
                mark(3, later, ""), List.of(new Sighting(Blemish.FISH_EYES, Zone.RIM, Extent.LITTLE))));
        CupState faulty = file.withLog(log).at(ROOM, later);
        assertThat(LegalMoves.concernsAbout(faulty, file, done(file.step(3), 4, later)))
                .extracting(Concern::key)
                .containsExactly("POLISH_ON_FAULTS");
    }

    /** Step 10 of the order of work: full cure before use. The regular profile's full cure is 72 h. */
    @Test
    void aCupHandedOverBeforeFullCureIsToldAndOneNotFinishedIsRefused() {
        Cup file = file(
                List.of(new PlanStep(1, StepKind.FINISHING_COAT, Wait.none(), "", Optional.of(CoatRole.FINISHING))));
        LogEntry early = new LogEntry.Plain(mark(2, START.plus(Duration.ofHours(71)), ""), LogEntry.Kind.HANDED_OVER);
        assertThat(LegalMoves.refusalOf(
                        file.at(ROOM, START), file, early, early.mark().happenedAt()))
                .as("not finished")
                .isPresent();
        Cup poured = file.withLog(List.of(done(file.step(1), 1, START)));
        CupState state = poured.at(ROOM, early.mark().happenedAt());
        assertThat(LegalMoves.refusalOf(state, poured, early, early.mark().happenedAt()))
                .isEmpty();
        assertThat(LegalMoves.concernsAbout(state, poured, early))
                .singleElement()
                .satisfies(concern -> assertThat(concern.message()).containsIgnoringCase("before full cure"));
        LogEntry late = new LogEntry.Plain(
                mark(2, START.plus(Duration.ofHours(72)).plusSeconds(1), ""), LogEntry.Kind.HANDED_OVER);
        assertThat(LegalMoves.concernsAbout(state, poured, late)).isEmpty();
        assertThat(poured.withLog(List.of(poured.log().get(0), late))
                        .at(ROOM, late.mark().happenedAt())
                        .handedOverAt())
                .contains(late.mark().happenedAt());
    }

    @ParameterizedTest
    @CsvSource({
        "2026-03-02T22:29:00Z, 2026-03-02T22:29:00Z",
        "2026-03-02T22:30:00Z, 2026-03-03T06:30:00Z",
        "2026-03-03T03:00:00Z, 2026-03-03T06:30:00Z",
        "2026-03-03T06:30:00Z, 2026-03-03T06:30:00Z"
    })
    void theMakerIsBackWhenTheQuietHoursEnd(Instant at, Instant awake) {
        assertThat(NIGHT.nextAwake(at)).isEqualTo(awake);
        assertThat(NEVER.nextAwake(at)).isEqualTo(at);
    }

    /** In Europe/Berlin the clocks go forward at 02:00 on 29 March 2026 and back at 03:00 on 25 October 2026. */
    @ParameterizedTest
    @CsvSource({"2026-03-28T22:00:00Z, 2026-03-29T04:30:00Z", "2026-10-24T21:00:00Z, 2026-10-25T05:30:00Z"})
    void quietHoursEndByTheClockOnTheWallAlsoWhenItIsChanged(Instant at, Instant awake) {
        assertThat(new QuietHours(LocalTime.of(22, 30), LocalTime.of(6, 30), ZoneId.of("Europe/Berlin")).nextAwake(at))
                .isEqualTo(awake);
    }

    /**
     * A coat of this label at 20:00 can be recoated from midnight to 02:00: asleep then, so it is scuffed at 06:30 and
     * coated ten minutes later.
     */
    @Test
    void aWindowThatClosesInTheNightIsForeseenAsScuffing() {
        Resin narrow = Resin.of(
                1,
                "Narrow",
                new Label(
                        REGULAR.ratio(),
                        new LabelTimes(40 / 60.0, 4, 4, 5, 8, 12, 6, 24, 72),
                        REGULAR.referenceC(),
                        REGULAR.activationKjPerMol(),
                        Optional.empty(),
                        OptionalDouble.empty()));
        Cup file = Cup.started(
                "A-01",
                MUG,
                new Cup.Resins(narrow, narrow),
                List.of(
                        new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD)),
                        new PlanStep(2, StepKind.BUILD_COAT, Wait.straightOn(), "", Optional.of(CoatRole.BUILD))),
                START);
        Instant evening = Instant.parse("2026-03-02T20:00:00Z");
        List<Ahead.Expected> ahead = Ahead.of(file, ROOM, evening, NIGHT);
        assertThat(ahead.get(1).scuffFirst()).isTrue();
        assertThat(ahead.get(1).waitsForMaker()).isTrue();
        assertThat(ahead.get(1).at()).isEqualTo(Instant.parse("2026-03-03T06:40:00Z"));
        assertThat(Ahead.of(file, ROOM, evening, NEVER).get(1).at()).isEqualTo(Instant.parse("2026-03-03T00:00:00Z"));
    }

    /** Every wall-clock wait counts from the end of the work before it: vinyl laid for 30 min, then an hour to bond. */
    @Test
    void whatDriesDriesFromTheEndOfTheWorkBefore() {
        Cup file = file(List.of(
                new PlanStep(1, StepKind.VINYL, Wait.none(), "", Optional.empty()),
                new PlanStep(2, StepKind.SEAL, Wait.dry(Duration.ofMinutes(60)), "", Optional.empty())));
        Instant sealed = START.plus(Duration.ofMinutes(90));
        assertThat(Ahead.of(file, ROOM, START, NEVER).get(1).at()).isEqualTo(sealed);
        assertThat(Judgement.earliestHours(file.plan(), REGULAR, REGULAR, MUG)).containsExactly(0.0, 1.5);
        Cup laid = file.withLog(List.of(done(file.step(1), 1, START.plus(Duration.ofMinutes(30)))));
        assertThat(laid.at(ROOM, sealed).next().orElseThrow().window().opensAt())
                .as("logged when it was finished")
                .isEqualTo(sealed);
    }

    /** A paint that was left out has nothing to dry; what it would have waited for itself still holds. */
    @Test
    void whatWasLeftOutHasNothingToDry() {
        List<PlanStep> plan = List.of(
                new PlanStep(1, StepKind.GLUE, Wait.none(), "", Optional.empty()),
                new PlanStep(2, StepKind.PAINT, Wait.dry(Duration.ofMinutes(60)), "", Optional.empty()),
                new PlanStep(3, StepKind.SEAL, Wait.dry(Duration.ofHours(5)), "", Optional.empty()));
        Cup file = file(plan);
        LogEntry glued = done(plan.get(0), 1, START.plus(Duration.ofMinutes(10)));
        LogEntry leftOut = new LogEntry.Skipped(mark(2, START.plus(Duration.ofMinutes(11)), "no paint"), 2);
        assertThat(file.withLog(List.of(glued, leftOut))
                        .at(ROOM, START)
                        .next()
                        .orElseThrow()
                        .window()
                        .opensAt())
                .as("the glue itself is dry enough after half an hour (P20)")
                .isEqualTo(START.plus(Duration.ofMinutes(40)));
        LogEntry firstToo = new LogEntry.Skipped(mark(1, START, "none"), 1);
        assertThat(file.withLog(List.of(firstToo, leftOut))
                        .at(ROOM, START)
                        .next()
                        .orElseThrow()
                        .window()
                        .opensAt())
                .isEqualTo(START);
    }

    /** Spread for ten minutes, glittered for fifteen: more than the fifteen a fast resin is workable (P18). */
    @Test
    void workOnAWetCoatMustEndInItsWindow() {
        List<PlanStep> plan = List.of(
                new PlanStep(1, StepKind.ADHESIVE, Wait.none(), "", Optional.of(CoatRole.ADHESIVE_THIN)),
                new PlanStep(
                        2, StepKind.GLITTER, Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(2)), "", Optional.empty()));
        Resin fast = Resin.of(2, "Fast", StartingProfile.FAST.label());
        RoomCourse asLabelled = RoomCourse.steady(fast.label().referenceC());
        Cup hurried = Cup.started("A-01", MUG, new Cup.Resins(fast, fast), plan, START);
        assertThat(Ahead.of(hurried, asLabelled, START, NEVER).get(1).late()).isTrue();
        assertThat(Ahead.of(file(plan), asLabelled, START, NEVER).get(1).late()).isFalse();
    }

    private static PlanStep random(Random random, int number) {
        StepKind kind = StepKind.values()[random.nextInt(StepKind.values().length)];
        Duration minutes = Duration.ofMinutes(random.nextInt(600));
        Wait[] waits = {
            Wait.none(),
            Wait.dry(minutes),
            Wait.of(Wait.Kind.SETTLE, minutes),
            Wait.of(Wait.Kind.INTO_COAT, minutes),
            Wait.age(30 * random.nextDouble(), 10 * random.nextDouble()),
            Wait.straightOn(),
            Wait.of(Wait.Kind.SANDABLE),
            Wait.of(Wait.Kind.CURED)
        };
        Optional<CoatRole> role = kind == StepKind.ADHESIVE
                ? Optional.of(CoatRole.ADHESIVE_THIN)
                : kind.isPour() ? Optional.of(CoatRole.BUILD) : Optional.empty();
        return new PlanStep(
                number,
                kind,
                "",
                waits[random.nextInt(waits.length)],
                "",
                role,
                OfferedTest.anyhow(random, kind),
                Optional.empty());
    }

    /**
     * However a plan is edited, there is a next action that says why, or the plan is done; and the steps ahead are all
     * foreseen.
     */
    @Property(tries = 300)
    void aPlanEditedAtRandomAlwaysHasANextActionOrIsDone(@ForAll Random random) {
        List<PlanStep> plan = new ArrayList<>();
        for (int i = 0; i <= random.nextInt(12); i++) {
            plan.add(random(random, i + 1));
        }
        Cup file = Cup.started("A-01", MUG, RESINS, plan, START);
        List<LogEntry> log = new ArrayList<>();
        Instant now = START;
        for (int move = 0; move < 30; move++) {
            CupState state = file.at(ROOM, now);
            Optional<NextAction> next = state.next();
            assertThat(next.isPresent())
                    .isEqualTo(state.done().size() < file.plan().size());
            if (next.isEmpty()) {
                break;
            }
            assertThat(next.get().why()).isNotBlank();
            assertThat(Ahead.of(file, ROOM, now, NIGHT))
                    .extracting(Ahead.Expected::step)
                    .containsExactlyElementsOf(file.plan().stream()
                            .filter(step -> !state.done().containsKey(step.number()))
                            .toList());
            PlanStep step = next.get().step();
            int choice = random.nextInt(5);
            if (choice == 0 && file.plan().size() < 25) {
                file = file.withStepBefore(Optional.of(step), random(random, file.freeNumber()));
            } else {
                now = now.plus(Duration.ofMinutes(random.nextInt(900)));
                log.add(
                        choice == 1
                                ? new LogEntry.Skipped(mark(log.size() + 1, now, "random"), step.number())
                                : done(step, log.size() + 1, now));
                assertThat(LegalMoves.refusalOf(state, file, log.get(log.size() - 1), now))
                        .isEmpty();
                file = file.withLog(log);
                assertThat(LegalMoves.refusalOf(file, ROOM, now)).isEmpty();
            }
        }
    }

    /** What was poured makes the film in the drawing: 20 ml on the mug's coated area. */
    @Test
    void aCoatsFilmFollowsFromWhatWasReallyPoured() {
        Cup file = file(List.of(new PlanStep(1, StepKind.FLOOD_COAT, Wait.none(), "", Optional.of(CoatRole.FLOOD))));
        CupState state = file.withLog(List.of(new LogEntry.Poured(mark(1, START, ""), 1, 20, Optional.empty())))
                .at(ROOM, START);
        double areaCm2 = MUG.area().coatedCm2();
        assertThat(state.coats().get(0).filmMm()).isCloseTo(20 / areaCm2 * 10, within(1e-12));
    }
}
