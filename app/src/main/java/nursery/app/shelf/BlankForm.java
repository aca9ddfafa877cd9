package nursery.app.shelf;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nursery.app.platform.FormReader;
import nursery.core.cup.Blank;
import nursery.core.cup.Outline;
import nursery.core.cup.OutlineForm;
import nursery.core.cup.Station;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.cup.Turned;
import nursery.core.floor.ShelfBlank;
import nursery.core.floor.Taped;
import nursery.core.measure.Edition;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.measure.Reading;

/** The form a blank is described on: between what was typed and a {@link Blank}. */
final class BlankForm {

    static final int LONGEST_NAME = 80;
    static final int ROWS = 12;
    private static final Pattern LENGTHS =
            Pattern.compile("height|\\w*[cC]ircumference|[hc]\\d+|rimBare|baseBare|handleGap");
    private static final Pattern OUTLINE_FIELD = Pattern.compile("outline\\[(\\d+)]\\.(height|circumference)Mm");

    private final FormReader reader;
    private final LengthUnit unit;
    private final List<Integer> rowsUsed = new ArrayList<>();

    BlankForm(Map<String, String> typed) {
        this.reader = new FormReader(typed);
        this.unit = reader.choice("unit", "The unit", LengthUnit.class).orElse(LengthUnit.MM);
    }

    LengthUnit unit() {
        return unit;
    }

    /** The unit chosen, and which fields have the other behind them. */
    Taped taped() {
        Set<String> otherwise = reader.fields().stream()
                .filter(field -> Reading.lengthNamed(reader.raw(field))
                        .filter(named -> named != unit)
                        .isPresent())
                .filter(field -> LENGTHS.matcher(field).matches())
                .collect(Collectors.toSet());
        return new Taped(unit, otherwise);
    }

    String name() {
        return reader.line("name", "The name", LONGEST_NAME, true);
    }

    Optional<Blank> blank() {
        Optional<Outline> outline = outline();
        double rimBareMm = bare("rimBare");
        double baseBareMm = bare("baseBare");
        double gapMm = bare("handleGap");
        OptionalDouble size = reader.optionalNumber("nominalOz");
        if (outline.isEmpty() || !reader.faults().none()) {
            return Optional.empty();
        }
        return reader.faults()
                .attempt(
                        "form",
                        () -> new Blank(
                                outline.get(),
                                reader.isTicked("baseCoated"),
                                rimBareMm,
                                baseBareMm,
                                gapMm,
                                size,
                                reader.isTicked("factoryCoat")));
    }

    /** @throws InvalidInput with everything wrong on the form */
    Blank blankOrThrow() {
        Optional<Blank> blank = blank();
        blank.flatMap(Blank::doubt).ifPresent(doubt -> reader.faults().require(reader.isTicked("sure"), "sure", doubt));
        return blank.filter(read -> faults().isEmpty()).orElseThrow(() -> new InvalidInput(faults()));
    }

    int version() {
        return reader.version();
    }

    /** The blank as it was, to the last digit, if nothing but its name was touched; else as it is typed. */
    Blank blankOrThrow(ShelfBlank before, LengthUnit shownIn) {
        Blank measured = blankOrThrow();
        boolean untouched = reader.isAsFilled(
                typedFrom(before, shownIn),
                Set.of("baseCoated", "factoryCoat", "sure"),
                Set.of("name", "version", "why", "token", "_csrf", "sure"));
        return untouched ? before.blank() : measured;
    }

    /** Whether it was measured wrong, which is what a maker means who says nothing, or is another from now on. */
    Edition.Why why() {
        return reader.raw("why").equals(Edition.Why.CHANGED.name()) ? Edition.Why.CHANGED : Edition.Why.CORRECTED;
    }

    /** Everything wrong, under the names of the inputs. */
    List<Fault> faults() {
        return reader.faults().found().stream().map(this::underInputName).toList();
    }

