package nursery.app.floor;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.platform.Published;
import nursery.core.film.CoatRole;
import nursery.core.technique.DecalSize;
import nursery.core.technique.Fields;
import nursery.core.technique.HandsOn;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.jspecify.annotations.Nullable;

/**
 * A step of a cup's plan as its table keeps it.
 *
 * @param timedMinutes how long it took, if it was timed; never written with the step
 * @param colours of the materials it is made with, if any is named; never written with the step
 * @param how what is said of how it is done, as {@link Fields#written(StepKind)} has it
 * @param waitAmount minutes for a wait on the wall's clock, hours for one on the cure clock, else 0
 */
@Published
public record StepRow(
        long cupId,
        int number,
        int position,
        String kind,
        String title,
        String waitKind,
        double waitAmount,
        @Nullable Double waitFast,
        String detail,
        @Nullable String role,
        String how,
        @Nullable Double widthMm,
        @Nullable Double heightMm,
        @Nullable Double amountMl,
        @Nullable Double timedMinutes,
        @Nullable String colours) {

    public static StepRow of(long cupId, int position, PlanStep step) {
        Wait wait = step.waiting();
        boolean minutes = wait.kind().isMinutes();
        return new StepRow(
                cupId,
                step.number(),
                position,
                step.kind().name(),
                step.title(),
                wait.kind().written(),
                minutes ? wait.atLeast().toMinutes() : wait.hours(),
                minutes ? null : wait.fastHours(),
                step.detail(),
                step.role().map(CoatRole::name).orElse(null),
                step.how().written(step.kind()),
                step.size().map(DecalSize::widthMm).orElse(null),
                step.size().map(DecalSize::heightMm).orElse(null),
                step.amountMl().isPresent() ? step.amountMl().getAsDouble() : null,
                null,
                null);
    }

    /** @param hands how long its kind takes here, if it was not timed itself */
    PlanStep step(HandsOn hands) {
        Optional<DecalSize> size =
                widthMm == null || heightMm == null ? Optional.empty() : Optional.of(new DecalSize(widthMm, heightMm));
        StepKind known = StepKind.valueOf(kind);
        return new PlanStep(
                number,
                known,
                title,
                waiting(),
                detail,
                Optional.ofNullable(role).map(CoatRole::valueOf),
                Fields.parse(known, how),
                size,
                amountMl == null ? OptionalDouble.empty() : OptionalDouble.of(amountMl),
                timedMinutes == null ? hands.minutesOf(known) : (int) Math.max(1, Math.round(timedMinutes)));
    }

    List<String> colourList() {
        return colours == null ? List.of() : List.of(colours.split(" "));
    }

    private Wait waiting() {
        Wait.Kind waits =
                Wait.Kind.named(waitKind).orElseThrow(() -> new IllegalStateException("Unknown wait " + waitKind));
        return waits.isMinutes()
                ? Wait.of(waits, Duration.ofMinutes((long) waitAmount))
                : new Wait(waits, Duration.ZERO, waitAmount, waitFast == null ? waitAmount : waitFast);
    }
}
