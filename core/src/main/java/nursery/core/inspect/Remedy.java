package nursery.core.inspect;

import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;

/**
 * What makers do about a fault (P30–P42, steps 6 and 9 of the order of work).
 *
 * @see #steps() what it puts into the plan
 */
public enum Remedy implements Treatment {
    WAIT("Let it cure", "It comes by itself: feel it again when its window opens.", "", false),
    WAIT_AND_WARM(
            "Warm it and wait",
            "A cold cure only takes longer: a warm place, a day, and feel it again.",
            "If it is no firmer tomorrow it is not the cold.",
            false),
    WASH(
            "Wash it off",
            "Warm water and soap, rinse, dry lint-free, before any sanding or coating.",
            "",
            false,
            StepKind.WASH),
    SCUFF_AND_COAT(
            "Clean, scuff and coat",
            "Clean it, dull it with 220, wash, coat again; spread harder where it drew back.",
            "What is still on the surface shows again.",
            true,
            StepKind.SAND,
            StepKind.WASH,
            StepKind.BUILD_COAT),
    SAND_FLAT_AND_COAT(
            "Sand it flat and coat",
            "Wet, until it is level all over; wash; a coat that the turner carries.",
            "Sanded through, the silver shows.",
            true,
            StepKind.SAND,
            StepKind.WASH,
            StepKind.BUILD_COAT),
    COAT_AGAIN(
            "Coat again, do not sand yet",
            "Texture is filled, not sanded: one more coat, then feel again.",
            "A coat more than the turner carries sags.",
            true,
            StepKind.BUILD_COAT),
    THIN_COAT(
            "One thin coat",
            "Fine scratches, a light haze and an edge are gone under a thin coat.",
            "It hides fine ones only.",
            true,
            StepKind.SAND,
            StepKind.WASH,
            StepKind.FINISHING_COAT),
    COLOUR_IN(
            "Colour it in and coat",
            "A matching marker or paint on the spot, dry, then a coat.",
            "A marker that is not dry bleeds.",
            true,
            StepKind.TOUCH_UP,
            StepKind.BUILD_COAT),
    RE_GLITTER(
            "Glitter it again",
            "Scuff, wash, adhesive, the same glitter, and the coats over it anew.",
            "The new glitter lies higher than the old.",
            true,
            StepKind.SAND,
            StepKind.WASH,
            StepKind.ADHESIVE,
            StepKind.GLITTER,
            StepKind.FLOOD_COAT,
            StepKind.BUILD_COAT),
    PRESS_AND_SEAL(
            "Press it down and seal",
            "Press the edge down, seal it, and a thin coat over it.",
            "Over a bump it lifts again.",
            true,
            StepKind.SEAL,
            StepKind.THIN_COAT),
    SAND_THE_RIM(
            "Sand the rim and coat",
            "To a fine bright line of steel, then one more coat that ends on it.",
            "",
            true,
            StepKind.SAND_RIM,
            StepKind.FINISHING_COAT),
    SCRAPE_OFF(
            "Scrape that coat off",
            "Gloves on, it is not cured: off to the firm layer, wipe, flash off, wash, coat anew. Never over it.",
            "The layer below may suffer.",
            false,
            StepKind.WIPE,
            StepKind.FLASH_OFF,
            StepKind.WASH,
            StepKind.BUILD_COAT),
    STRIP_BACK(
            "Strip it back to steel",
            "Warmed and cut off outdoors, respirator on, blade away from your hand; then from the beginning.",
            "All that is on it is lost.",
            false,
            StepKind.PREP),
    LEAVE_IT("Leave it as it is", "It does no harm, and few will see it.", "", false);

    private static final Duration A_DAY = Duration.ofHours(24);
    /** P21: half an hour, with some to spare. */
    private static final Duration SEAL_DRIES = Duration.ofMinutes(45);

    private final String words;
    private final String how;
    private final String risk;
    private final boolean coversUp;
    private final List<StepKind> kinds;

    Remedy(String words, String how, String risk, boolean coversUp, StepKind... kinds) {
        this.words = words;
        this.how = how;
        this.risk = risk;
        this.coversUp = coversUp;
        this.kinds = List.of(kinds);
    }

    public static Optional<Remedy> named(String written) {
        return Arrays.stream(values())
                .filter(remedy -> remedy.written().equals(written))
                .findFirst();
    }

    /** Its name in a file and in the API, such as {@code scuff-and-coat}. */
    @Override
    public String written() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @Override
    public String words() {
        return words;
    }

    @Override
    public String how() {
        return how;
    }

    @Override
    public String risk() {
        return risk;
    }

    @Override
    public boolean coversUp() {
        return coversUp;
    }

    @Override
    public List<TechniqueStep> steps() {
        return switch (this) {
            case WAIT_AND_WARM -> List.of(otherwise(StepKind.REST, words, A_DAY, how));
            case PRESS_AND_SEAL ->
                List.of(TechniqueStep.usual(StepKind.SEAL), otherwise(StepKind.THIN_COAT, "", SEAL_DRIES, ""));
            case WAIT,
                    WASH,
                    SCUFF_AND_COAT,
                    SAND_FLAT_AND_COAT,
                    COAT_AGAIN,
                    THIN_COAT,
                    COLOUR_IN,
                    RE_GLITTER,
                    SAND_THE_RIM,
                    SCRAPE_OFF,
                    STRIP_BACK,
                    LEAVE_IT -> kinds.stream().map(TechniqueStep::usual).toList();
        };
    }

    private static TechniqueStep otherwise(StepKind kind, String title, Duration dries, String detail) {
        TechniqueStep usual = TechniqueStep.usual(kind);
        return new TechniqueStep(
                kind,
                title,
                Wait.of(Wait.Kind.DRY, dries),
                detail,
                usual.role(),
                usual.how(),
                Optional.empty(),
                List.of());
    }
}
