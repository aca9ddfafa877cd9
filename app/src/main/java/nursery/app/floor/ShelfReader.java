package nursery.app.floor;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.floor.ShelfReadMapper.BlankStationRow;
import nursery.app.floor.ShelfReadMapper.ResinEditionRow;
import nursery.app.floor.ShelfReadMapper.SpindleRow;
import nursery.core.cup.Blank;
import nursery.core.cup.OutlineForm;
import nursery.core.cup.Station;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.floor.ShelfCup;
import nursery.core.floor.Taped;
import nursery.core.floor.Turner;
import nursery.core.log.Spindle;
import nursery.core.measure.Edition;
import nursery.core.measure.Editions;
import nursery.core.measure.VolumeUnit;
import nursery.core.resin.Densities;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.MixRatio;
import nursery.core.resin.Resin;
import nursery.core.resin.Viscosity;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The shelf, read anew only when something on it has changed. */
@Component
class ShelfReader {

    private final ShelfReadMapper mapper;
    private final ByStamp<Shelf> known = new ByStamp<>();

    ShelfReader(ShelfReadMapper mapper) {
        this.mapper = mapper;
    }

    Shelf shelf(long stamp) {
        return known.at(stamp, () -> new Shelf(resins(), blanks(), turners(), measuringCups()));
    }

    private List<Resin> resins() {
        return grouped(mapper.resins(), ResinEditionRow::id).stream()
                .map(rows -> {
                    List<Edition<Resin.Copy>> editions =
                            rows.stream().map(ShelfReader::edition).toList();
                    return new Resin(
                            rows.get(0).id(),
                            rows.get(0).name(),
                            new Editions<>(editions),
                            rows.get(0).version());
                })
                .toList();
    }

    private static Edition<Resin.Copy> edition(ResinEditionRow row) {
        Optional<Densities> densities = row.densityA() == null || row.densityB() == null
                ? Optional.empty()
                : Optional.of(new Densities(row.densityA(), row.densityB()));
        LabelTimes times = new LabelTimes(
                row.workingH(),
                row.turningH(),
                row.recoatFromH(),
                row.recoatUntilH(),
                row.sandableFromH(),
                row.sandableSureH(),
                row.scuffAfterH(),
                row.curedH(),
                row.fullCureH());
        Label printed = new Label(
                MixRatio.parse(row.ratio()),
                times,
                row.referenceC(),
                row.activation(),
                densities,
                viscosity(row),
                optional(row.potLife()),
                optional(row.tolerance()));
        Optional<Resin.Found> found =
                row.foundSpeed() == null || row.foundActivation() == null || row.foundObservations() == null
                        ? Optional.empty()
                        : Optional.of(
                                new Resin.Found(row.foundSpeed(), row.foundActivation(), row.foundObservations()));
        return new Edition<>(
                row.number(),
                row.product(),
                new Resin.Copy(printed, found, row.source()),
                row.madeAt(),
                row.madeBy(),
                Edition.Why.valueOf(row.why()));
    }

    private List<ShelfBlank> blanks() {
        return grouped(mapper.blanks(), BlankStationRow::id).stream()
                .map(rows -> {
                    List<Edition<Blank>> editions = grouped(rows, row -> (long) row.number()).stream()
                            .map(ShelfReader::blank)
                            .toList();
                    return new ShelfBlank(
                            rows.get(0).id(),
                            rows.get(0).name(),
                            new Editions<>(editions),
                            Optional.ofNullable(rows.get(0).taped()).map(Taped::parse),
                            rows.get(0).version());
                })
                .toList();
    }

    private static Edition<Blank> blank(List<BlankStationRow> rows) {
        BlankStationRow row = rows.get(0);
        List<Station> stations = rows.stream()
                .map(one -> new Station(one.heightMm(), one.circumferenceMm()))
                .toList();
        Blank blank = new Blank(
                OutlineForm.valueOf(row.form()).through(stations),
                row.baseCoated(),
                row.rimBareMm(),
                row.baseBareMm(),
                row.handleGapMm(),
                optional(row.nominalOz()),
                row.factoryCoat());
        return new Edition<>(
                row.number(), row.product(), blank, row.madeAt(), row.madeBy(), Edition.Why.valueOf(row.why()));
    }

    private List<Turner> turners() {
        return grouped(mapper.spindles(), SpindleRow::turnerId).stream()
                .map(rows -> {
                    List<Spindle> spindles = rows.stream()
                            .flatMap(row -> row.id() == null || row.name() == null
                                    ? Stream.empty()
                                    : Stream.of(new Spindle(row.id(), row.name(), row.rpm())))
                            .toList();
                    return new Turner(
                            rows.get(0).turnerId(),
                            rows.get(0).turner(),
                            rows.get(0).rpm(),
                            rows.get(0).speedAssumed(),
                            spindles);
                })
                .toList();
    }

    private List<ShelfCup> measuringCups() {
        return mapper.measuringCups().stream()
                .map(row -> new ShelfCup(
                        row.id(),
                        row.name(),
                        new MeasuringCup(
                                row.capacityMl(),
                                row.markMl(),
                                row.bottomMm(),
                                row.topMm(),
                                VolumeUnit.valueOf(row.marks())),
                        row.atHand()))
                .toList();
    }

    /** Rows of one thing together, in the order they came. */
    private static <T> List<List<T>> grouped(List<T> rows, Function<T, Long> key) {
        Map<Long, List<T>> groups = rows.stream()
                .collect(Collectors.groupingBy(key, LinkedHashMap::new, Collectors.toCollection(ArrayList::new)));
        return List.copyOf(groups.values());
    }

    private static Optional<Viscosity> viscosity(ResinEditionRow row) {
        if (row.viscosity() == null) {
            return Optional.empty();
        }
        return Optional.of(new Viscosity(
                row.viscosity(),
                row.viscosity2() == null || row.viscosity2C() == null
                        ? Optional.empty()
                        : Optional.of(new Viscosity.Second(row.viscosity2(), row.viscosity2C()))));
    }

    private static OptionalDouble optional(@Nullable Double value) {
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
