package nursery.app.techniques;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.CupState.Concern;
import nursery.core.log.LegalMoves;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.NextAction;
import nursery.core.log.Pot;
import nursery.core.log.Spindle;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;

/**
 * Cups as makers build them over a week of evenings and mornings, each logged at the times it happened: nothing is
 * refused and nothing is questioned, so nobody has to write down what is not so.
 */
class BuildsTest {

    private static final Resin REGULAR = Resin.of(1, "regular", StartingProfile.REGULAR.label());
    private static final Resin FAST = Resin.of(2, "fast", StartingProfile.FAST.label());
    private static final RoomCourse ROOM = RoomCourse.steady(22);
    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");

    private Cup cup = cup(12, List.of(), REGULAR, REGULAR);
    private Instant now = START;

    private static Cup cup(double oz, List<PlanStep> plan, Resin base, Resin last, School... schools) {
        double heightMm = oz < 16 ? 155 : 205;
        Blank blank = new Blank(new Straight(heightMm, oz < 16 ? 210 : 229.3), true, 5, 0, 0, OptionalDouble.of(oz));
        return Cup.started("A-01", blank, new Cup.Resins(base, last), plan, START)
                .with(Schools.of(List.of(schools)));
    }

    private static List<PlanStep> of(Block... blocks) {
        return Block.together("built", Arrays.asList(blocks)).plan(Schools.of(), Map.of());
    }

