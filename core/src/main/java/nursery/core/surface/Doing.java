package nursery.core.surface;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/** All that is done to a cup: the steps of a plan, and what is done outside one. */
public enum Doing {
    PREP(Family.SAND),
    CLEAN(Family.WIPE),
    MASK(Family.TAPE),
    PULL_TAPE(Family.PULL),
    PAINT(Family.PAINT),
    ADHESIVE(Family.POUR),
    GLUE(Family.GLUE),
    FOIL_ADHESIVE(Family.GLUE),
    SPRAY_ADHESIVE(Family.GLUE),
    GLITTER(Family.GLITTER),
    SETTLE(Family.NOTHING),
    PRESS_FLAT(Family.NOTHING),
    SEAL(Family.SEAL),
    INK(Family.INK),
    INK_BLOOM(Family.DROP),
    HEAT(Family.HEAT),
    FLOOD_COAT(Family.POUR),
    BUILD_COAT(Family.POUR),
    THIN_COAT(Family.POUR),
    PARTIAL_COAT(Family.POUR),
    FINISHING_COAT(Family.POUR),
    TINT(Family.NOTHING),
    TURN(Family.NOTHING),
    HANG(Family.NOTHING),
    REST(Family.NOTHING),
    TRIM(Family.TRIM),
    SAND_RIM(Family.SAND),
    SAND(Family.SAND),
    TRIM_AND_SAND(Family.SAND),
    WASH(Family.WASH),
    WIPE(Family.WIPE),
    FLASH_OFF(Family.NOTHING),
    VINYL(Family.DECAL),
    STENCIL(Family.DECAL),
    PEEL(Family.PEEL),
    WATER_SLIDE(Family.SLIDE),
    FOIL(Family.DECAL),
    SPONGE(Family.POWDER),
    MICA_SEAL(Family.SEAL),
    SOAP(Family.RESIST),
    TOUCH_UP(Family.INK),
    SMOKE(Family.POWDER),
    POLISH(Family.POLISH),
    INSPECT(Family.NOTHING),
    FINISH(Family.FINISH),
    PHOTOGRAPH(Family.NOTHING),
    PACK(Family.PACK),
    /** Scuffed lightly all over, and washed. */
    SCUFF(Family.SAND),
    /** Taken down to the steel. */
    STRIP(Family.NOTHING),
    HAND_OVER(Family.PACK),
    /** Something was seen that should not be there. */
    FAULT_SEEN(Family.NOTHING);

    /** What has the same rule. */
    enum Family {
        NOTHING,
        POUR,
        PAINT,
        SEAL,
        GLUE,
        GLITTER,
        INK,
        DROP,
        DECAL,
        SLIDE,
        POWDER,
        RESIST,
        TAPE,
        PULL,
        PEEL,
        SAND,
        TRIM,
        WASH,
        WIPE,
        HEAT,
        POLISH,
        FINISH,
        PACK
    }

    private final Family family;

    Doing(Family family) {
        this.family = family;
    }

    public static Doing of(StepKind kind) {
        return valueOf(kind.name());
    }

    /** The kind of step it is; empty for what is done outside a plan. */
    public Optional<StepKind> step() {
        return Arrays.stream(StepKind.values())
                .filter(kind -> kind.name().equals(name()))
                .findFirst();
    }

    /** What is done in some steps, in their order. */
    public static List<Doing> of(List<PlanStep> steps) {
        return steps.stream().map(step -> of(step.kind())).toList();
    }

    /** What has this name in a file, such as {@code water-slide}. */
    public static Optional<Doing> named(String written) {
        return Arrays.stream(values())
                .filter(doing -> doing.written().equals(written))
                .findFirst();
    }

    public String written() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    Family family() {
        return family;
    }

    public boolean isPour() {
        return family == Family.POUR;
    }

    /** Whether it leaves a layer that the next one lies on. */
    public boolean lays() {
        return Lay.of(this).isPresent();
    }

    /** A coat over the whole cup. */
    boolean isWholeCoat() {
        return isPour() && this != ADHESIVE && this != PARTIAL_COAT;
    }

    /** Whether paper goes over the body of the cup. */
    boolean sandsTheBody() {
        return family == Family.SAND && this != SAND_RIM;
    }
}
