package nursery.core.cure;

import java.util.function.ToDoubleFunction;
import nursery.core.resin.LabelTimes;

/** The moments of a coat's life that a maker is told of, each at an age its label states. */
public enum CoatMoment {
    OFF_TURNER("Off the turner", LabelTimes::turningH),
    RECOAT_FROM("Recoat straight on, from", LabelTimes::recoatFromH),
    RECOAT_UNTIL("Grips well until", LabelTimes::recoatUntilH),
    SANDABLE("Sandable", LabelTimes::sandableFromH),
    SCUFF_AFTER("Scuff needed after", LabelTimes::scuffAfterH),
    FULL_CURE("Full cure", LabelTimes::fullCureH);

    private final String words;
    private final ToDoubleFunction<LabelTimes> age;

    CoatMoment(String words, ToDoubleFunction<LabelTimes> age) {
        this.words = words;
        this.age = age;
    }

    public String words() {
        return words;
    }

    /** Hours at the label's reference temperature, from the pour. */
    public double ageH(LabelTimes times) {
        return age.applyAsDouble(times);
    }
}
