package nursery.core.technique;

import java.util.EnumMap;
import java.util.EnumSet;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nursery.core.film.CoatRole;
import nursery.core.film.Texture;

/**
 * What lies on a cup and in what condition, as far as the craft's rules care. Steps are laid on it one after the other,
 * whether they are only planned or have been done; minutes count from the start of the cup.
 *
 * @param top what the newest layer is; empty on bare steel
 * @param open what is true of the surface now
 * @param doneAt when each kind of step was last done, minutes
 * @param texture what the decoration feels like under no coat
 * @param clearCoats coats over the decoration
 * @param newestPour the newest coat or epoxy adhesive, if any
 * @param solventAt when something was last done that leaves solvent or propellant behind, minutes
 */
public record Layers(
        Optional<StepKind> top,
        Set<Condition> open,
        Map<StepKind, Double> doneAt,
        Texture texture,
        int clearCoats,
        Optional<PlanStep> newestPour,
        OptionalDouble solventAt) {

    /** Conditions that a later step must mind. */
    public enum Condition {
        TAPED,
        TAPE_IN_COAT,
        SCUFFED,
        SANDED_COARSELY,
        DUSTY,
        SLIDE_UNCOATED,
        COAT_HIDDEN,
        INK_UNSEALED,
        SOOT_UNSEALED,
        FLAKES_UNSEALED,
        METALLIC_UNSEALED,
        INSPECTED,
        FAULTS_SEEN,
        SOAPED
    }

    private static final Set<Condition> COATED_OVER = EnumSet.of(
            Condition.SCUFFED,
            Condition.SANDED_COARSELY,
            Condition.DUSTY,
            Condition.SLIDE_UNCOATED,
            Condition.COAT_HIDDEN,
            Condition.INK_UNSEALED,
            Condition.SOOT_UNSEALED,
            Condition.FLAKES_UNSEALED,
            Condition.METALLIC_UNSEALED,
            Condition.INSPECTED,
            Condition.FAULTS_SEEN);
    private static final Set<Condition> SEALED_OVER = EnumSet.of(
            Condition.INK_UNSEALED, Condition.SOOT_UNSEALED, Condition.FLAKES_UNSEALED, Condition.METALLIC_UNSEALED);

    public static Layers bareSteel() {
        return new Layers(
                Optional.empty(), Set.of(), Map.of(), Texture.SMOOTH, 0, Optional.empty(), OptionalDouble.empty());
    }

    public boolean is(Condition condition) {
        return open.contains(condition);
    }

    public boolean topIs(StepKind kind) {
        return top.filter(kind::equals).isPresent();
    }

    /** Whether what lies on top leaves the coat below it bare around itself, for the next coat to grip. */
    boolean topLeavesCoatBare() {
        return topIsDecoration() || topIs(StepKind.STENCIL);
    }

    /** Whether a decoration lies on top that no paper may touch. */
    public boolean topIsDecoration() {
        return top.filter(Layers::isDecoration).isPresent();
    }

    /** Whether a kind of step lays a decoration on that would be sanded off with the coat below it. */
    private static boolean isDecoration(StepKind kind) {
        return kind == StepKind.VINYL || kind == StepKind.FOIL || kind == StepKind.WATER_SLIDE;
    }

    public boolean topIsCoat() {
        return top.filter(StepKind::isClearCoat).isPresent();
    }

    /** Whether a coat lies on top that was neither scuffed nor sanded. */
    public boolean topIsUnscuffedCoat() {
        return topIsCoat() && !is(Condition.SCUFFED);
    }

    /** Minutes since a kind of step was last done; empty if it never was. */
    public OptionalDouble minutesSince(StepKind kind, double nowMinute) {
        return doneAt.containsKey(kind)
                ? OptionalDouble.of(nowMinute - doneAt.getOrDefault(kind, 0.0))
                : OptionalDouble.empty();
    }

    /** With one more step done. */
    public Layers after(PlanStep step, double minute) {
        StepKind kind = step.kind();
        Set<Condition> now = EnumSet.noneOf(Condition.class);
        now.addAll(open);
        now.removeAll(endedBy(step));
        now.addAll(begunBy(step));
        if (kind == StepKind.PAINT || kind == StepKind.SEAL || kind == StepKind.GLITTER) {
            now.add(Condition.COAT_HIDDEN);
        }
        if ((kind.isClearCoat() || kind.isSanding()) && is(Condition.TAPE_IN_COAT)) {
            // Told once: what is left of it is cut along, and no step after this one meets it again.
            now.remove(Condition.TAPED);
            now.remove(Condition.TAPE_IN_COAT);
        }
        if (kind.isClearCoat() && now.contains(Condition.TAPED)) {
            now.add(Condition.TAPE_IN_COAT);
        }
        Map<StepKind, Double> done = new EnumMap<>(StepKind.class);
        done.putAll(doneAt);
        done.put(kind, minute);
        Texture felt = kind == StepKind.GLITTER
                ? rougher(
                        texture,
                        step.material() == Material.ORDINARY
                                ? Texture.FINE
                                : step.material().texture())
                : texture;
        // What is glittered anew is felt anew, however many coats lie below it.
        int coats = kind == StepKind.GLITTER ? 0 : clearCoats + (kind.isWholeCoat() ? 1 : 0);
        return new Layers(
                covers(kind) ? Optional.of(kind) : top,
                Set.copyOf(now),
                Map.copyOf(done),
                felt,
                coats,
                kind.isPour() ? Optional.of(step) : newestPour,
                step.leavesSolvent() ? OptionalDouble.of(minute) : solventAt);
    }

    /** With something found that a polish or a last coat must not meet. */
    public Layers withFaults() {
        Set<Condition> now = EnumSet.of(Condition.FAULTS_SEEN);
        now.addAll(open);
        return new Layers(top, Set.copyOf(now), doneAt, texture, clearCoats, newestPour, solventAt);
    }

    /** The newest coat scuffed or sanded. */
    public Layers scuffed() {
        Set<Condition> now = EnumSet.of(Condition.SCUFFED);
        now.addAll(open);
        return new Layers(top, Set.copyOf(now), doneAt, texture, clearCoats, newestPour, solventAt);
    }

    /** The role of the adhesive below the glitter, if it is epoxy. */
    public Optional<CoatRole> adhesive() {
        return newestPour.filter(pour -> pour.kind() == StepKind.ADHESIVE).flatMap(PlanStep::role);
    }

    private static Texture rougher(Texture a, Texture b) {
        return a.compareTo(b) >= 0 ? a : b;
    }

    private static Set<Condition> endedBy(PlanStep step) {
        return switch (step.kind()) {
            case FLOOD_COAT, BUILD_COAT, THIN_COAT, FINISHING_COAT, PARTIAL_COAT -> COATED_OVER;
            case SEAL, MICA_SEAL -> SEALED_OVER;
            case PULL_TAPE -> EnumSet.of(Condition.TAPED, Condition.TAPE_IN_COAT);
            case ADHESIVE -> EnumSet.of(Condition.SCUFFED, Condition.SANDED_COARSELY, Condition.DUSTY);
            case WASH -> EnumSet.of(Condition.DUSTY, Condition.SOAPED);
            case PAINT ->
                EnumSet.of(
                        Condition.SCUFFED,
                        Condition.SANDED_COARSELY,
                        Condition.DUSTY,
                        Condition.INK_UNSEALED,
                        Condition.SOOT_UNSEALED);
            case PREP,
                    CLEAN,
                    MASK,
                    GLUE,
                    FOIL_ADHESIVE,
                    SPRAY_ADHESIVE,
                    SOAP,
                    TOUCH_UP,
                    GLITTER,
                    SETTLE,
                    PRESS_FLAT,
                    INK,
                    INK_BLOOM,
                    HEAT,
                    TINT,
                    TURN,
                    HANG,
                    REST,
                    TRIM,
                    SAND_RIM,
                    SAND,
                    TRIM_AND_SAND,
                    WIPE,
                    FLASH_OFF,
                    VINYL,
                    STENCIL,
                    PEEL,
                    WATER_SLIDE,
                    FOIL,
                    SPONGE,
                    SMOKE,
                    POLISH,
                    INSPECT,
                    FINISH,
                    PHOTOGRAPH,
                    PACK -> EnumSet.noneOf(Condition.class);
        };
    }

    private Set<Condition> begunBy(PlanStep step) {
        return switch (step.kind()) {
            case MASK -> EnumSet.of(Condition.TAPED);
            case INK -> EnumSet.of(Condition.INK_UNSEALED);
            case SMOKE -> EnumSet.of(Condition.SOOT_UNSEALED);
            // Flakes sprinkled into a wet coat sink into it.
            case GLITTER ->
                step.material().isCoarse() && !(topIsCoat() && step.waiting().isWhileWet())
                        ? EnumSet.of(Condition.FLAKES_UNSEALED)
                        : EnumSet.noneOf(Condition.class);
            case WATER_SLIDE -> EnumSet.of(Condition.SLIDE_UNCOATED);
            case VINYL ->
                step.material() == Material.METALLIC_VINYL
                        ? EnumSet.of(Condition.METALLIC_UNSEALED)
                        : EnumSet.noneOf(Condition.class);
            case SAND, TRIM_AND_SAND ->
                step.sandsCoarsely()
                        ? EnumSet.of(Condition.SCUFFED, Condition.DUSTY, Condition.SANDED_COARSELY)
                        : EnumSet.of(Condition.SCUFFED, Condition.DUSTY);
            case SOAP -> EnumSet.of(Condition.SOAPED);
            case INSPECT -> EnumSet.of(Condition.INSPECTED);
            case PREP,
                    CLEAN,
                    PULL_TAPE,
                    PAINT,
                    ADHESIVE,
                    GLUE,
                    FOIL_ADHESIVE,
                    SPRAY_ADHESIVE,
                    MICA_SEAL,
                    TOUCH_UP,
                    SETTLE,
                    PRESS_FLAT,
                    SEAL,
                    HEAT,
                    INK_BLOOM,
                    FLOOD_COAT,
                    BUILD_COAT,
                    THIN_COAT,
                    PARTIAL_COAT,
                    FINISHING_COAT,
                    TINT,
                    TURN,
                    HANG,
                    REST,
                    TRIM,
                    SAND_RIM,
                    WASH,
                    WIPE,
                    FLASH_OFF,
                    STENCIL,
                    PEEL,
                    FOIL,
                    SPONGE,
                    POLISH,
                    FINISH,
                    PHOTOGRAPH,
                    PACK -> EnumSet.noneOf(Condition.class);
        };
    }

    /** Whether a step leaves a layer that the next one lies on. */
    public static boolean covers(StepKind kind) {
        return switch (kind) {
            case PAINT,
                    ADHESIVE,
                    GLUE,
                    FOIL_ADHESIVE,
                    SPRAY_ADHESIVE,
                    MICA_SEAL,
                    GLITTER,
                    SEAL,
                    INK,
                    FLOOD_COAT,
                    BUILD_COAT,
                    THIN_COAT,
                    PARTIAL_COAT,
                    FINISHING_COAT,
                    VINYL,
                    STENCIL,
                    WATER_SLIDE,
                    FOIL,
                    SPONGE,
                    SMOKE -> true;
            case PREP,
                    CLEAN,
                    MASK,
                    PULL_TAPE,
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
                    SAND,
                    TRIM_AND_SAND,
                    WASH,
                    WIPE,
                    FLASH_OFF,
                    PEEL,
                    SOAP,
                    TOUCH_UP,
                    POLISH,
                    INSPECT,
                    FINISH,
                    PHOTOGRAPH,
                    PACK -> false;
        };
    }
}