    private static List<PlanStep> shipped(String key, School... schools) {
        try (var file = BuildsTest.class.getResourceAsStream("/techniques/" + key + ".json")) {
            String text = new String(Optional.ofNullable(file).orElseThrow().readAllBytes(), StandardCharsets.UTF_8);
            return TechniqueFile.read(text).plan(Schools.of(List.of(schools)), Map.of());
        } catch (java.io.IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static List<PlanStep> plan(PlanStep... steps) {
        List<PlanStep> numbered = new ArrayList<>();
        for (PlanStep step : steps) {
            numbered.add(step.numbered(numbered.size() + 1));
        }
        return numbered;
    }

    private static PlanStep step(StepKind kind, Wait wait, Field.Choice how) {
        return new PlanStep(
                1, kind, "", wait, "", Optional.empty(), Fields.usual(kind).with(how), Optional.empty());
    }

    private static PlanStep step(StepKind kind, Wait wait, CoatRole... role) {
        return new PlanStep(1, kind, wait, "", Arrays.stream(role).findFirst());
    }

    private static Wait dry(int minutes) {
        return Wait.dry(Duration.ofMinutes(minutes));
    }

    private CupState state() {
        return cup.at(ROOM, now);
    }

    private void log(LogEntry entry) {
        Instant at = entry.mark().happenedAt();
        assertThat(LegalMoves.refusalOf(cup.at(ROOM, at), cup, entry, at))
                .as("%s at %s", entry, at)
                .isEmpty();
        assertThat(LegalMoves.concernsAbout(cup.at(ROOM, at), cup, entry).stream()
                        .filter(concern -> !concern.isAdvice())
                        .map(Concern::message))
                .as("%s at %s", entry, at)
                .isEmpty();
        List<LogEntry> entries = new ArrayList<>(cup.log());
        entries.add(entry);
        cup = cup.withLog(entries);
    }

    private Mark mark(Instant recorded, String note) {
        return new Mark(cup.log().size() + 1L, now, recorded, "Mira", note);
    }

    /** Does the next step as soon as its window and the night allow, scuffing first where it must be. */
    private PlanStep next(double ml) {
        NextAction action = state().next().orElseThrow();
        if (action.kind() == NextAction.Kind.SCUFF_FIRST) {
            now = MakersDay.awake(now, action.window().opensAt(), MakersDay.TO_BED);
            now = now.plus(Duration.ofMinutes(10));
            log(LogEntry.scuffed(mark(now, "")));
            action = state().next().orElseThrow();
        }
        PlanStep step = action.step();
        boolean wet = step.waiting().isWhileWet() || step.kind() == StepKind.HEAT;
        now = MakersDay.awake(
                now,
                action.window().opensAt(),
                wet ? LocalTime.MAX : step.kind().isPour() ? MakersDay.LAST_POUR : MakersDay.TO_BED);
        if (step.kind().isPour()) {
            Pot pot = Pot.of(cup.resinFor(step), java.util.OptionalLong.empty());
            log(new LogEntry.Poured(
                    mark(now, ""), step.number(), ml, Optional.of(new Spindle(1, "Spindle 1")), Optional.of(pot)));
        } else {
            now = now.plus(Duration.ofMinutes(step.kind().handsOnMinutes()));
            log(new LogEntry.StepDone(mark(now, ""), step.number()));
        }
        return step;
    }

    private double share() {
        return state().next()
                .map(NextAction::step)
                .filter(step -> step.role().isPresent())
                .map(step -> state().share(cup, step, state().carrier(cup, step, List.of(), 22))
                        .suggestedMl())
                .orElse(0.0);
    }

    private void toTheEnd() {
        while (!state().isFinished()) {
            next(share());
        }
        Instant full = state().fullCureAt().orElseThrow();
        now = full.isAfter(now) ? full.plusSeconds(60) : now;
        log(new LogEntry.Plain(mark(now, ""), LogEntry.Kind.HANDED_OVER));
        assertThat(state().concerns().stream().filter(concern -> !concern.isAdvice()))
                .isEmpty();
    }

    private void upTo(StepKind kind) {
        while (state().next().orElseThrow().step().kind() != kind) {
            next(share());
        }
    }

    /** P7, P16: 30, 20, 15, 12 ml on a 12 oz, straight on within the day, only the rim sanded between. */
    @Test
    void aBeginnersFourCoatsWithOnlyTheRimSanded() {
        cup = cup(
                12,
                plan(
                        step(StepKind.PREP, Wait.none()),
                        step(StepKind.PAINT, Wait.none()),
                        step(StepKind.ADHESIVE, dry(60), CoatRole.ADHESIVE_THIN),
                        step(StepKind.GLITTER, Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(2)), Fields.Grain.FINE),
                        step(StepKind.FLOOD_COAT, Wait.age(3), CoatRole.FLOOD),
                        step(StepKind.SAND_RIM, Wait.of(Wait.Kind.SANDABLE)),
                        step(StepKind.BUILD_COAT, Wait.straightOn(), CoatRole.BUILD),
                        step(StepKind.SAND_RIM, Wait.of(Wait.Kind.SANDABLE)),
                        step(StepKind.BUILD_COAT, Wait.straightOn(), CoatRole.BUILD),
                        step(StepKind.SAND_RIM, Wait.of(Wait.Kind.SANDABLE)),
                        step(StepKind.FINISHING_COAT, Wait.straightOn(), CoatRole.FINISHING),
                        step(StepKind.FINISH, Wait.age(12))),
                REGULAR,
                REGULAR);
        double[] coats = {1, 30, 20, 15, 12};
        int poured = 0;
        while (!state().isFinished()) {
            poured += next(poured < coats.length ? coats[poured] : 0).kind().isPour() ? 1 : 0;
        }
        assertThat(poured).isEqualTo(5);
        assertThat(cup.log()).noneMatch(entry -> entry.kind() == LogEntry.Kind.SCUFFED);
    }

    @Test
    void anInkBloomWithSmokeOverIt() {
        cup = cup(20, of(Block.BASE_PAINT, Block.LAYER_BLOOM, Block.LAYER_SMOKE, Block.FINISH_ONE), REGULAR, REGULAR);
        toTheEnd();
    }

    @Test
    void glitterUnderAFullWrapWithASlideOnTop() {
        cup = cup(20, of(Block.BASE_GLITTER, Block.LAYER_WRAP, Block.LAYER_SLIDE, Block.FINISH_ONE), REGULAR, REGULAR);
        toTheEnd();
    }

    @Test
    void twoWavesWithADecalHalfSunkInTheSecond() {
        cup = cup(
                20,
                of(Block.BASE_PAINT, Block.LAYER_WAVE, Block.LAYER_DECAL, Block.LAYER_WAVE, Block.FINISH_ONE),
                REGULAR,
                REGULAR);
        toTheEnd();
    }

    /** P22. */
    @Test
    void tapePulledThreeQuartersOfAnHourIntoEveryCoat() {
        cup = cup(20, shipped("one-colour-glitter", School.TAPE), REGULAR, REGULAR, School.TAPE);
        toTheEnd();
        assertThat(cup.log().stream()
                        .filter(entry -> entry instanceof LogEntry.StepDone done
                                && cup.step(done.step()).kind() == StepKind.PULL_TAPE))
                .hasSize(3);
    }

    @Test
    void aPlanChangedHalfWay() {
        cup = cup(20, shipped("one-colour-glitter"), REGULAR, REGULAR);
        upTo(StepKind.TRIM_AND_SAND);
        List<PlanStep> plan = new ArrayList<>(cup.plan());
        int place = plan.size() - 3;
        plan.add(place, TechniqueStep.usual(StepKind.SAND).in(99));
        plan.add(place + 1, TechniqueStep.usual(StepKind.WASH).in(100));
        plan.add(
                place + 2,
                step(StepKind.VINYL, Wait.none(), Fields.Vinyl.PERMANENT).numbered(101));
        plan.add(place + 3, step(StepKind.THIN_COAT, dry(60), CoatRole.DECALS).numbered(102));
        cup = cup.with(plan);
        toTheEnd();
    }

    /** P67: never a dead end. */
    @Test
    void aForgottenPieceOnAFinishedCup() {
        cup = cup(20, shipped("one-colour-glitter"), REGULAR, REGULAR);
        toTheEnd();
        now = now.plus(Duration.ofDays(1));
        log(new LogEntry.Plain(mark(now, ""), LogEntry.Kind.REOPENED));
        List<PlanStep> plan = new ArrayList<>(cup.plan());
        plan.add(step(StepKind.SAND, Wait.of(Wait.Kind.SANDABLE)).numbered(90));
        plan.add(step(StepKind.WASH, Wait.none()).numbered(94));
        plan.add(step(StepKind.VINYL, Wait.none(), Fields.Vinyl.PERMANENT).numbered(91));
        plan.add(step(StepKind.FINISHING_COAT, dry(60), CoatRole.FINISHING).numbered(92));
        plan.add(step(StepKind.FINISH, Wait.age(12)).numbered(93));
        cup = cup.with(plan);
        toTheEnd();
    }

    @Test
    void oneCoatWhereTwoWerePlanned() {
        cup = cup(20, shipped("one-colour-glitter"), REGULAR, REGULAR);
        upTo(StepKind.BUILD_COAT);
        PlanStep second = state().next().orElseThrow().step();
        log(new LogEntry.Skipped(mark(now, "smooth enough"), second.number()));
        toTheEnd();
    }

    /** P69. */
    @Test
    void twoLastCoatsInTheOtherResin() {
        cup = cup(20, of(Block.BASE_GLITTER, Block.LAYER_DECAL, Block.FINISH_TWO), REGULAR, FAST);
        toTheEnd();
        assertThat(state().coats().stream()
                        .filter(coat -> coat.step().kind() == StepKind.FINISHING_COAT)
                        .map(coat -> coat.label()))
                .hasSize(2)
                .containsOnly(FAST.label());
    }

    @Test
    void halfACupByGlueAndHalfByEpoxy() {
        Wait settles = Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(2));
        cup = cup(
                20,
                plan(
                        step(StepKind.PREP, Wait.none()),
                        step(StepKind.PAINT, Wait.none()),
                        step(StepKind.GLUE, dry(60)),
                        step(StepKind.GLITTER, Wait.none(), Fields.Grain.FINE),
                        step(StepKind.REST, dry(60)),
                        step(StepKind.ADHESIVE, dry(60), CoatRole.ADHESIVE_THIN),
                        step(StepKind.GLITTER, settles, Fields.Grain.FINE),
                        step(StepKind.FLOOD_COAT, Wait.age(3), CoatRole.FLOOD),
                        step(StepKind.BUILD_COAT, Wait.straightOn(), CoatRole.BUILD),
                        step(StepKind.TRIM_AND_SAND, Wait.of(Wait.Kind.SANDABLE)),
                        step(StepKind.WASH, Wait.none()),
                        step(StepKind.FINISHING_COAT, Wait.none(), CoatRole.FINISHING),
                        step(StepKind.FINISH, Wait.age(12))),
                REGULAR,
                REGULAR);
        toTheEnd();
    }