    private Optional<Outline> outline() {
        String form = reader.raw("form");
        return switch (form) {
            case "STRAIGHT" ->
                outline(() ->
                        new Straight(length("height", "The height"), length("circumference", "The circumference")));
            case "TAPERED" ->
                outline(() -> new Tapered(
                        length("height", "The height"),
                        length("baseCircumference", "The circumference at the base"),
                        length("rimCircumference", "The circumference at the rim")));
            case "TURNED" -> outline(this::turned);
            default -> {
                reader.faults().add("form", "The form: choose straight, tapered or turned.");
                yield Optional.empty();
            }
        };
    }

    /** Reads the lengths first, so that a missing one is told as missing and not as a cup of the wrong size. */
    private Optional<Outline> outline(Supplier<Outline> reading) {
        int before = reader.faults().found().size();
        FormReader lookAhead = new FormReader(Map.of());
        Optional<Outline> outline = lookAhead.faults().attempt("form", reading);
        if (reader.faults().found().size() == before) {
            lookAhead.faults().found().forEach(fault -> reader.faults().add(fault.field(), fault.message()));
        }
        return reader.faults().none() ? outline : Optional.empty();
    }

    private Turned turned() {
        List<Station> stations = new ArrayList<>();
        for (int row = 0; row < ROWS; row++) {
            if (!reader.raw("h" + row).isEmpty() || !reader.raw("c" + row).isEmpty()) {
                rowsUsed.add(row);
                stations.add(new Station(length("h" + row, "The height"), length("c" + row, "The circumference")));
            }
        }
        return new Turned(stations);
    }

    private double length(String field, String what) {
        return reader.quantity(field, what, unit);
    }

    private double bare(String field) {
        return reader.optionalQuantity(field, unit).orElse(0);
    }

    private Fault underInputName(Fault fault) {
        Matcher station = OUTLINE_FIELD.matcher(fault.field());
        if (!station.matches()) {
            return fault;
        }
        int row = rowsUsed.get(Integer.parseInt(station.group(1)));
        return new Fault(("height".equals(station.group(2)) ? "h" : "c") + row, fault.message());
    }

    /** What the inputs hold for a blank that is on the shelf already. */
    static Map<String, String> typedFrom(ShelfBlank shelved, LengthUnit shops) {
        Taped tape = shelved.taped().orElseGet(() -> new Taped(shops, Set.of()));
        Blank blank = shelved.blank();
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("name", shelved.name());
        typed.put("unit", tape.unit().name());
        typed.put("form", OutlineForm.of(blank.outline()).name());
        typed.put("height", tape.write("height", blank.outline().heightMm()));
        typed.put("circumference", tape.write("circumference", blank.outline().baseCircumferenceMm()));
        typed.put(
                "baseCircumference",
                tape.write("baseCircumference", blank.outline().baseCircumferenceMm()));
        typed.put(
                "rimCircumference",
                tape.write("rimCircumference", blank.outline().rimCircumferenceMm()));
        List<Station> stations = blank.outline().stations();
        IntStream.range(0, stations.size()).forEach(i -> {
            typed.put("h" + i, tape.write("h" + i, stations.get(i).heightMm()));
            typed.put("c" + i, tape.write("c" + i, stations.get(i).circumferenceMm()));
        });
        if (blank.baseCoated()) {
            typed.put("baseCoated", "on");
        }
        if (blank.factoryCoat()) {
            typed.put("factoryCoat", "on");
        }
        typed.put("rimBare", tape.write("rimBare", blank.rimBareMm()));
        typed.put("baseBare", tape.write("baseBare", blank.baseBareMm()));
        typed.put("handleGap", tape.write("handleGap", blank.handleGapMm()));
        blank.nominalOz().ifPresent(oz -> typed.put("nominalOz", Numbers.show(oz)));
        typed.put("version", String.valueOf(shelved.version()));
        return typed;
    }
}
