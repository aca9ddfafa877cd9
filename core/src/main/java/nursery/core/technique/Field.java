package nursery.core.technique;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.core.technique.Fields.Cleaner;
import nursery.core.technique.Fields.Colours;
import nursery.core.technique.Fields.Dust;
import nursery.core.technique.Fields.Grain;
import nursery.core.technique.Fields.Heat;
import nursery.core.technique.Fields.Sealer;
import nursery.core.technique.Fields.Strewn;
import nursery.core.technique.Fields.Turned;
import nursery.core.technique.Fields.Vinyl;

/** What can be said of how a step is done, each from a closed list but the grit, which is a number or two. */
public enum Field {
    SEALER("Sealer", Sealer.values()),
    CLEANER("Cleaned with", Cleaner.values()),
    HEAT("Heat", Heat.values()),
    GRAIN("Flakes", Grain.values()),
    COLOURS("Colours", Colours.values()),
    STREWN("How it goes on", Strewn.values()),
    VINYL("Vinyl", Vinyl.values()),
    GRIT("Grit"),
    DUST("Dust", Dust.values()),
    TURNED("While it sets", Turned.values()),
    PLACE("Where", Where.Part.values());

    /** One of the values a field can have. */
    public interface Choice {
        String name();

        /** For who reads a plan. */
        String word();

        default String written() {
            return name().toLowerCase(Locale.ROOT).replace('_', '-');
        }

        /** Whether it only says that a school decides it. */
        default boolean isBySchool() {
            return this == Cleaner.BY_SCHOOL || this == Turned.BY_SCHOOL;
        }
    }

    private final String label;
    private final List<Choice> choices;

    Field(String label, Choice... choices) {
        this.label = label;
        this.choices = List.of(choices);
    }

    /** What may be said of a kind of step. */
    public static List<Field> of(StepKind kind) {
        return Arrays.stream(values()).filter(field -> field.isOf(kind)).toList();
    }

    /** The field with this name in a technique file. */
    public static Optional<Field> named(String written) {
        return Arrays.stream(values())
                .filter(field -> field.written().equals(written))
                .findFirst();
    }

    /** Its name in a technique file, a form and the API. */
    public String written() {
        return name().toLowerCase(Locale.ROOT);
    }

    public String label() {
        return label;
    }

    /** Whether it is one of a list, as all are but the grit. */
    public boolean isChosen() {
        return this != GRIT;
    }

    public boolean isOf(StepKind kind) {
        return switch (this) {
            case SEALER -> kind == StepKind.SEAL;
            case CLEANER ->
                kind == StepKind.PREP || kind == StepKind.CLEAN || kind == StepKind.PULL_TAPE || kind == StepKind.WIPE;
            case HEAT -> kind == StepKind.HEAT || kind.isPour();
            case GRAIN, COLOURS, STREWN -> kind == StepKind.GLITTER;
            case VINYL -> kind == StepKind.VINYL || kind == StepKind.STENCIL;
            case GRIT -> kind == StepKind.PREP || kind.isSanding();
            case DUST -> kind.isSanding();
            case TURNED -> kind.isPour();
            case PLACE -> isLaidSomewhere(kind);
        };
    }

    /** Whether it is done to a part of a cup as well as to all of it. */
    private static boolean isLaidSomewhere(StepKind kind) {
        return switch (kind) {
            case PREP,
                    MASK,
                    PULL_TAPE,
                    PAINT,
                    GLUE,
                    SPRAY_ADHESIVE,
                    FOIL_ADHESIVE,
                    ADHESIVE,
                    GLITTER,
                    SEAL,
                    MICA_SEAL,
                    FLOOD_COAT,
                    BUILD_COAT,
                    THIN_COAT,
                    PARTIAL_COAT,
                    FINISHING_COAT,
                    INK,
                    VINYL,
                    STENCIL,
                    PEEL,
                    FOIL,
                    WATER_SLIDE,
                    SPONGE,
                    SMOKE,
                    SOAP,
                    SAND,
                    TRIM_AND_SAND,
                    WIPE,
                    TOUCH_UP -> true;
            case CLEAN,
                    SETTLE,
                    PRESS_FLAT,
                    INK_BLOOM,
                    HEAT,
                    TINT,
                    TURN,
                    HANG,
                    REST,
                    TRIM,
                    SAND_RIM,
                    WASH,
                    FLASH_OFF,
                    POLISH,
                    INSPECT,
                    FINISH,
                    PHOTOGRAPH,
                    PACK -> false;
        };
    }

    /**
     * What a kind of step can choose from.
     *
     * @param inAPlan of one cup, where the schools are chosen: how it turns may still follow the cup's own
     */
    public List<Choice> choices(StepKind kind, boolean inAPlan) {
        return choices.stream()
                .filter(choice -> !(inAPlan && choice == Cleaner.BY_SCHOOL))
                .filter(choice -> !(kind == StepKind.HEAT && choice == Heat.NONE))
                .filter(choice -> !(kind.isPour() && choice instanceof Where.Part part && !part.isOfACoat()))
                // The usual place is that part, and one of two names of a place is enough.
                .filter(choice -> choice == Where.Part.USUAL || choice != Where.usual(kind))
                .toList();
    }

    /** A choice as it is read where a kind of step is chosen for: the usual place is a part of the cup. */
    public String word(StepKind kind, Choice choice) {
        return choice == Where.Part.USUAL ? Where.usual(kind).word() : choice.word();
    }

    /** The choice of this name. */
    public Optional<Choice> choice(String written) {
        return choices().filter(choice -> choice.written().equals(written)).findFirst();
    }

    public Stream<Choice> choices() {
        return choices.stream();
    }
}
