package nursery.core.technique;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;

/** A plan to test with: a cup in one fine colour of glitter, by the schools chosen. Waits are common practice. */
public final class OneColourGlitter {

    /** From memory: the can's own time overrides it. */
    private static final Duration PAINT_DRY = Duration.ofHours(1);
    /** A couple of minutes (P19). */
    private static final Duration ADHESIVE_SETTLES = Duration.ofMinutes(2);
    /** Spray or brush-on sealer (P21). */
    private static final Duration SEALER_DRY = Duration.ofMinutes(30);
    /** Set 2–3 h; the later end (P19). */
    private static final double THIN_ADHESIVE_SET_H = 3;

    private static final double GENEROUS_ADHESIVE_SET_H = 6;
    private static final double FAST_ADHESIVE_SET_H = 2;
    /** A resin that gels within this counts as fast (P13). */
    private static final double FAST_TURNING_H = 2;
    /** After at least 8–12 h; the later end (step 10 of the order of work). */
    private static final double FINISH_H = 12;

    private final Schools schools;
    private final List<PlanStep> steps = new ArrayList<>();

    private OneColourGlitter(Schools schools) {
        this.schools = schools;
    }

    /** @param base the label of the resin the adhesive is mixed from: fast resin sets sooner */
    public static List<PlanStep> plan(Schools schools, Label base) {
        OneColourGlitter plan = new OneColourGlitter(schools);
        plan.decorate(base);
        plan.coat();
        return List.copyOf(plan.steps);
    }

    private void decorate(Label base) {
        boolean generous = schools.has(School.ADHESIVE_GENEROUS);
        boolean seal = schools.has(School.SEAL_ALWAYS);
        work(
                StepKind.PREP,
                Wait.none(),
                "Scuff every surface to be coated, 60–220 grit. Clean with %s, dry lint-free. %s"
                        .formatted(schools.on(Question.CLEANING).words(), masking()));
        work(
                StepKind.PAINT,
                Wait.none(),
                "The glitter's own colour hides thin spots. Two thin coats, cup upside down, each dry.");
        pour(
                StepKind.ADHESIVE,
                Wait.dry(PAINT_DRY),
                generous ? CoatRole.ADHESIVE_GENEROUS : CoatRole.ADHESIVE_THIN,
                "Spread it streak-free: every line will show. %s".formatted(rest()));
        work(
                StepKind.GLITTER,
                Wait.of(Wait.Kind.SETTLE, ADHESIVE_SETTLES),
                "Pour over a tray, turn the cup, catch the surplus. Look again at 20 min for bare spots. %s"
                        .formatted(
                                generous
                                        ? "Keep it turning."
                                        : "Then "
                                                + schools.on(Question.THIN_FILM).words() + "."));
        double setH = generous ? GENEROUS_ADHESIVE_SET_H : THIN_ADHESIVE_SET_H;
        Wait set = Wait.age(base.times().turningH() <= FAST_TURNING_H ? FAST_ADHESIVE_SET_H : setH);
        if (seal) {
            work(
                    StepKind.SEAL,
                    set,
                    "Tap off the loose glitter, then one light coat of clear spray or brushed sealer.");
        }
        pour(
                StepKind.FLOOD_COAT,
                seal ? Wait.dry(SEALER_DRY) : set,
                CoatRole.FLOOD,
                "%sSpread by gloved hand; do not chase full coverage. %s Heat pass within minutes, then turn."
                        .formatted(seal ? "" : "Tap off the loose glitter. ", rest()));
    }

    private void coat() {
        if (schools.has(School.NEXT_DAY)) {
            work(
                    StepKind.SAND,
                    Wait.of(Wait.Kind.SANDABLE),
                    "180–220 grit, lightly. Feels rough all over? Do not sand: coat again. Wash off the dust, dry.");
        }
        pour(
                StepKind.BUILD_COAT,
                schools.has(School.NEXT_DAY) ? Wait.none() : Wait.straightOn(),
                CoatRole.BUILD,
                "Spread, heat pass, turn. " + rest());
        work(
                StepKind.TRIM_AND_SAND,
                Wait.of(Wait.Kind.SANDABLE),
                "Rim first, 60–80 grit held at 45°%s. Then the body, 180–220. Wash off the dust, dry."
                        .formatted(
                                schools.has(School.TAPE)
                                        ? ", only to smooth the tape line"
                                        : ", to a fine bright line"));
        pour(
                StepKind.FINISHING_COAT,
                Wait.none(),
                CoatRole.FINISHING,
                "Level the cup from several angles first. Dust-free. Heat pass, turn. Never sanded. " + rest());
        work(
                StepKind.FINISH,
                Wait.age(FINISH_H),
                "Scrape the rim, clean the inside, wash with soap, inspect, photograph, pack.");
    }

    private String masking() {
        return schools.has(School.SAND_LINE)
                ? "No tape: the bare line is sanded later."
                : "Tape rim and base where steel stays bare.";
    }

    private String rest() {
        return schools.has(School.MIX_RESTED) ? "Rest the mix 5 min, or until the cup just feels warm." : "";
    }

    private void work(StepKind kind, Wait wait, String detail) {
        Fields how = Fields.usual(kind).with(Fields.Cleaner.BY_SCHOOL).by(schools);
        steps.add(new PlanStep(
                steps.size() + 1,
                kind,
                "",
                wait,
                detail.strip(),
                Optional.empty(),
                kind.isSanding() ? how.with(Fields.Dust.WASHED_OFF) : how,
                Optional.empty()));
    }

    private void pour(StepKind kind, Wait wait, CoatRole role, String detail) {
        steps.add(new PlanStep(steps.size() + 1, kind, wait, detail.strip(), Optional.of(role)));
    }
}
