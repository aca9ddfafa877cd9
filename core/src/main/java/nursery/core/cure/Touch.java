package nursery.core.cure;

import java.util.Optional;
import java.util.function.ToDoubleFunction;
import nursery.core.resin.LabelTimes;

/**
 * What a finger, or a paper, finds on a coat. Each says that some age of the label is reached, or is not: which is
 * common practice (P13–P16, P39); where practice leaves it open, from memory.
 */
public enum Touch {
    WET("wet", Optional.empty(), Optional.of(LabelTimes::turningH)),
    STRINGS("pulls strings", Optional.empty(), Optional.of(LabelTimes::turningH)),
    TACKY("tacky", Optional.of(LabelTimes::turningH), Optional.of(LabelTimes::recoatUntilH)),
    FIRM_WITH_PRINT(
            "firm, takes a print", Optional.of(LabelTimes::recoatFromH), Optional.of(LabelTimes::sandableFromH)),
    FIRM("firm", Optional.of(LabelTimes::recoatUntilH), Optional.empty()),
    GUMS_PAPER("gums the paper", Optional.empty(), Optional.of(LabelTimes::sandableFromH)),
    SANDS_TO_DUST("sands to dust", Optional.of(LabelTimes::sandableFromH), Optional.empty()),
    STICKY_NEXT_DAY("sticky the next day", Optional.empty(), Optional.of(LabelTimes::recoatUntilH));

    private final String words;
    private final Optional<ToDoubleFunction<LabelTimes>> reached;
    private final Optional<ToDoubleFunction<LabelTimes>> notReached;

    Touch(
            String words,
            Optional<ToDoubleFunction<LabelTimes>> reached,
            Optional<ToDoubleFunction<LabelTimes>> notReached) {
        this.words = words;
        this.reached = reached;
        this.notReached = notReached;
    }

    public String words() {
        return words;
    }

    /** The age that must be reached for it, hours; 0 if none. */
    double fromH(LabelTimes times) {
        return reached.map(age -> age.applyAsDouble(times)).orElse(0.0);
    }

    /** The age that must not be reached yet, hours; without end if none. */
    double untilH(LabelTimes times) {
        return notReached.map(age -> age.applyAsDouble(times)).orElse(Double.POSITIVE_INFINITY);
    }
}
