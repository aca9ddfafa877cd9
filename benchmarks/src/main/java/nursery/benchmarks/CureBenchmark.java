package nursery.benchmarks;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.Calibration;
import nursery.core.cure.Calibration.Observation;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.Phase;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.cure.Touch;
import nursery.core.film.CoatSimulation;
import nursery.core.film.Warmth;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;

/** The cure clock over a month of five-minute readings. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class CureBenchmark {

    private static final Instant START = Instant.parse("2026-01-01T00:00:00Z");
    private static final int READINGS = 30 * 24 * 12;
    private static final int CUPS = 1000;
    private static final int COATS = 4;

    private final Label label = StartingProfile.REGULAR.label();
    private final List<RoomReading> readings = new ArrayList<>();
    private final List<Instant> pours = new ArrayList<>();
    private final List<Observation> touches = new ArrayList<>();

    @Setup
    public void month() {
        Random random = new Random(1);
        for (int i = 0; i < READINGS; i++) {
            readings.add(new RoomReading(
                    START.plus(Duration.ofMinutes(5L * i)), 18 + 5 * Math.sin(i / 46.0) + random.nextGaussian() * 0.2));
        }
        for (int i = 0; i < CUPS * COATS; i++) {
            pours.add(START.plus(Duration.ofMinutes(random.nextInt(29 * 24 * 60))));
        }
        RoomCourse room = new RoomCourse(readings);
        for (int i = 0; i < 40; i++) {
            Instant pour = pours.get(i);
            touches.add(Observation.of(
                    room,
                    i / 3,
                    pour,
                    pour.plus(Duration.ofMinutes(120 + random.nextInt(600))),
                    Touch.values()[random.nextInt(Touch.values().length)]));
        }
    }

    /** The room anew, and for each coat its age, its phase and the windows a page shows. */
    @Benchmark
    public void fourCoatsOnAThousandCups(Blackhole sink) {
        RoomCourse room = new RoomCourse(readings);
        Instant now = START.plus(Duration.ofDays(30));
        for (Instant pour : pours) {
            CoatTimes times = new CoatTimes(label, room, pour);
            Phase phase = times.phaseAt(now);
            sink.consume(phase);
            sink.consume(times.offTurnerFrom());
            sink.consume(times.tackWindow());
            sink.consume(times.sandableFrom());
        }
    }

    @Benchmark
    public Calibration learningFromFortyTouches() {
        return Calibration.of(label, touches);
    }

    @Benchmark
    public CoatSimulation oneCoatInTheLab() {
        return CoatSimulation.of(
                new CoatSimulation.Choice(
                        label,
                        new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)),
                        25,
                        6,
                        1,
                        50,
                        Warmth.OF_THE_ROOM),
                RoomCourse.steady(20),
                START,
                Duration.ofHours(8));
    }
}
