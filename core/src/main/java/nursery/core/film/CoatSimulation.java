package nursery.core.film;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
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
import nursery.core.resin.Viscosity;

/**
 * One coat played through, away from any cup: how it cures, thickens, holds on the turner, levels and runs.
 *
 * <p>Thickening: {@link Viscosity}, at the film's own temperature ({@link Warmth}) and age. Carrying: Moffatt's limit
 * at each moment ({@link TurningLimit}). Levelling: a brush-wide ripple dies at Orchard's rate ({@link Levelling}).
 * Running: out of level by {@code φ} a film drains at {@code q = ρ·g·sin φ·h³/(3μ)} per unit of girth (lubrication flow
 * down a wall), which thins the whole film evenly: {@code dh/dt = −q·girth/area}, solved exactly for each step, so that
 * never more runs off than there is. All of it is followed to the gel, whatever span is drawn. The pot ages faster by
 * its mass ({@link PotLife}) and is followed to the end of its life.
 *
 * @param samples at even steps from the pour on
 * @param filmMm as poured, before anything runs
 * @param freshPaS of the mix as it meets the cup
 * @param sagsFor until the turner carries the film for good; zero if it always does
 * @param rippleLeft the part of a brush-wide ripple that is left when the coat has gelled
 * @param ranMl what ran to the low end by then
 */
