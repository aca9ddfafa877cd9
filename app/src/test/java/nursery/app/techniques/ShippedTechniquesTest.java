package nursery.app.techniques;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.film.Onto;
import nursery.core.film.Way;
import nursery.core.log.Ahead;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.CupState.Upon;
import nursery.core.log.LegalMoves;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.NextAction;
import nursery.core.log.OnTheCup;
import nursery.core.log.QuietHours;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Cell;
import nursery.core.surface.Judgement;
import nursery.core.surface.Opening;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.Wait;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * Every technique that ships, followed from start to finish with a simulated clock. Waits and order are common practice
 * (P13–P27 and the order of work).
 */
class ShippedTechniquesTest {

    private static final Path FOLDER = Path.of("src/main/resources/techniques");
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    private static final QuietHours NEVER = new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneOffset.UTC);

    /** P18, P26: these want a regular resin, and the rules say so. */
    private static final List<String> REGULAR_ONLY = List.of("ink-bloom");

    static Stream<String> slugs() throws IOException {
        return Files.list(FOLDER)
                .map(file -> file.getFileName().toString())
                .filter(name -> name.endsWith(".json") && !name.contains(".schema."))
                .map(name -> name.replace(".json", ""))
                .sorted()
                .toList()
                .stream();
    }

    static Technique technique(String slug) {
        try {
            return TechniqueFile.read(Files.readAllBytes(FOLDER.resolve(slug + ".json")));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void fifteenShip() throws IOException {
        assertThat(slugs()).hasSize(15);
        assertThat(slugs().map(ShippedTechniquesTest::technique).map(Technique::name))
                .doesNotHaveDuplicates();
    }

    @ParameterizedTest
    @MethodSource("slugs")
    void eachIsPutTogetherFromBlocks(String slug) {
        Technique technique = technique(slug);
        List<Block> blocks = Block.of(new ShelvedTechnique(slug, false, 0, technique));
        assertThat(blocks).hasSizeGreaterThanOrEqualTo(2);
        Technique again = Block.together("again", blocks);
        assertThat(again.parts()).isEqualTo(technique.parts());
        assertThat(again.blocks()).isEqualTo(technique.blocks());
        assertThat(TechniqueFile.read(TechniqueFile.write(again))).isEqualTo(again);
    }

    /**
     * The table of what may go on what has nothing to ask about any of them, each step done the moment it is offered;
     * but ten minutes after cleaning with a solvent, which no technique gives it yet.
     */
    @ParameterizedTest
    @MethodSource("slugs")
    void theTableAsksAboutNoneOfThemInAnySchool(String slug) {
        Technique technique = technique(slug);
        List<Schools> choices = new ArrayList<>(List.of(Schools.of()));
        technique.questions().forEach(question -> question.schools()
                .forEach(school -> choices.add(Schools.of(school))));
        SortedSet<String> asked = new TreeSet<>();
        for (Schools schools : choices) {
            for (Label label : List.of(StartingProfile.REGULAR.label(), StartingProfile.FAST.label())) {
                if (REGULAR_ONLY.contains(slug) && label.times().turningH() <= 2) {
                    continue;
                }
                Resin resin = Resin.of(1, "resin", label);
                Cup empty = Cup.started(
                        "A-01", SLIM, new Cup.Resins(resin, resin), technique.plan(schools, Map.of()), START);
                RoomCourse room = RoomCourse.steady(label.referenceC());
                List<LogEntry> log = new ArrayList<>();
                for (Ahead.Expected step : Ahead.of(empty, room, START, NEVER)) {
                    OnTheCup on = OnTheCup.of(empty.withLog(log), room);
                    boolean pours = step.step().kind().isPour();
                    on.bounds(step.step(), empty).stream()
                            .filter(bound -> bound.cell().grave().isAsked() && bound.cell() != Cell.SOLVENT_WET)
                            .filter(bound -> new Opening.Placed(bound, bound.on(on.moments()))
                                    .isBrokenAt(step.at().toEpochMilli()))
                            .forEach(bound -> asked.add("%s: %s on %s"
                                    .formatted(
                                            bound.cell(),
                                            step.step().title(),
                                            on.named(bound).map(Upon::what).orElse("the blank"))));
                    Instant at = step.at()
                            .plus(Duration.ofMinutes(pours ? 0 : step.step().handsOnMinutes()));
                    if (step.scuffFirst()) {
                        log.add(LogEntry.scuffed(new Mark(log.size() + 1, step.at(), step.at(), "Mira", "")));
                    }
                    Mark mark = new Mark(log.size() + 1, at, at, "Mira", "");
                    log.add(
                            pours
                                    ? new LogEntry.Poured(mark, step.step().number(), 10, Optional.empty())
                                    : new LogEntry.StepDone(mark, step.step().number()));
                }
            }
        }
        assertThat(asked).isEmpty();
    }

    /** Whatever sound school a maker chooses, and however often a group is repeated. */
    @ParameterizedTest
    @MethodSource("slugs")
    void noneGoesAgainstPracticeInAnySchool(String slug) {
        Technique technique = technique(slug);
        List<Schools> choices = new ArrayList<>(List.of(Schools.of()));
        technique.questions().forEach(question -> question.schools()
                .forEach(school -> choices.add(Schools.of(school))));
        for (Schools schools : choices) {
            for (int times = 0; times <= 3; times++) {
                int rounds = times;
                Map<String, Integer> repeats = new java.util.HashMap<>();
                technique.repeats().forEach(repeat -> repeats.put(repeat.title(), rounds));
                for (Label label : List.of(StartingProfile.REGULAR.label(), StartingProfile.FAST.label())) {
                    if (REGULAR_ONLY.contains(slug) && label.times().turningH() <= 2) {
                        continue;
                    }
                    assertThat(Judgement.of(technique.plan(schools, repeats), label, label, SLIM).stream()
                                    .filter(finding -> !finding.isAdvice()))
                            .as("%s, %s, %d times", slug, schools.all(), times)
                            .isEmpty();
                }
            }
        }
    }

    /** P18, P26: an ink bloom wants a regular resin. */
    @Test
    void anInkBloomInFastResinIsAgainstPractice() {
        Label fast = StartingProfile.FAST.label();
        for (String slug : REGULAR_ONLY) {
            assertThat(Judgement.of(technique(slug).plan(Schools.of(), Map.of()), fast, fast, SLIM))
                    .extracting(Judgement.Finding::rule)
                    .contains("FAST_RESIN");
        }
    }

    static Stream<org.junit.jupiter.params.provider.Arguments> runs() throws IOException {
        return slugs().flatMap(slug -> Stream.of(StartingProfile.values()).flatMap(profile -> Stream.of(15.0, 24.0)
                .map(room -> org.junit.jupiter.params.provider.Arguments.of(slug, profile, room))));
    }

    /**
     * Each step as soon as its window allows: nothing refused, nothing questioned, every step done, in the order of the
     * plan.
     */
    @ParameterizedTest
    @MethodSource("runs")
    void aCupCanBeFollowedToItsEnd(String slug, StartingProfile profile, double roomC) {
        if (REGULAR_ONLY.contains(slug) && profile == StartingProfile.FAST) {
            return;
        }
        Label label = profile.label();
        RoomCourse room = RoomCourse.steady(roomC);
        List<PlanStep> plan = technique(slug).plan(Schools.of(), Map.of());
        Cup file = cup(label, plan);
        List<Ahead.Expected> ahead = Ahead.of(file, room, START, NEVER);
        List<LogEntry> log = new ArrayList<>();
        Instant now = START;
        for (int i = 0; i < plan.size(); i++) {
            CupState state = file.withLog(log).at(room, now);
            NextAction next = state.next().orElseThrow();
            assertThat(next.kind()).as(slug + ": " + next.step().title()).isEqualTo(NextAction.Kind.STEP);
            assertThat(next.step()).isEqualTo(plan.get(i));
            now = next.window().opensAt().isAfter(now) ? next.window().opensAt() : now;
            assertThat(next.window().hasClosedBy(now))
                    .as(slug + ": " + next.step().title() + " can be reached before its window closes")
                    .isFalse();
            assertThat(ahead.get(i).at()).as("foreseen at the start").isEqualTo(now);
            int hands = next.step().kind().isPour() ? 0 : next.step().kind().handsOnMinutes();
            Instant logged = now.plus(Duration.ofMinutes(hands));
            Mark mark = new Mark(i + 1, logged, logged, "Mira", "");
            LogEntry entry = next.step().kind().isPour()
                    ? new LogEntry.Poured(
                            mark,
                            next.step().number(),
                            state.share(file, next.step(), state.carrier(file, next.step(), List.of(), 22))
                                    .suggestedMl(),
                            Optional.empty())
                    : new LogEntry.StepDone(mark, next.step().number());
            CupState before = file.withLog(log).at(room, logged);
            assertThat(LegalMoves.refusalOf(before, file, entry, logged)).isEmpty();
            // Ten minutes of spreading and fifteen of glitter are more than a fast resin gives (P18): that is said.
            boolean hurried = profile == StartingProfile.FAST && next.step().kind() == StepKind.GLITTER && next.isWet();
            assertThat(LegalMoves.concernsAbout(before, file, entry).stream().allMatch(CupState.Concern::isAdvice))
                    .as(slug + ": " + next.step().title())
                    .isEqualTo(!ahead.get(i).late());
            assertThat(!ahead.get(i).late() || hurried).isTrue();
            log.add(entry);
            now = now.plus(Duration.ofMinutes(next.step().kind().handsOnMinutes()));
        }
        assertThat(file.withLog(log).at(room, now).isFinished()).isTrue();
    }

    /**
     * P13, P14, P15, P19 and step 10 of the order of work, for regular resin at its label's temperature: hours after
     * the pour before.
     */
    @Test
    void aBeginnersGlitterCupWaitsAsPracticeSays() {
        Label regular = StartingProfile.REGULAR.label();
        List<PlanStep> plan = technique("one-colour-glitter").plan(Schools.of(), Map.of());
        List<Ahead.Expected> ahead =
                Ahead.of(cup(regular, plan), RoomCourse.steady(regular.referenceC()), START, NEVER);
        assertThat(plan)
                .extracting(PlanStep::kind)
                .containsExactly(
                        StepKind.PREP,
                        StepKind.PAINT,
                        StepKind.ADHESIVE,
                        StepKind.GLITTER,
                        StepKind.FLOOD_COAT,
                        StepKind.BUILD_COAT,
                        StepKind.TRIM_AND_SAND,
                        StepKind.FINISHING_COAT,
                        StepKind.FINISH);
        assertThat(hoursBetween(ahead, 2, 4)).as("P19: set 2–3 h").isBetween(2.0, 3.1);
        assertThat(hoursBetween(ahead, 4, 5)).as("P14: straight on from 4–6 h").isBetween(4.0, 6.0);
        assertThat(hoursBetween(ahead, 5, 6)).as("P15: sandable at 8–12 h").isBetween(8.0, 12.0);
        assertThat(hoursBetween(ahead, 7, 8))
                .as("finished after at least 8–12 h")
                .isBetween(8.0, 12.1);
    }

    /** P22: tape is pulled about 45 min into every coat, and new tape laid before the next. */
    @Test
    void theTapeSchoolPullsTapeIntoEveryCoat() {
        List<PlanStep> plan = technique("one-colour-glitter").plan(Schools.of(School.TAPE), Map.of());
        List<StepKind> kinds = plan.stream().map(PlanStep::kind).toList();
        for (int i = 0; i < kinds.size(); i++) {
            if (kinds.get(i).isClearCoat()) {
                assertThat(kinds.get(i + 1)).isEqualTo(StepKind.PULL_TAPE);
                assertThat(kinds.get(i - 1)).isEqualTo(StepKind.MASK);
            }
        }
    }

    /** P7: a first wave of 20 ml, a smaller second one of 10–15; one to three in all. */
    @Test
    void thereAreOneToThreeWavesAndTheFirstIsTheLargest() {
        for (int further = 0; further <= 2; further++) {
            List<PlanStep> waves = technique("waves").plan(Schools.of(), Map.of("Further wave", further)).stream()
                    .filter(step -> step.kind() == StepKind.PARTIAL_COAT)
                    .toList();
            assertThat(waves).hasSize(further + 1);
            assertThat(waves.get(0)
                            .role()
                            .orElseThrow()
                            .practice(Way.GENEROUS, Onto.Below.COAT)
                            .highMl())
                    .isEqualTo(20);
            assertThat(waves.subList(1, waves.size())).allSatisfy(wave -> assertThat(wave.role()
                            .orElseThrow()
                            .practice(Way.GENEROUS, Onto.Below.COAT)
                            .highMl())
                    .isEqualTo(15));
        }
    }

    /** P23, P24: 24 h of dry ink under vinyl, a water-slide overnight. */
    @Test
    void inkAndWaterSlidesDryAsLongAsPracticeSays() {
        assertThat(waitBefore("ink-under-vinyl-matte", StepKind.VINYL, School.DRY_A_DAY))
                .isEqualTo(Duration.ofHours(24));
        assertThat(waitBefore("marbled-wrap", StepKind.BUILD_COAT)).isGreaterThanOrEqualTo(Duration.ofHours(8));
    }

    /** P27: with fast resin and few layers a cup takes one to two days. */
    @Test
    void aWrapInFastResinIsDoneInTwoDays() {
        Label fast = StartingProfile.FAST.label();
        List<Double> hours =
                Judgement.earliestHours(technique("wrap-two-days").plan(Schools.of(), Map.of()), fast, fast, SLIM);
        assertThat(hours.get(hours.size() - 1)).isLessThan(48.0);
    }

    @ParameterizedTest
    @MethodSource("slugs")
    void aTechniqueWrittenAndReadAgainIsTheSame(String slug) {
        assertThat(TechniqueFile.read(TechniqueFile.write(technique(slug)))).isEqualTo(technique(slug));
    }

    private static Cup cup(Label label, List<PlanStep> plan) {
        Resin resin = Resin.of(1, "The resin", label);
        return Cup.started("A-01", SLIM, new Cup.Resins(resin, resin), plan, START);
    }

    private static Duration waitBefore(String slug, StepKind kind, School... schools) {
        PlanStep step = technique(slug).plan(Schools.of(Arrays.asList(schools)), Map.of()).stream()
                .filter(found -> found.kind() == kind && found.waiting().kind() == Wait.Kind.DRY)
                .findFirst()
                .orElseThrow();
        return step.waiting().atLeast();
    }

    private static double hoursBetween(List<Ahead.Expected> ahead, int from, int to) {
        return Duration.between(ahead.get(from).at(), ahead.get(to).at()).toSeconds() / 3600.0;
    }
}
