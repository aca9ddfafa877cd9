package nursery.core.cure;

import java.time.Instant;
import java.util.Arrays;
import nursery.core.resin.Arrhenius;
import nursery.core.resin.Label;

/**
 * The clock a coat cures by: its equivalent age, which is how old it would be had it spent its life at the label's
 * reference temperature.
 *
 * <p>Model: the maturity method of ASTM C1074 with the Arrhenius rate of Freiesleben Hansen and Pedersen (1977),
 * {@code k = exp(-Ea/R · (1/T - 1/Tref))}, age {@code = ∫ k dt}. Applied here to epoxy instead of concrete; a coat is
 * thin, so it is taken to be as warm as the room. Valid between the temperatures a label's times hold for, roughly 10
 * to 35 °C.
 *
 * <p>Method: the temperature is linear on each stretch and the rate smooth, so Gauss–Legendre quadrature with eight
 * points over at most {@value #MAX_SPAN_K} K is exact to rounding and does not depend on how a straight line was
 * sampled. What each stretch adds is summed once for a room (compensated, after Kahan), so an age is a difference of
 * two sums and a moment is found by halving. The closed form with exponential integrals cancels badly where the
 * temperature hardly changes.
 *
 * @param referenceC temperature at which the clock runs at label speed, °C
 * @param activationKjPerMol activation energy, kJ/mol
 */
public record CureClock(double referenceC, double activationKjPerMol) {

    private static final double MAX_SPAN_K = 10;
    private static final double TOLERANCE_H = 1e-9;
    /** Abscissae and weights for eight points on [-1, 1]: Abramowitz and Stegun, table 25.4. */
    private static final double[] NODES = {
        0.183434642495649805, 0.525532409916328986, 0.796666477413626740, 0.960289856497536232
    };

    private static final double[] WEIGHTS = {
        0.362683783378361983, 0.313706645877887287, 0.222381034453374471, 0.101228536290376259
    };

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
        double fromH = room.hoursAt(from);
        double untilH = room.hoursAt(until);
        // Within one stretch nothing is subtracted, so that a short age stays exact after a long history.
        int stretch = room.stretchAt(fromH);
        if (stretch == room.stretchAt(untilH)) {
            return within(room, stretch, fromH, untilH);
        }
        return ageAt(room, untilH) - ageAt(room, fromH);
    }

    /** The moment a coat poured at {@code from} reaches an age, in hours at the reference temperature. */
    public Instant whenReached(RoomCourse room, Instant from, double ageHours) {
        double target = ageAt(room, room.hoursAt(from)) + ageHours;
        double[] ages = room.ages(this);
        int last = room.stretches();
        if (target <= ages[0]) {
            return room.instant(room.startH(0) + (target - ages[0]) / rateAt(room.startC(0)));
        }
        if (target >= ages[last]) {
            return room.instant(room.startH(last) + (target - ages[last]) / rateAt(room.startC(last)));
        }
        int found = Arrays.binarySearch(ages, target);
        int stretch = found >= 0 ? found : -found - 2;
        return room.instant(room.startH(stretch) + elapsedUntil(room, stretch, target - ages[stretch]));
    }

    /** The sums a room keeps: the age gained by each of its readings. */
    double[] ages(RoomCourse room) {
        double[] ages = new double[room.stretches() + 1];
        double lost = 0;
        for (int i = 0; i < room.stretches(); i++) {
            double gained = within(room, i, room.startH(i), room.startH(i + 1)) - lost;
            ages[i + 1] = ages[i] + gained;
            lost = ages[i + 1] - ages[i] - gained;
        }
        return ages;
    }

    private double ageAt(RoomCourse room, double hour) {
        int stretch = room.stretchAt(hour);
        return stretch < 0
                ? within(room, stretch, room.startH(0), hour)
                : room.ages(this)[stretch] + within(room, stretch, room.startH(stretch), hour);
    }

    /** Newton's method on a monotone function, kept inside its bracket by bisection. */
    private double elapsedUntil(RoomCourse room, int stretch, double ageHours) {
        double startH = room.startH(stretch);
        double low = 0;
        double high = room.startH(stretch + 1) - startH;
        double elapsed = high * ageHours / within(room, stretch, startH, startH + high);
        while (high - low > TOLERANCE_H) {
            double over = within(room, stretch, startH, startH + elapsed) - ageHours;
            if (over > 0) {
                high = elapsed;
            } else {
                low = elapsed;
            }
            double next = elapsed - over / rateAt(room.temperatureAfter(startH + elapsed));
            if (Math.abs(next - elapsed) < TOLERANCE_H) {
                return next;
            }
            elapsed = next > low && next < high ? next : (low + high) / 2;
        }
        return elapsed;
    }

    /**
     * The age gained between two hours of one stretch; before the first and after the last reading the room stands
     * still.
     */
    private double within(RoomCourse room, int stretch, double fromH, double untilH) {
        if (stretch < 0 || stretch >= room.stretches()) {
            return (untilH - fromH) * rateAt(room.startC(Math.max(0, stretch)));
        }
        double startH = room.startH(stretch);
        double slope = (room.startC(stretch + 1) - room.startC(stretch)) / (room.startH(stretch + 1) - startH);
        double fromC = room.startC(stretch) + slope * (fromH - startH);
        if (slope == 0) {
            return (untilH - fromH) * rateAt(fromC);
        }
        int parts = Math.max(1, (int) Math.ceil(Math.abs(slope * (untilH - fromH)) / MAX_SPAN_K));
        double step = (untilH - fromH) / parts;
        double sum = 0;
        for (int part = 0; part < parts; part++) {
            sum += quadrature(fromC, slope, (part + 0.5) * step, step / 2);
        }
        return sum;
    }

    private double quadrature(double fromC, double slope, double middle, double halfWidth) {
        double sum = 0;
        for (int i = 0; i < NODES.length; i++) {
            double offset = NODES[i] * halfWidth;
            sum += WEIGHTS[i] * (rateAt(fromC + slope * (middle - offset)) + rateAt(fromC + slope * (middle + offset)));
        }
        return sum * halfWidth;
    }
}