public record CoatSimulation(
        List<Sample> samples,
        double filmMm,
        double freshPaS,
        Duration sagsFor,
        double rippleLeft,
        double ranMl,
        Duration gelledAfter,
        Duration potGoneAfter) {

    private static final int SAMPLES = 120;
    private static final int STEPS_TO_THE_GEL = 2400;
    /** As long as a short heat pass is still seen, but never more than so many steps. */
    private static final Duration LONGEST_STEP = Duration.ofSeconds(15);

    private static final int MOST_STEPS = 20_000;
    private static final double GRAVITY = 9.80665;
    private static final double MM_PER_M = 1000;
    private static final double KG_PER_M3 = 1000;
    private static final double CM2_PER_M2 = 1e4;
    private static final double MINUTES_PER_HOUR = 60;
    /** A mix so many times as thick as the label's own spreads badly; from memory. */
    private static final double SPREADS_BADLY = 1.5;

    /** Whether the mix meets the cup so cold that it will hardly spread (P28). */
    public boolean spreadsBadly(Label label) {
        return freshPaS > SPREADS_BADLY * label.viscosityPaS().orElseThrow();
    }

    /**
     * What is chosen.
     *
     * @param shareMl on the cup
     * @param tiltDegrees how far the turner is out of level
     * @param batchMl in the pot it came from
     * @param warmth how warm the film is where that is not the room
     */
    public record Choice(
            Label label, Blank blank, double shareMl, double rpm, double tiltDegrees, double batchMl, Warmth warmth) {
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
                    label.viscosity().isPresent(),
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
     * @param filmC as warm as the film is
     * @param ageH equivalent age, hours at the label's reference
     * @param viscosityPaS of the film; empty once it has gelled
     * @param potPaS of what is still in the pot; empty once that has gone off
     * @param filmMm the mean film, thinner by what has run
     * @param carriesMm the thickest film the turner carries then; empty once gelled
     * @param rippleLeft the part of a brush-wide ripple left
     * @param ranMl what has run to the low end so far
     */
    public record Sample(
            Duration after,
            double filmC,
            double ageH,
            Phase phase,
            OptionalDouble viscosityPaS,
            OptionalDouble potPaS,
            double filmMm,
            OptionalDouble carriesMm,
            double rippleLeft,
            double ranMl) {}

    /**
     * @param span how long to follow it
     * @throws InvalidInput if something chosen cannot be
     */
    public static CoatSimulation of(Choice choice, RoomCourse room, Instant pouredAt, Duration span) {
        return new Run(choice, room, pouredAt).play(span);
    }

    /** One play-through, with what builds up on the way. */
    private static final class Run {

        private final Choice choice;
        private final RoomCourse room;
        private final RoomCourse film;
        private final Instant pouredAt;
        private final CureClock clock;
        private final CoatTimes potTimes;
        private final double potAgeH;
        private final Instant gelledAt;
        private final double areaCm2;
        private final double girthM;
        private final double narrowestMm;
        private final double freshFilmMm;
        private Instant now;
        private double filmMm;
        private double rippleLeft = 1;
        private Duration sagsFor = Duration.ZERO;

        Run(Choice choice, RoomCourse room, Instant pouredAt) {
            this.choice = choice;
            this.room = room;
            this.film = choice.warmth().course(room, pouredAt);
            this.pouredAt = pouredAt;
            this.now = pouredAt;
            this.clock = CureClock.of(choice.label());
            this.potTimes = new CoatTimes(choice.label(), room, pouredAt);
            this.gelledAt = new CoatTimes(choice.label(), film, pouredAt).offTurnerFrom();
            this.areaCm2 = choice.blank().area().coatedCm2();
            List<Station> coated = choice.blank().coatedStations();
            this.girthM = meanGirthMm(coated) / MM_PER_M;
            this.narrowestMm =
                    coated.stream().mapToDouble(Station::radiusMm).min().orElseThrow();
            this.freshFilmMm = Film.thicknessMm(choice.shareMl(), areaCm2);
            this.filmMm = freshFilmMm;
            this.potAgeH = PotLife.statedMin(choice.label()) / MINUTES_PER_HOUR / potFaster();
        }

        /** How much faster the pot ages than a film of it. */
        private double potFaster() {
            return PotLife.statedMin(choice.label())
                    / PotLife.minutes(
                            choice.label(), choice.batchMl(), choice.label().referenceC());
        }

        CoatSimulation play(Duration span) {
            Duration toGel = Duration.between(pouredAt, gelledAt);
            Duration step = longest(
                    shortest(toGel.dividedBy(STEPS_TO_THE_GEL), LONGEST_STEP),
                    longest(toGel.dividedBy(MOST_STEPS), Duration.ofMillis(1)));
            List<Sample> samples = new ArrayList<>();
            for (int i = 0; i <= SAMPLES; i++) {
                Instant at = pouredAt.plus(span.multipliedBy(i).dividedBy(SAMPLES));
                advance(at, step);
                samples.add(sample(at));
            }
            advance(gelledAt, step);
            return new CoatSimulation(
                    List.copyOf(samples),
                    freshFilmMm,
                    samples.get(0).viscosityPaS().orElseThrow(),
                    sagsFor,
                    rippleLeft,
                    ranMl(),
                    toGel,
                    Duration.between(pouredAt, potTimes.at(potAgeH)));
        }

        private double ranMl() {
            return choice.shareMl() * (1 - filmMm / freshFilmMm);
        }

        private Sample sample(Instant at) {
            double age = clock.equivalentAgeHours(film, pouredAt, at);
            double potAge = potTimes.ageHoursAt(at);
            OptionalDouble viscosity = choice.label().viscosityPaSAt(film.temperatureCAt(at), age);
            return new Sample(
                    Duration.between(pouredAt, at),
                    film.temperatureCAt(at),
                    age,
                    Phase.at(choice.label().times(), age),
                    viscosity,
                    potAge >= potAgeH
                            ? OptionalDouble.empty()
                            : choice.label().viscosityPaSAt(room.temperatureCAt(at), potAge * potFaster()),
                    filmMm,
                    viscosity.isPresent() ? OptionalDouble.of(carriesMm(viscosity.getAsDouble())) : viscosity,
                    rippleLeft,
                    ranMl());
        }

        private double carriesMm(double viscosityPaS) {
            return TurningLimit.filmMm(
                    viscosityPaS, choice.rpm(), narrowestMm, choice.label().mixDensityGPerMl());
        }

        /** On by whole steps, so that nothing depends on what is drawn, until the next would go past a moment. */
        private void advance(Instant until, Duration step) {
            while (!now.plus(step).isAfter(until) && now.isBefore(gelledAt)) {
                Instant middle = now.plus(step.dividedBy(2));
                choice.label()
                        .viscosityPaSAt(film.temperatureCAt(middle), clock.equivalentAgeHours(film, pouredAt, middle))
                        .ifPresent(viscosity -> flow(viscosity, step));
                now = now.plus(step);
            }
        }

        private void flow(double viscosityPaS, Duration step) {
            double seconds = step.toNanos() / 1e9;
            rippleLeft *=
                    Math.exp(-seconds / Levelling.timeConstantSeconds(viscosityPaS, TurnerCheck.RIPPLE_MM, filmMm));
            double filmM = filmMm / MM_PER_M;
            double perCube = choice.label().mixDensityGPerMl()
                    * KG_PER_M3
                    * GRAVITY
                    * Math.sin(Math.toRadians(choice.tiltDegrees()))
                    / (3 * viscosityPaS)
                    * girthM
                    / (areaCm2 / CM2_PER_M2);
            filmMm /= Math.sqrt(1 + 2 * perCube * filmM * filmM * seconds);
            if (filmMm > carriesMm(viscosityPaS)) {
                sagsFor = Duration.between(pouredAt, now.plus(step));
            }
        }

        /** The girth of what is coated, each stretch weighted by its height. */
        private static double meanGirthMm(List<Station> stations) {
            double sum = 0;
            for (int i = 1; i < stations.size(); i++) {
                Station low = stations.get(i - 1);
                Station high = stations.get(i);
                sum += (low.circumferenceMm() + high.circumferenceMm()) / 2 * (high.heightMm() - low.heightMm());
            }
            return sum
                    / (stations.get(stations.size() - 1).heightMm()
                            - stations.get(0).heightMm());
        }

        private static Duration shortest(Duration a, Duration b) {
            return a.compareTo(b) <= 0 ? a : b;
        }

        private static Duration longest(Duration a, Duration b) {
            return a.compareTo(b) >= 0 ? a : b;
        }
    }
}
