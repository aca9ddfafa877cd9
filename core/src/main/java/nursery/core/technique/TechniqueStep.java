package nursery.core.technique;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.film.CoatRole;

/**
 * A step of a technique. In its detail a school's question in braces, such as {@code {cleaning}}, stands for the words
 * of the school chosen on it.
 *
 * @param title what it is called here, empty for the kind's own title
 * @param only the schools it belongs to; empty if it is always done, else one of them must be chosen
 */
public record TechniqueStep(
        StepKind kind,
        String title,
        Wait waiting,
        String detail,
        Optional<CoatRole> role,
        Fields how,
        Optional<DecalSize> size,
        List<School> only) {

    public TechniqueStep {
        only = List.copyOf(only);
    }

    private static final Wait ON_FIRM_COAT = Wait.age(12, 3);
    /** A couple of minutes (P19). */
    private static final Wait SETTLED = Wait.of(Wait.Kind.SETTLE, Duration.ofMinutes(2));
    /** About 45 min into the coat (P22). */
    private static final Wait INTO_COAT = Wait.of(Wait.Kind.INTO_COAT, Duration.ofMinutes(45));
    /** What a kind waits for where nobody says otherwise; the rest goes on at once. */
    private static final Map<StepKind, Wait> USUALLY = Map.ofEntries(
            Map.entry(StepKind.GLITTER, SETTLED),
            Map.entry(StepKind.INK_BLOOM, SETTLED),
            Map.entry(StepKind.FLASH_OFF, Wait.of(Wait.Kind.DRY, Duration.ofMinutes(20))),
            Map.entry(StepKind.PULL_TAPE, INTO_COAT),
            Map.entry(StepKind.POLISH, Wait.of(Wait.Kind.CURED)),
            Map.entry(StepKind.FINISH, Wait.age(12)),
            Map.entry(StepKind.VINYL, ON_FIRM_COAT),
            Map.entry(StepKind.STENCIL, ON_FIRM_COAT),
            Map.entry(StepKind.WATER_SLIDE, ON_FIRM_COAT),
            Map.entry(StepKind.PAINT, ON_FIRM_COAT),
            Map.entry(StepKind.FOIL_ADHESIVE, ON_FIRM_COAT),
            Map.entry(StepKind.MICA_SEAL, ON_FIRM_COAT),
            Map.entry(StepKind.SOAP, ON_FIRM_COAT),
            Map.entry(StepKind.TOUCH_UP, ON_FIRM_COAT),
            Map.entry(StepKind.SMOKE, ON_FIRM_COAT));

    private static final Map<StepKind, CoatRole> USUAL_ROLE = Map.of(
            StepKind.ADHESIVE,
            CoatRole.ADHESIVE_THIN,
            StepKind.FLOOD_COAT,
            CoatRole.FLOOD,
            StepKind.BUILD_COAT,
            CoatRole.BUILD,
            StepKind.THIN_COAT,
            CoatRole.SEAL,
            StepKind.PARTIAL_COAT,
            CoatRole.WAVE,
            StepKind.FINISHING_COAT,
            CoatRole.FINISHING);

    /** A step as it is put into a plan where nothing more is said of it than its kind. */
    public static TechniqueStep usual(StepKind kind) {
        Wait wait = kind.isSanding()
                ? Wait.of(Wait.Kind.SANDABLE)
                : kind.isClearCoat() ? Wait.straightOn() : USUALLY.getOrDefault(kind, Wait.none());
        return new TechniqueStep(
                kind,
                "",
                wait,
                "",
                Optional.ofNullable(USUAL_ROLE.get(kind)),
                Fields.usual(kind),
                Optional.empty(),
                List.of());
    }

    /** A step of a cup's own plan, as it is done there. */
    public static TechniqueStep of(PlanStep step) {
        return new TechniqueStep(
                step.kind(),
                step.title().equals(step.kind().title()) ? "" : step.title(),
                step.waiting(),
                step.detail(),
                step.role(),
                step.how(),
                step.size(),
                List.of());
    }

    /** The same, done in another way. */
    public TechniqueStep doneAs(Fields other) {
        return new TechniqueStep(kind, title, waiting, detail, role, other, size, only);
    }

    /** This step in a plan of its own, where no school is left to choose. */
    public PlanStep in(int number) {
        return in(Schools.of(), number);
    }

    boolean isIn(Schools schools) {
        return only.isEmpty() || only.stream().anyMatch(schools::has);
    }

    PlanStep in(Schools schools, int number) {
        String words = detail;
        for (Question question : Question.values()) {
            words = words.replace(question.slot(), schools.on(question).words());
        }
        return new PlanStep(number, kind, title, waiting, words, role, how.by(schools), size);
    }
}
