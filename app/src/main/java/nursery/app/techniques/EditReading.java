package nursery.app.techniques;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.platform.FormReader;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.film.CoatRole;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.measure.VolumeUnit;
import nursery.core.technique.DecalSize;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import nursery.core.technique.Where;

/** Reads steps from the rows of an {@link EditForm}; every fault goes to the reader, under its own input. */
@Published
public final class EditReading {

    private static final Pattern A_BLOCK = Pattern.compile("\\d{1,3}\\|(base|layer|between|finish)\\|(.+)");

    private EditReading() {}

    static Optional<Technique> technique(FormReader reader, Map<String, String> typed, LengthUnit unit) {
        String name = reader.line("name", "The name", Technique.LONGEST_NAME, true);
        String about = reader.text("about", "What it is about", Technique.LONGEST_TEXT);
        List<Technique.Part> parts = new ArrayList<>();
        List<String> blocks = new ArrayList<>();
        List<TechniqueStep> inside = new ArrayList<>();
        Optional<Technique.Repeat> open = Optional.empty();
        String openedAt = "";
        for (EditForm.Row row : EditForm.rows(typed)) {
            String at = "s" + row.place();
            if (row.is("do", EditForm.REPEAT_FROM)) {
                reader.faults()
                        .require(
                                open.isEmpty(),
                                at + ".do",
                                "A repeat cannot hold another: close the first one before.");
                open = Optional.of(new Technique.Repeat(
                        row.value("title"),
                        whole(reader, row, "least"),
                        whole(reader, row, "most"),
                        whole(reader, row, "usual"),
                        List.of()));
                openedAt = at;
            } else if (row.is("do", EditForm.REPEAT_TO)) {
                reader.faults().require(open.isPresent(), at + ".do", "This closes a repeat that was not opened.");
                open.ifPresent(from -> parts.add(new Technique.Repeat(
                        from.title(), from.least(), from.most(), from.usual(), List.copyOf(inside))));
                blocks.add(row.value(EditForm.BLOCK));
                inside.clear();
                open = Optional.empty();
            } else {
                Optional<TechniqueStep> step = step(reader, row, at, unit);
                if (open.isPresent()) {
                    step.ifPresent(inside::add);
                } else {
                    step.map(Technique.Single::new).ifPresent(parts::add);
                    blocks.add(row.value(EditForm.BLOCK));
                }
            }
        }
        reader.faults()
                .require(
                        open.isEmpty(),
                        openedAt + ".do",
                        "This repeat is not closed: put “until here” behind its last step.");
        return reader.faults().none()
                ? reader.faults().attempt("steps", () -> new Technique(name, about, parts, blocks(blocks)))
                : Optional.empty();
    }

    /**
     * The steps of a cup's plan; a new one takes the next number from the one given.
     *
     * @param show what amounts and lengths are written in
     * @param mostMl the most one coat can be meant to have
     */
    public static List<PlanStep> steps(
            FormReader reader, Map<String, String> typed, int freeNumber, Show show, double mostMl) {
        List<PlanStep> steps = new ArrayList<>();
        int free = freeNumber;
        for (EditForm.Row row : EditForm.rows(typed)) {
            Optional<TechniqueStep> step = step(reader, row, "s" + row.place(), show.lengthUnit());
            boolean old = row.value("number").matches("\\d{1,6}") && row.is("do", row.value("was"));
            int number = old ? Integer.parseInt(row.value("number")) : free++;
            step.ifPresent(found -> steps.add(new PlanStep(
                    number,
                    found.kind(),
                    found.title(),
                    found.waiting(),
                    found.detail(),
                    found.role(),
                    found.how(),
                    found.size(),
                    found.kind().isPour()
                            ? pour(reader, "s" + row.place(), show.volumeUnit(), mostMl)
                            : OptionalDouble.empty())));
        }
        return steps;
    }

    private static Optional<TechniqueStep> step(FormReader reader, EditForm.Row row, String at, LengthUnit unit) {
        Optional<StepKind> kind = StepKind.named(row.value("do"));
        reader.faults()
                .require(
                        kind.isPresent(),
                        at + ".do",
                        row.value("do").isEmpty()
                                ? "Choose what this step is."
                                : "“%s” is no kind of step: choose one.".formatted(row.value("do")));
        Optional<Wait> wait = wait(reader, row, at);
        Optional<CoatRole> role = kind.filter(StepKind::isPour).flatMap(found -> CoatRole.named(row.value("coat")));
        kind.filter(StepKind::isPour).ifPresent(found -> reader.faults()
                .require(role.isPresent(), at + ".coat", "%s is a coat: choose which.".formatted(found.title())));
        List<School> only = Arrays.stream(row.value("only").split(","))
                .filter(school -> !school.isBlank())
                .flatMap(school -> Arrays.stream(School.values())
                        .filter(found -> found.name().equals(school.strip())))
                .toList();
        if (kind.isEmpty() || wait.isEmpty() || kind.get().isPour() != role.isPresent()) {
            return Optional.empty();
        }
        return Optional.of(new TechniqueStep(
                kind.get(),
                row.value("title").strip(),
                wait.get(),
                row.value("detail").strip(),
                role,
                how(reader, at, kind.get(), Fields.usual(kind.get()), unit),
                size(reader, row, at),
                only));
    }

