package nursery.core.film;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.CureClock;
import nursery.core.cure.Phase;
import nursery.core.cure.RoomCourse;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.resin.Label;
import nursery.core.resin.PotLife;

/**
 * One coat played through, away from any cup: how it cures, thickens, holds on the turner, levels and runs.
 *
 * <p>Viscosity: the label's, by the Arrhenius form with the temperature, and growing exponentially with the equivalent
 * age until the coat gels. Pot life is by the trade's usual definition the time to double the viscosity, or to
 * quadruple it below 1 Pa·s (from memory), which fixes the exponent. Carrying: Moffatt's limit at each moment
 * ({@link TurningLimit}). Levelling: a brush-wide ripple dies at Orchard's rate ({@link Levelling}), integrated over
 * the thickening film. Running: out of level by {@code φ} a film drains at {@code ρ·g·sin φ·h³/(3μ)} per unit of girth
 * (lubrication flow down a wall). The pot ages faster by its mass ({@link PotLife}).
 *
 * @param samples at even steps from the pour on
 * @param stopsSaggingAt from when the turner carries the film for good; empty if only the gel stops it
 * @param rippleLeft the part of a brush-wide ripple that is left when the coat has gelled
 * @param ranMl what ran to the low end by then
 */
public record CoatSimulation(
        List<Sample> samples,
        double filmMm,
        Optional<Duration> stopsSaggingAt,
        double rippleLeft,
        double ranMl,
        Duration gelledAfter,
        Duration potGoneAfter) {

    private static final int SAMPLES = 120;
    private static final int STEPS_A_SAMPLE = 10;
    private static final double GRAVITY = 9.80665;
    private static final double MM_PER_M = 1000;
    private static final double KG_PER_M3 = 1000;
    private static final double ML_PER_M3 = 1e6;
    private static final double THIN_PAS = 1;
    private static final double MINUTES_PER_HOUR = 60;

    /**
     * What is chosen.
     *
     * @param shareMl on the cup
     * @param tiltDegrees how far the turner is out of level
     * @param batchMl in the pot it came from
     */
    public record Choice(Label label, Blank blank, double shareMl, double rpm, double tiltDegrees, double batchMl) {
        public Choice {
            Faults faults = new Faults();
            faults.within("share", "The share", shareMl, 0.1, 500, "ml");
            faults.within("rpm", "The turner's speed", rpm, 0.2, 60, "rpm");
            faults.require(
                    tiltDegrees >= 0 && tiltDegrees <= 10,
                    "tilt",
                    "Tilt %s° is outside 0°–10°: level the turner or measure again."
                            .formatted(nursery.core.measure.Numbers.show(tiltDegrees)));
            faults.within("batch", "The mix in the pot", batchMl, 0.1, 5000, "ml");
            faults.require(
                    label.viscosityPaS().isPresent(),
                    "resin",
                    "This resin's label states no viscosity, so nothing can be said about how it flows: add it to "
                            + "its label.");
            faults.throwIfAny();
        }
    }

    /**
     * The coat at one moment.
     *
     * @param after since the pour
     * @param ageH equivalent age, hours at the label's reference
     * @param viscosityPaS of the film; empty once it has gelled
     * @param potPaS of what is still in the pot; empty once that has gone off
     * @param carriesMm the thickest film the turner carries then; empty once gelled
     * @param rippleLeft the part of a brush-wide ripple left
     * @param ranMl what has run to the low end so far
     */
    public record Sample(
            Duration after,
            double roomC,
            double ageH,
            Phase phase,
            OptionalDouble viscosityPaS,
            OptionalDouble potPaS,
            OptionalDouble carriesMm,
            double rippleLeft,
            double ranMl) {}

    /**
     * @param span how long to follow it
     * @throws InvalidInput if something chosen cannot be
     */
    public static CoatSimulation of(Choice choice, RoomCourse room, Instant pouredAt, Duration span) {
        return new Run(choice, room, pouredAt, span).play();
    }

    /** One play-through, with what builds up on the way. */
    private static final class Run {

        private final Choice choice;
        private final RoomCourse room;
        private final Instant pouredAt;
        private final Duration span;
        private final CureClock clock;
        private final double filmMm;
        private final double girthM;
        private final double narrowestMm;
        private final double growthPerHour;
        private final double potFaster;
        private double rippleLeft = 1;
        private double ranMl;

        Run(Choice choice, RoomCourse room, Instant pouredAt, Duration span) {
            this.choice = choice;
            this.room = room;
            this.pouredAt = pouredAt;
            this.span = span;
            this.clock = CureClock.of(choice.label());
            this.filmMm =
                    Film.thicknessMm(choice.shareMl(), choice.blank().area().coatedCm2());
            this.girthM = choice.blank().outline().stations().stream()
                            .mapToDouble(Station::circumferenceMm)
                            .average()
                            .orElseThrow()
                    / MM_PER_M;
            this.narrowestMm = choice.blank().coatedStations().stream()
                    .mapToDouble(Station::radiusMm)
                    .min()
                    .orElseThrow();
            double fresh = choice.label().viscosityPaS().orElseThrow();
            double potAgeH = PotLife.statedMin(choice.label()) / MINUTES_PER_HOUR;
            this.growthPerHour = Math.log(fresh < THIN_PAS ? 4 : 2) / potAgeH;
            this.potFaster = potAgeH
                    * MINUTES_PER_HOUR
                    / PotLife.minutes(
                            choice.label(), choice.batchMl(), choice.label().referenceC());
        }

        CoatSimulation play() {
            List<Sample> samples = new ArrayList<>();
            Duration step = span.dividedBy((long) SAMPLES * STEPS_A_SAMPLE);
            for (int i = 0; i <= SAMPLES; i++) {
                samples.add(sample(span.multipliedBy(i).dividedBy(SAMPLES)));
                for (int j = 0; j < STEPS_A_SAMPLE && i < SAMPLES; j++) {
                    advance(
                            pouredAt.plus(span.multipliedBy(i).dividedBy(SAMPLES))
                                    .plus(step.multipliedBy(j)),
                            step);
                }
            }
            CoatTimes times = new CoatTimes(choice.label(), room, pouredAt);
            Duration pot = Duration.between(pouredAt, times.at(potLifeAgeH()));
            return new CoatSimulation(
                    List.copyOf(samples),
                    filmMm,
                    stopsSagging(samples),
                    rippleLeft,
                    ranMl,
                    Duration.between(pouredAt, times.offTurnerFrom()),
                    pot);
        }

        /** The film's own clock when the pot, ageing faster, has reached its pot life. */
        private double potLifeAgeH() {
            return PotLife.statedMin(choice.label()) / MINUTES_PER_HOUR / potFaster;
        }

        private double ageH(Instant at) {
            return clock.equivalentAgeHours(room, pouredAt, at);
        }

        private OptionalDouble viscosity(Instant at, double ageH) {
            return ageH >= choice.label().times().turningH()
                    ? OptionalDouble.empty()
                    : OptionalDouble.of(choice.label()
                                    .viscosityPaSAt(room.temperatureCAt(at))
                                    .orElseThrow()
                            * Math.exp(growthPerHour * ageH));
        }

        private Sample sample(Duration after) {
            Instant at = pouredAt.plus(after);
            double age = ageH(at);
            OptionalDouble film = viscosity(at, age);
            OptionalDouble pot = age * potFaster >= choice.label().times().turningH() / 2
                    ? OptionalDouble.empty()
                    : viscosity(at, age * potFaster);
            OptionalDouble carries = film.isPresent()
                    ? OptionalDouble.of(TurningLimit.filmMm(
                            film.getAsDouble(),
                            choice.rpm(),
                            narrowestMm,
                            choice.label().mixDensityGPerMl()))
                    : OptionalDouble.empty();
            return new Sample(
                    after,
                    room.temperatureCAt(at),
                    age,
                    Phase.at(choice.label().times(), age),
                    film,
                    pot,
                    carries,
                    rippleLeft,
                    ranMl);
        }

        private void advance(Instant from, Duration step) {
            Instant middle = from.plus(step.dividedBy(2));
            OptionalDouble viscosity = viscosity(middle, ageH(middle));
            if (viscosity.isPresent()) {
                double seconds = step.toMillis() / 1000.0;
                rippleLeft *= Math.exp(-seconds
                        / Levelling.timeConstantSeconds(viscosity.getAsDouble(), TurnerCheck.RIPPLE_MM, filmMm));
                double filmM = filmMm / MM_PER_M;
                double perGirth = choice.label().mixDensityGPerMl()
                        * KG_PER_M3
                        * GRAVITY
                        * Math.sin(Math.toRadians(choice.tiltDegrees()))
                        * filmM
                        * filmM
                        * filmM
                        / (3 * viscosity.getAsDouble());
                ranMl = Math.min(choice.shareMl(), ranMl + perGirth * girthM * seconds * ML_PER_M3);
            }
        }

        private Optional<Duration> stopsSagging(List<Sample> samples) {
            Optional<Duration> from = Optional.empty();
            for (Sample sample : samples) {
                if (sample.carriesMm().isEmpty()) {
                    break;
                }
                if (sample.carriesMm().getAsDouble() < filmMm) {
                    from = Optional.empty();
                } else if (from.isEmpty()) {
                    from = Optional.of(sample.after());
                }
            }
            return from;
        }
    }
}
