package nursery.benchmarks;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.log.Cup;
import nursery.core.plan.RandomWorkshop;
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

/** What a cup's log says of it now: a thousand cups of twenty-five entries, in a room read every hour for a month. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class FoldBenchmark {

    private static final int CUPS = 1000;
    private static final int ENTRIES = 25;
    private static final Instant NOW = Instant.parse("2026-03-02T07:00:00Z");

    private final List<Cup> cups = RandomWorkshop.longLived(CUPS, ENTRIES);
    private final RoomCourse room = room();

    private static RoomCourse room() {
        List<RoomReading> readings = new ArrayList<>();
        for (int hour = -31 * 24; hour <= 0; hour++) {
            readings.add(new RoomReading(NOW.plus(Duration.ofHours(hour)), 20 + 3 * Math.sin(hour / 3.8)));
        }
        return new RoomCourse(readings);
    }

    /** Where each stands: what is done, its coats and what is next. */
    @Benchmark
    public void aThousandCups(Blackhole sink) {
        cups.forEach(cup -> sink.consume(cup.at(room, NOW)));
    }
}
