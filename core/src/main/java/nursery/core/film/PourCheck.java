package nursery.core.film;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.measure.Numbers;
import nursery.core.resin.Label;

/**
 * Whether a coat stays where it is poured. On a turner: Moffatt's limit ({@link TurnerCheck}). Hung: the surface of a
 * film on a wall runs at {@code ρ·g·h²/(2μ)} (lubrication flow), for as long as the coat flows like a fresh mix until
 * it gels ({@link Label#freshHoursAt}). A thin film of adhesive runs a few millimetres and may hang (P19), a flood runs
 * the length of the cup. A label without a viscosity is taken to be of 1 Pa·s (from memory).
 */
public final class PourCheck {

    /** As far as a film may run and nobody sees it, mm; from memory. */
    private static final double UNSEEN_MM = 20;

    private static final double USUAL_PAS = 1;
    private static final double GRAVITY = 9.80665;
    private static final double MM_PER_M = 1000;
    private static final double KG_PER_M3 = 1000;
    private static final double SECONDS_PER_HOUR = 3600;

    private PourCheck() {}

    /**
     * What speaks against a pour, if something does.
     *
     * @param rpm of the turner it is put on; empty if it hangs
     */
    public static Optional<String> against(Blank blank, Label label, double ml, OptionalDouble rpm, double roomC) {
        if (rpm.isPresent()) {
            return TurnerCheck.of(blank, label, ml, rpm.getAsDouble(), roomC)
                    .filter(check -> check.verdict() == TurnerCheck.Verdict.SAGS)
                    .map(check -> ("A film of %s mm sags: this turner carries %s mm on this cup, %s ml. Take some off "
                                    + "while it is wet, or turn it faster until it holds.")
                            .formatted(
                                    Numbers.show(check.filmMm(), 2),
                                    Numbers.show(check.carriesMm(), 2),
                                    Numbers.show(check.carriesMl(), 0)));
        }
        double filmMm = Film.thicknessMm(ml, blank.area().coatedCm2());
        double runsMm = runsMm(label, filmMm, roomC);
        double tallMm = blank.outline().heightMm();
        return runsMm <= UNSEEN_MM
                ? Optional.empty()
                : Optional.of(
                        ("A film of %s mm that hangs runs %s%s mm towards the low end before it gels: put it on a "
                                        + "spindle, or turn it by hand.")
                                .formatted(
                                        Numbers.show(filmMm, 2),
                                        runsMm > tallMm ? "more than " : "",
                                        Numbers.show(Math.min(runsMm, tallMm), 0)));
    }

    /** The film that runs no farther on a hung cup than nobody sees, mm. */
    static double staysHungMm(Label label, double roomC) {
        // What it runs grows with the square of the film.
        return Math.sqrt(UNSEEN_MM / runsMm(label, 1, roomC));
    }

    /** How far the surface of a hanging film runs before it gels, mm. */
    static double runsMm(Label label, double filmMm, double roomC) {
        double filmM = filmMm / MM_PER_M;
        double metresPerSecond = label.mixDensityGPerMl()
                * KG_PER_M3
                * GRAVITY
                * filmM
                * filmM
                / (2 * label.viscosityPaSAt(roomC).orElse(USUAL_PAS));
        return metresPerSecond * label.freshHoursAt(roomC) * SECONDS_PER_HOUR * MM_PER_M;
    }
}
