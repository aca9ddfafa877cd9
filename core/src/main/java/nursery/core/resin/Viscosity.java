package nursery.core.resin;

import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;

/**
 * How a mix flows: thinner when warm, thicker as it cures, solid at the gel.
 *
 * <p>Temperature: the Arrhenius (Andrade) form with an activation energy of its own, which is higher than the cure's,
 * so that a cold mix spreads badly although it stays liquid for longer (P28). {@value #USUAL_FLOW_KJ_PER_MOL} kJ/mol is
 * from memory; two viscosities on a label give its own. Valid between about 5 and 60 °C.
 *
 * <p>Cure: {@code μ/μ0 = (1 − a/g)^−n} over the equivalent age {@code a}, {@code g} the age of the gel, after Castro
 * and Macosko (1982) with the age for the conversion: nearly exponential while it is worked, without bound at the gel.
 * Pot life is by the trade's usual definition the time to double the viscosity, to quadruple it if the fresh mix is
 * thinner than 1 Pa·s (from memory), and that fixes {@code n}. Between a half and 1 Pa·s pot life ends at 2 Pa·s, so
 * that the two definitions meet without a jump.
 *
 * @param freshPaS of the fresh mix at the label's reference temperature, Pa·s
 * @param second the same at another temperature, if the label states two
 */
public record Viscosity(double freshPaS, Optional<Second> second) {

    /** How strongly warmth thins a mix, kJ/mol; from memory. */
    public static final double USUAL_FLOW_KJ_PER_MOL = 70;

    private static final double DOUBLES_FROM_PAS = 1;
    private static final double QUADRUPLES_TO_PAS = 0.5;
    /** Pot life as a part of the turning time, where a label states a longer one than that. */
    private static final double LONGEST_POT = 0.9;

    private static final double APART_K = 3;

    /** @param paS of the fresh mix at {@code atC} */
    public record Second(double paS, double atC) {
        public Second {
            Faults faults = new Faults();
            faults.within("viscosity2", "The second viscosity", paS, 0.01, 1000, "Pa·s");
            faults.within("viscosity2At", "Its temperature", atC, 0, 60, "°C");
            faults.throwIfAny();
        }
    }

    public Viscosity {
        Faults faults = new Faults();
        faults.within("viscosity", "The viscosity", freshPaS, 0.01, 100, "Pa·s");
        faults.throwIfAny();
    }

    /** What a label says that may state one viscosity at its reference temperature. */
    public static Optional<Viscosity> of(OptionalDouble freshPaS) {
        return freshPaS.stream()
                .mapToObj(paS -> new Viscosity(paS, Optional.empty()))
                .findFirst();
    }

    /** The activation energy of its flow, kJ/mol. */
    public double flowKjPerMol(double referenceC) {
        return second.map(other ->
                        Math.log(other.paS() / freshPaS) / Math.log(1 / Arrhenius.factor(1, referenceC, other.atC())))
                .orElse(USUAL_FLOW_KJ_PER_MOL);
    }

    /** Two viscosities must be told apart by their temperatures, and the colder be the thicker. */
    void check(Faults faults, double referenceC) {
        second.ifPresent(other -> {
            if (!(Math.abs(other.atC() - referenceC) >= APART_K)) {
                faults.add(
                        "viscosity2At",
                        "The second viscosity must be for a temperature at least %s K from the label's own %s °C."
                                .formatted(Numbers.show(APART_K), Numbers.show(referenceC, 1)));
            } else if (!(flowKjPerMol(referenceC) >= 15 && flowKjPerMol(referenceC) <= 200)) {
                faults.add(
                        "viscosity2",
                        ("%s Pa·s at %s °C beside %s at %s °C cannot be: a mix is thicker when it is colder, "
                                        + "two to four times for 10 K.")
                                .formatted(
                                        Numbers.show(other.paS()),
                                        Numbers.show(other.atC(), 1),
                                        Numbers.show(freshPaS),
                                        Numbers.show(referenceC, 1)));
            }
        });
    }

    /** Of the fresh mix at a temperature, Pa·s. */
    double freshPaSAt(double referenceC, double temperatureC) {
        return freshPaS / Arrhenius.factor(flowKjPerMol(referenceC), referenceC, temperatureC);
    }

    /** By how much a mix has thickened at the end of its pot life: 2 to 4. */
    double thickerAtPotLife() {
        return DOUBLES_FROM_PAS * 2 / Math.max(QUADRUPLES_TO_PAS, Math.min(DOUBLES_FROM_PAS, freshPaS));
    }

    /**
     * How many times thicker than fresh a mix of an age is, at one temperature; without bound from the gel on.
     *
     * @param potAgeH the age at which pot life ends
     * @param gelAgeH the age at which it has gelled
     */
    double thickerAt(double ageH, double potAgeH, double gelAgeH) {
        return ageH >= gelAgeH ? Double.POSITIVE_INFINITY : Math.pow(1 - ageH / gelAgeH, -exponent(potAgeH, gelAgeH));
    }

    /** For how long a fresh mix would have to flow to flow as far as this one does until its gel: ∫(1 − a/g)^n da. */
    double freshHours(double potAgeH, double gelAgeH) {
        return gelAgeH / (exponent(potAgeH, gelAgeH) + 1);
    }

    private double exponent(double potAgeH, double gelAgeH) {
        return Math.log(thickerAtPotLife()) / -Math.log1p(-Math.min(LONGEST_POT, potAgeH / gelAgeH));
    }
}
