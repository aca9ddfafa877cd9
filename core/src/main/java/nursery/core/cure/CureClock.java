package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import nursery.core.cure.RoomCourse.Stretch;
import nursery.core.resin.Arrhenius;
import nursery.core.resin.Label;

/**
 * The clock a coat cures by: its equivalent age, which is how old it would be had it spent its life at the label's
 * reference temperature.
 *
 * <p>Model: the maturity method of ASTM C1074 with the Arrhenius rate of Freiesleben Hansen and Pedersen (1977),
 * {@code k = exp(-Ea/R · (1/T - 1/Tref))}, age {@code = ∫ k dt}. Applied here to epoxy instead of concrete; a coat is
 * thin, so it is taken to be as warm as the room. Valid between the temperatures a label's times hold for, roughly
 * 10 to 35 °C.
 *
 * <p>Method: the temperature is linear on each stretch and the rate smooth, so Gauss–Legendre quadrature with eight
 * points over at most {@value #MAX_SPAN_K} K is exact to rounding and does not depend on how a straight line was
 * sampled. The closed form with exponential integrals cancels badly where the temperature hardly changes.
 */
public final class CureClock {

    private static final double MAX_SPAN_K = 10;
    private static final double TOLERANCE_H = 1e-9;

    /** Abscissae and weights for eight points on [-1, 1]: Abramowitz and Stegun, table 25.4. */
    private static final double[] NODES = {0.183434642495649805, 0.525532409916328986, 0.796666477413626740, 0.960289856497536232};
    private static final double[] WEIGHTS = {0.362683783378361983, 0.313706645877887287, 0.222381034453374471, 0.101228536290376259};

    private final double referenceC;
    private final double activationKjPerMol;

    /**
     * @param referenceC         temperature at which the clock runs at label speed, °C
     * @param activationKjPerMol activation energy, kJ/mol
     */
    public CureClock(double referenceC, double activationKjPerMol) {
        this.referenceC = referenceC;
        this.activationKjPerMol = activationKjPerMol;
    }

    public static CureClock of(Label label) {
        return new CureClock(label.referenceC(), label.activationKjPerMol());
    }

    /** How fast a coat cures at a temperature, relative to label speed. */
    public double rateAt(double temperatureC) {
        return Arrhenius.factor(activationKjPerMol, referenceC, temperatureC);
    }

    /**
     * The age gained between two moments, in hours at the reference temperature.
     *
     * @throws IllegalArgumentException if {@code until} is before {@code from}
     */
    public double equivalentAgeHours(RoomCourse room, Instant from, Instant until) {
        if (until.isBefore(from)) {
            throw new IllegalArgumentException("The end %s is before the start %s.".formatted(until, from));
        }
        return room.stretches(from, until).stream().mapToDouble(stretch -> age(stretch, stretch.hours())).sum();
    }

    /** The moment a coat poured at {@code from} reaches an age, in hours at the reference temperature. */
    public Instant whenReached(RoomCourse room, Instant from, double ageHours) {
        double missing = ageHours;
        Instant start = from;
        if (from.isBefore(room.lastReadingAt())) {
            for (Stretch stretch : room.stretches(from, room.lastReadingAt())) {
                double gained = age(stretch, stretch.hours());
                if (gained >= missing) {
                    return plusHours(stretch.from(), elapsedUntil(stretch, missing));
                }
                missing -= gained;
            }
            start = room.lastReadingAt();
        }
        return plusHours(start, missing / rateAt(room.temperatureCAt(start)));
    }

    /** Newton's method on a monotone function, kept inside its bracket by bisection. */
    private double elapsedUntil(Stretch stretch, double ageHours) {
        double low = 0;
        double high = stretch.hours();
        double elapsed = high * ageHours / age(stretch, high);
        while (high - low > TOLERANCE_H) {
            double over = age(stretch, elapsed) - ageHours;
            if (over > 0) {
                high = elapsed;
            } else {
                low = elapsed;
            }
            double next = elapsed - over / rateAt(stretch.temperatureCAfter(elapsed));
            if (Math.abs(next - elapsed) < TOLERANCE_H) {
                return next;
            }
            elapsed = next > low && next < high ? next : (low + high) / 2;
        }
        return elapsed;
    }

    private double age(Stretch stretch, double elapsedHours) {
        double endC = stretch.temperatureCAfter(elapsedHours);
        int parts = Math.max(1, (int) Math.ceil(Math.abs(endC - stretch.startC()) / MAX_SPAN_K));
        double step = elapsedHours / parts;
        double sum = 0;
        for (int part = 0; part < parts; part++) {
            sum += quadrature(stretch, (part + 0.5) * step, step / 2);
        }
        return sum;
    }

    private double quadrature(Stretch stretch, double middle, double halfWidth) {
        double sum = 0;
        for (int i = 0; i < NODES.length; i++) {
            double offset = NODES[i] * halfWidth;
            sum += WEIGHTS[i] * (rateAt(stretch.temperatureCAfter(middle - offset)) + rateAt(stretch.temperatureCAfter(middle + offset)));
        }
        return sum * halfWidth;
    }

    private static Instant plusHours(Instant from, double hours) {
        return from.plus(Duration.ofMillis(Math.round(hours * 3_600_000)));
    }
}
