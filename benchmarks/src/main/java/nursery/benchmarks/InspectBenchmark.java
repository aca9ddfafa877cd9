package nursery.benchmarks;

import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import nursery.core.inspect.Diagnosis;
import nursery.core.inspect.Fact;
import nursery.core.inspect.Facts;
import nursery.core.inspect.StartingModel;
import nursery.core.log.Blemish;
import nursery.core.log.Extent;
import nursery.core.log.Sighting;
import nursery.core.log.Zone;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A coat looked at: causes, reasons and the next question, for so many kinds of fault at once. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
@Fork(1)
public class InspectBenchmark {

    @Param({"1", "3", "6", "10"})
    private int faults = 1;

    private final Facts facts = new Facts(Map.of(
            Fact.FILM_MM, 0.71, Fact.CARRIES_MM, 0.55, Fact.AMBIENT_C, 16.0, Fact.HUMIDITY, 72.0, Fact.AGE_H, 30.0));

    @Benchmark
    public Diagnosis diagnosis() {
        List<Sighting> seen = List.of(Blemish.values()).subList(0, faults).stream()
                .map(fault -> new Sighting(fault, Zone.MIDDLE, Extent.SOME))
                .toList();
        return Diagnosis.of(StartingModel.MODEL, seen, Map.of("nail-marks", true), facts);
    }
}
