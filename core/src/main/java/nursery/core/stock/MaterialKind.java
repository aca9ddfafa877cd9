package nursery.core.stock;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import nursery.core.measure.Numbers;
import nursery.core.technique.StepKind;

/**
 * Kinds of material. What a square centimetre takes is a starting value, from memory, until the shop has weighed its
 * own; how long a kind lasts is common practice, and what is printed on the pack counts before it.
 */
public enum MaterialKind {
    BLANK("blank", Measure.PIECE, 1, 0, EnumSet.noneOf(StepKind.class)),
    GLITTER("glitter", Measure.GRAM, 0.03, 0, EnumSet.of(StepKind.GLITTER)),
    PAINT("paint", Measure.ML, 0.03, 730, EnumSet.of(StepKind.PAINT, StepKind.TOUCH_UP, StepKind.TINT)),
    INK("ink", Measure.ML, 0.004, 730, EnumSet.of(StepKind.INK, StepKind.INK_BLOOM, StepKind.TINT)),
    ADHESIVE(
            "adhesive",
            Measure.ML,
            0.012,
            365,
            EnumSet.of(StepKind.GLUE, StepKind.FOIL_ADHESIVE, StepKind.SPRAY_ADHESIVE)),
    SEALER("sealer", Measure.ML, 0.02, 730, EnumSet.of(StepKind.SEAL, StepKind.MICA_SEAL)),
    VINYL("vinyl", Measure.CM2, 1, 730, EnumSet.of(StepKind.VINYL, StepKind.STENCIL)),
    STENCIL_FILM("stencil film", Measure.CM2, 1, 730, EnumSet.of(StepKind.STENCIL)),
    TRANSFER_FILM("transfer film", Measure.CM2, 0.3, 730, EnumSet.of(StepKind.VINYL, StepKind.STENCIL)),
    WATER_SLIDE("water-slide paper", Measure.CM2, 1, 730, EnumSet.of(StepKind.WATER_SLIDE)),
    FOIL("foil", Measure.CM2, 0.5, 0, EnumSet.of(StepKind.FOIL)),
    MICA("mica", Measure.GRAM, 0.004, 0, EnumSet.of(StepKind.SPONGE, StepKind.MICA_SEAL, StepKind.TINT)),
    POLISH("polish", Measure.GRAM, 0.01, 0, EnumSet.of(StepKind.POLISH)),
    SANDPAPER(
            "sandpaper",
            Measure.PIECE,
            0.5,
            0,
            EnumSet.of(StepKind.SAND, StepKind.SAND_RIM, StepKind.TRIM_AND_SAND, StepKind.PREP)),
    GLOVES(
            "gloves, pairs",
            Measure.PIECE,
            1,
            1825,
            EnumSet.of(
                    StepKind.ADHESIVE,
                    StepKind.FLOOD_COAT,
                    StepKind.BUILD_COAT,
                    StepKind.THIN_COAT,
                    StepKind.PARTIAL_COAT,
                    StepKind.FINISHING_COAT)),
    PACKAGING("packaging", Measure.PIECE, 1, 0, EnumSet.of(StepKind.PACK, StepKind.FINISH));

    /** What it is counted in. */
    public enum Measure {
        GRAM("g"),
        ML("ml"),
        CM2("cm²"),
        PIECE("pieces");

        private final String symbol;

        Measure(String symbol) {
            this.symbol = symbol;
        }

        public String symbol() {
            return symbol;
        }

        /** An amount with its measure: "1 piece", "0.5 pieces", "15 ml". */
        public String show(double amount) {
            String number = Numbers.show(amount, amount < 10 ? 2 : 1);
            return number + "\u00a0" + (this == PIECE && number.equals("1") ? "piece" : symbol);
        }
    }

    private final String word;
    private final Measure measure;
    private final double perUnit;
    private final int lastsDays;
    private final Set<StepKind> steps;

    MaterialKind(String word, Measure measure, double perUnit, int lastsDays, Set<StepKind> steps) {
        this.word = word;
        this.measure = measure;
        this.perUnit = perUnit;
        this.lastsDays = lastsDays;
        this.steps = steps;
    }

    /** The kind with this word, as a table of materials has it. */
    public static Optional<MaterialKind> named(String written) {
        String plain = written.strip().toLowerCase(Locale.ROOT);
        return Arrays.stream(values())
                .filter(kind -> kind.word.equals(plain)
                        || kind.name().toLowerCase(Locale.ROOT).equals(plain.replace(' ', '_')))
                .findFirst();
    }

    /** What a kind of step may use, the likeliest first. */
    public static List<MaterialKind> usedBy(StepKind step) {
        return Arrays.stream(values()).filter(kind -> kind.steps.contains(step)).toList();
    }

    public String word() {
        return word;
    }

    public Measure measure() {
        return measure;
    }

    /** What a square centimetre of cup or of a decal takes of it, or a step, where it is counted in pieces. */
    public double perUnit() {
        return perUnit;
    }

    /** Days it lasts unopened, 0 if it does not age. */
    public int lastsDays() {
        return lastsDays;
    }

    public boolean isUsedBy(StepKind step) {
        return steps.contains(step);
    }

    /**
     * On how much it is used: square centimetres of what is laid or of the cup, or one step.
     *
     * @param coatedCm2 of the cup
     * @param laidCm2 of the decal, sheet or stencil
     */
    public double basis(double coatedCm2, double laidCm2) {
        return measure == Measure.PIECE ? 1 : isCut() ? laidCm2 : coatedCm2;
    }

    /** Whether a pack of it is weighed or measured before and after, not counted or cut. */
    public boolean isWeighed() {
        return measure == Measure.GRAM || measure == Measure.ML;
    }

    /** Whether how much is used follows the size of what is laid, not of the cup. */
    public boolean isCut() {
        return measure == Measure.CM2;
    }
}
