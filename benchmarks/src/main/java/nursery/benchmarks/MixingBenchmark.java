package nursery.benchmarks;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import nursery.core.cup.Blank;
import nursery.core.cup.Tapered;
import nursery.core.film.Carrier;
import nursery.core.film.CoatRole;
import nursery.core.film.Onto;
import nursery.core.film.Share;
import nursery.core.film.Texture;
import nursery.core.film.TurnerCheck;
import nursery.core.film.Way;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Label;
import nursery.core.resin.Losses;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Pace;
import nursery.core.resin.Portion;
import nursery.core.resin.StartingProfile;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;

/**
 * A batch sheet for 40 cups from scratch: areas, shares, losses, fills, order, pot life and what the turner carries.
 * Aim: under 5 ms.
 */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 1)
@Measurement(iterations = 5, time = 1)
public class MixingBenchmark {

    private static final int CUPS = 40;
    private static final double ROOM_C = 21;
    private final Label label = StartingProfile.REGULAR.label();
    private final MeasuringCup cup = new MeasuringCup(60, 2.5, 34, 42);
    private final List<Blank> blanks = IntStream.range(0, CUPS)
            .mapToObj(i -> new Blank(new Tapered(120 + 2 * i, 220, 220 + 2 * i), true, 5, 5, 0, OptionalDouble.of(20)))
            .toList();

    @Benchmark
    public BatchSheet sheetForFortyCups(Blackhole sink) {
        List<Portion> portions = IntStream.range(0, CUPS)
                .mapToObj(i -> {
                    double ml = Share.of(
                                    blanks.get(i),
                                    blanks.get(i),
                                    CoatRole.FLOOD,
                                    new Onto(Texture.FINE, 0, Onto.Below.THIN_FILM),
                                    Way.THIN,
                                    label,
                                    Carrier.spindle(6, ROOM_C))
                            .suggestedMl();
                    sink.consume(TurnerCheck.of(blanks.get(i), label, ml, 6, ROOM_C));
                    return new Portion("A-" + i, ml, Optional.of(Instant.EPOCH.plusSeconds(i)));
                })
                .toList();
        return BatchSheet.of(label, portions, Losses.USUAL, cup, new Pace(4, 6), ROOM_C);
    }
}