    /** Two cups in two days: each is finished by the second evening. */
    @Test
    void twoCupsInTwoDaysInFastResin() {
        for (int i = 0; i < 2; i++) {
            now = START.plus(Duration.ofMinutes(40L * i));
            cup = cup(20, shipped("wrap-two-days"), FAST, FAST);
            while (state().next().orElseThrow().step().kind() != StepKind.FINISH) {
                next(share());
            }
            assertThat(now).isBefore(START.plus(Duration.ofHours(38)));
            toTheEnd();
        }
    }

    @Test
    void threeCupsAlikeOneAfterTheOther() {
        for (int i = 0; i < 3; i++) {
            now = START.plus(Duration.ofMinutes(20L * i));
            cup = cup(12, shipped("glitter-craft-glue"), REGULAR, REGULAR);
            toTheEnd();
        }
    }

    /** No step is late by the hour it is typed at: what counts is when it happened. */
    @Test
    void everythingTypedInTheEveningAfter() {
        cup = cup(20, shipped("one-colour-glitter"), REGULAR, REGULAR);
        toTheEnd();
        Instant evening = now.plus(Duration.ofHours(30));
        List<LogEntry> happened = cup.log();
        cup = cup.withLog(List.of());
        for (LogEntry entry : happened) {
            Instant at = entry.mark().happenedAt();
            assertThat(LegalMoves.refusalOf(cup.at(ROOM, at), cup, entry, evening))
                    .isEmpty();
            assertThat(LegalMoves.concernsAbout(cup.at(ROOM, at), cup, entry).stream()
                            .filter(concern -> !concern.isAdvice()))
                    .isEmpty();
            List<LogEntry> entries = new ArrayList<>(cup.log());
            entries.add(entry);
            cup = cup.withLog(entries);
        }
        assertThat(LegalMoves.refusalOf(cup, ROOM, evening)).isEmpty();
    }

    @Test
    void chunkyGlitterWithMicaAndFoilRubbedMatte() {
        cup = cup(20, of(Block.BASE_CHUNKY, Block.LAYER_MICA, Block.LAYER_FOIL, Block.FINISH_MATTE), REGULAR, REGULAR);
        toTheEnd();
    }

    /** P59. */
    @Test
    void aSoapResistOverDistressedPaint() {
        cup = cup(20, of(Block.BASE_INK, Block.LAYER_DISTRESSED, Block.LAYER_SOAP, Block.FINISH_TWO), REGULAR, REGULAR);
        toTheEnd();
    }
}
