package nursery.core.inspect;

import java.util.List;
import nursery.core.technique.HandsOn;
import nursery.core.technique.TechniqueStep;

/** Something that can be done about a fault: what makers do ({@link Remedy}), or what a shop found for itself. */
public sealed interface Treatment permits Remedy, OwnRemedy {

    /** How the log and files name it. */
    String written();

    String words();

    /** How it is done; empty if its words say so. */
    String how();

    /** What could go wrong with it; empty if nothing much. */
    String risk();

    /** Whether it puts a coat over what is wrong. */
    boolean coversUp();

    /** What it puts into the plan, to be done next, each with its usual wait. */
    List<TechniqueStep> steps();

    /** @param hands how long they are on a cup here */
    default int handsOnMinutes(HandsOn hands) {
        return steps().stream().mapToInt(step -> hands.minutesOf(step.kind())).sum();
    }
}
