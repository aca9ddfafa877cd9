package nursery.core.resin;

/**
 * The Arrhenius factor {@code exp(-Ea/R · (1/T - 1/Tref))}: how much faster a thermally activated process runs at a
 * temperature.
 */
public final class Arrhenius {

    /** Molar gas constant, J/(mol·K): CODATA 2018, exact by definition of the SI. */
    public static final double GAS_CONSTANT = 8.314462618;

    private static final double ZERO_CELSIUS_K = 273.15;

    private Arrhenius() {}

    /**
     * @param activationKjPerMol activation energy, kJ/mol
     * @param referenceC the temperature at which the factor is 1, °C
     */
    public static double factor(double activationKjPerMol, double referenceC, double temperatureC) {
        return Math.exp(-activationKjPerMol
                * 1000
                / GAS_CONSTANT
                * (1 / (temperatureC + ZERO_CELSIUS_K) - 1 / (referenceC + ZERO_CELSIUS_K)));
    }
}