    /**
     * How a step is done.
     *
     * @param at what the names of its inputs begin with
     * @param otherwise what is meant where the form has no such input
     * @param unit what the ends of a band are written in
     */
    public static Fields how(FormReader reader, String at, StepKind kind, Fields otherwise, LengthUnit unit) {
        Fields fields = otherwise;
        for (Field field : Field.of(kind)) {
            String input = at + "." + field.written();
            if (reader.fields().contains(input) && isBand(field, reader.raw(input))) {
                String band = at + "." + EditForm.BAND;
                fields = reader.faults()
                        .attempt(band, () -> Where.band(reader.raw(band), unit))
                        .map(fields::with)
                        .orElse(fields);
            } else if (reader.fields().contains(input)) {
                String written = reader.raw(input).strip();
                Optional<Fields> said = fields.with(field, written);
                reader.faults()
                        .require(
                                said.isPresent(),
                                input,
                                field.isChosen()
                                        ? "“%s” is none of what can be chosen here: choose one.".formatted(written)
                                        : "“%s” is no grit: write one number, or two such as 60–220, from %d to %d."
                                                .formatted(written, Grit.LOWEST, Grit.HIGHEST));
                fields = said.orElse(fields);
            }
        }
        return fields;
    }

    private static boolean isBand(Field field, String written) {
        return field == Field.PLACE && written.strip().equals(Where.Part.BAND.written());
    }

    /** What is to go on the cup, if it was decided; more than can be meant is asked about. */
    private static OptionalDouble pour(FormReader reader, String at, VolumeUnit unit, double mostMl) {
        OptionalDouble ml = reader.optionalQuantity(at + ".pour", unit);
        ml.ifPresent(value -> reader.faults()
                .require(
                        value > 0 && value <= mostMl,
                        at + ".pour",
                        "%s ml cannot be right on this cup: write more than 0 and at most %s ml, or leave it empty."
                                .formatted(Numbers.show(value, 1), Numbers.show(mostMl, 0))));
        return ml;
    }

    private static Optional<Wait> wait(FormReader reader, EditForm.Row row, String at) {
        String written = row.value("wait").isEmpty() ? Wait.Kind.NONE.written() : row.value("wait");
        Optional<Wait.Kind> kind = Wait.Kind.named(written);
        reader.faults().require(kind.isPresent(), at + ".wait", "“%s” is no wait: choose one.".formatted(written));
        return kind.flatMap(found -> switch (found) {
            case NONE, STRAIGHT_ON, SANDABLE, CURED -> Optional.of(Wait.of(found));
            case DRY, SETTLE, INTO_COAT ->
                minutes(reader, at)
                        .flatMap(minutes -> reader.faults().attempt(at + ".amount", () -> Wait.of(found, minutes)));
            case AGE -> age(reader, at);
        });
    }

    private static Optional<Wait> age(FormReader reader, String at) {
        double hours = reader.number(at + ".amount", "The hours on the cure clock");
        double fast = reader.optionalNumber(at + ".fast").orElse(hours);
        return Double.isNaN(hours)
                ? Optional.empty()
                : reader.faults().attempt(at + ".amount", () -> Wait.age(hours, fast));
    }

    private static Optional<Duration> minutes(FormReader reader, String at) {
        double minutes = reader.number(at + ".amount", "The minutes to wait");
        if (Double.isNaN(minutes)) {
            return Optional.empty();
        }
        boolean sane = reader.faults()
                .within(
                        at + ".amount",
                        "The minutes to wait",
                        minutes,
                        0,
                        Duration.ofDays(30).toMinutes(),
                        "min");
        return sane ? Optional.of(Duration.ofMinutes(Math.round(minutes))) : Optional.empty();
    }

    private static Optional<DecalSize> size(FormReader reader, EditForm.Row row, String at) {
        if (row.value("width").isBlank() && row.value("height").isBlank()) {
            return Optional.empty();
        }
        double width = reader.quantity(at + ".width", "The width", LengthUnit.MM);
        double height = reader.quantity(at + ".height", "The height", LengthUnit.MM);
        return Double.isNaN(width) || Double.isNaN(height)
                ? Optional.empty()
                : reader.faults().attempt(at + ".width", () -> new DecalSize(width, height));
    }

    private static int whole(FormReader reader, EditForm.Row row, String field) {
        String value = row.value(field).strip();
        boolean sane = value.matches("\\d{1,2}");
        reader.faults()
                .require(
                        sane,
                        "s%d.%s".formatted(row.place(), field),
                        "“%s” is no number of times: write 1 to %d."
                                .formatted(value.toLowerCase(Locale.ROOT), Technique.MOST_TIMES));
        return sane ? Integer.parseInt(value) : 0;
    }

    /** The blocks the rows still stand in, one a part; none if they were moved out of the order blocks have. */
    private static List<Technique.Block> blocks(List<String> ofParts) {
        List<Technique.Block> blocks = new ArrayList<>();
        String before = "";
        for (String part : ofParts) {
            Matcher known = A_BLOCK.matcher(part);
            if (!known.matches()) {
                return List.of();
            }
            if (part.equals(before)) {
                Technique.Block grown = blocks.remove(blocks.size() - 1);
                blocks.add(new Technique.Block(grown.place(), grown.title(), grown.parts() + 1));
            } else {
                Technique.Place place = Technique.Place.valueOf(known.group(1).toUpperCase(Locale.ROOT));
                blocks.add(new Technique.Block(place, known.group(2), 1));
            }
            before = part;
        }
        return Technique.inOrder(blocks.stream().map(Technique.Block::place).toList()) ? blocks : List.of();
    }
}
