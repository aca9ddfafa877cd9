package nursery.app.techniques;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.platform.FormReader;
import nursery.app.platform.Published;
import nursery.core.film.CoatRole;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.technique.DecalSize;
import nursery.core.technique.Material;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import org.springframework.ui.Model;

/**
 * Steps as a form: rows of inputs, {@code s0.do} and so on. A group of steps is a row that opens it and a row that
 * closes it. Nothing is kept on the server while it is edited; the form itself is the draft.
 */
@Published
public final class EditForm {

    /** What a row can be beside a step. */
    static final String REPEAT_FROM = "repeat-from";

    static final String REPEAT_TO = "repeat-to";
    private static final List<String> FIELDS = List.of(
            "do",
            "title",
            "detail",
            "wait",
            "amount",
            "fast",
            "coat",
            "material",
            "width",
            "height",
            "grit",
            "only",
            "number",
            "was",
            "open",
            "least",
            "most",
            "usual");

    private static final Map<String, String> WAITS = waits();

    private EditForm() {}

    /** One row as it stands in the form. */
    public record Row(int place, Map<String, String> values) {

        public String value(String field) {
            return values.getOrDefault(field, "");
        }

        public boolean is(String field, String value) {
            return value(field).equals(value);
        }

        public String title() {
            if (value("do").equals(REPEAT_TO)) {
                return "Until here";
            }
            String title = value("title");
            return value("do").equals(REPEAT_FROM)
                    ? "Several times: " + title
                    : title.isEmpty()
                            ? StepKind.named(value("do")).map(StepKind::title).orElse("A step")
                            : title;
        }

        public boolean isPour() {
            return StepKind.named(value("do")).filter(StepKind::isPour).isPresent();
        }

        /** The schools it belongs to, in words. */
        public String onlyWords() {
            return Arrays.stream(School.values())
                    .filter(school -> Arrays.asList(value("only").split(",")).contains(school.name()))
                    .map(School::words)
                    .collect(Collectors.joining(", or "));
        }

        public boolean isRepeat() {
            return value("do").startsWith("repeat");
        }
    }

    static Map<String, String> filled(Technique technique) {
        List<Map<String, String>> rows = new ArrayList<>();
        for (Technique.Part part : technique.parts()) {
            if (part instanceof Technique.Repeat repeat) {
                rows.add(new LinkedHashMap<>(Map.of(
                        "do",
                        REPEAT_FROM,
                        "title",
                        repeat.title(),
                        "least",
                        "" + repeat.least(),
                        "most",
                        "" + repeat.most(),
                        "usual",
                        "" + repeat.usual())));
                repeat.steps().forEach(step -> rows.add(row(step)));
                rows.add(new LinkedHashMap<>(Map.of("do", REPEAT_TO)));
            } else if (part instanceof Technique.Single single) {
                rows.add(row(single.step()));
            }
        }
        Map<String, String> typed = new LinkedHashMap<>(Map.of("name", technique.name(), "about", technique.about()));
        typed.putAll(numbered(rows));
        return typed;
    }

    /** The steps of a cup's own plan, each with its number. */
    public static Map<String, String> filled(List<PlanStep> steps) {
        return numbered(steps.stream()
                .map(step -> {
                    Map<String, String> row = row(new TechniqueStep(
                            step.kind(),
                            step.title(),
                            step.waiting(),
                            step.detail(),
                            step.role(),
                            step.material(),
                            step.size(),
                            step.grit(),
                            List.of()));
                    row.put("number", String.valueOf(step.number()));
                    return row;
                })
                .toList());
    }

    /** What every form of steps has to choose from. */
    public static void choices(Model model, Map<String, String> typed) {
        model.addAttribute("rows", rows(typed));
        model.addAttribute("kinds", StepKind.values());
        model.addAttribute("roles", CoatRole.values());
        model.addAttribute("materials", Material.values());
        model.addAttribute("schools", School.values());
        model.addAttribute("waits", WAITS);
    }

    private static Map<String, String> row(TechniqueStep step) {
        Map<String, String> row = new LinkedHashMap<>();
        Wait wait = step.waiting();
        row.put("do", step.kind().written());
        row.put("was", step.kind().written());
        row.put("title", step.title());
        row.put("detail", step.detail());
        row.put("wait", wait.kind().written());
        row.put(
                "amount",
                wait.kind().isMinutes()
                        ? String.valueOf(wait.atLeast().toMinutes())
                        : wait.kind() == Wait.Kind.AGE ? Numbers.show(wait.hours()) : "");
        row.put("fast", wait.fastHours() != wait.hours() ? Numbers.show(wait.fastHours()) : "");
        row.put("coat", step.role().map(CoatRole::written).orElse(""));
        row.put("material", step.material().written());
        row.put(
                "width",
                step.size().map(size -> Numbers.show(size.widthMm(), 1)).orElse(""));
        row.put(
                "height",
                step.size().map(size -> Numbers.show(size.heightMm(), 1)).orElse(""));
        row.put("grit", step.grit());
        row.put("only", String.join(",", step.only().stream().map(School::name).toList()));
        return row;
    }

    public static List<Row> rows(Map<String, String> typed) {
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < Technique.MOST_PARTS * 2 && typed.containsKey("s" + i + ".do"); i++) {
            Map<String, String> values = new LinkedHashMap<>();
            for (String field : FIELDS) {
                values.put(field, typed.getOrDefault("s" + i + "." + field, ""));
            }
            rows.add(new Row(i, values));
        }
        return rows;
    }

    /** The form after a button between the rows was pressed, such as {@code up-3}. */
    public static Map<String, String> pressed(Map<String, String> typed, String press) {
        List<Map<String, String>> rows =
                new ArrayList<>(rows(typed).stream().map(Row::values).toList());
        String[] parts = press.split("-", 2);
        int at = parts.length == 2 && parts[1].matches("\\d{1,3}") ? Integer.parseInt(parts[1]) : -1;
        if (parts[0].equals("before") && at >= 0 && at <= rows.size()) {
            rows.add(at, fresh());
        }
        if (at >= 0 && at < rows.size()) {
            switch (parts[0]) {
                case "up" -> swap(rows, at, at - 1);
                case "down" -> swap(rows, at, at + 1);
                case "remove" -> rows.remove(at);
                case "twice" -> {
                    Map<String, String> twin = new LinkedHashMap<>(rows.get(at));
                    twin.remove("number");
                    rows.add(at + 1, twin);
                }
                case "after" -> rows.add(at + 1, fresh());
                case "kind" -> rows.set(at, ofItsKind(rows.get(at)));
                default -> {}
            }
        }
        Map<String, String> next = new LinkedHashMap<>(typed);
        next.keySet().removeIf(field -> field.matches("s\\d+\\..*"));
        next.putAll(numbered(rows));
        return next;
    }

    /** A row to choose a kind for. */
    private static Map<String, String> fresh() {
        return new LinkedHashMap<>(Map.of("do", "", "open", "yes", "wait", "none", "material", "ordinary"));
    }

    /** A row whose kind was chosen: what belonged to the kind it was before goes with it. */
    private static Map<String, String> ofItsKind(Map<String, String> row) {
        Optional<StepKind> kind = StepKind.named(row.getOrDefault("do", ""));
        Optional<StepKind> was = StepKind.named(row.getOrDefault("was", ""));
        if (kind.isEmpty() || kind.equals(was)) {
            return row;
        }
        Map<String, String> changed = row(TechniqueStep.usual(kind.get()));
        String title = row.getOrDefault("title", "");
        boolean ownTitle = !title.isEmpty()
                && was.filter(before -> before.title().equals(title)).isEmpty();
        changed.put("title", ownTitle ? title : "");
        changed.put("detail", was.isEmpty() ? row.getOrDefault("detail", "") : "");
        changed.put("only", row.getOrDefault("only", ""));
        changed.put("open", "yes");
        return changed;
    }

    private static void swap(List<Map<String, String>> rows, int a, int b) {
        if (b >= 0 && b < rows.size()) {
            java.util.Collections.swap(rows, a, b);
        }
    }

    private static Map<String, String> numbered(List<Map<String, String>> rows) {
        Map<String, String> typed = new LinkedHashMap<>();
        for (int i = 0; i < rows.size(); i++) {
            for (Map.Entry<String, String> value : rows.get(i).entrySet()) {
                typed.put("s%d.%s".formatted(i, value.getKey()), value.getValue());
            }
        }
        return typed;
    }

    /** Reads the rows; every fault goes to the reader, under its own input. */
    static Optional<Technique> read(FormReader reader, Map<String, String> typed) {
        String name = reader.line("name", "The name", Technique.LONGEST_NAME, true);
        String about = reader.text("about", "What it is about", Technique.LONGEST_TEXT);
        List<Technique.Part> parts = new ArrayList<>();
        List<TechniqueStep> inside = new ArrayList<>();
        Optional<Technique.Repeat> open = Optional.empty();
        String openedAt = "";
        for (Row row : rows(typed)) {
            String at = "s" + row.place();
            if (row.is("do", REPEAT_FROM)) {
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
            } else if (row.is("do", REPEAT_TO)) {
                reader.faults().require(open.isPresent(), at + ".do", "This closes a repeat that was not opened.");
                open.ifPresent(from -> parts.add(new Technique.Repeat(
                        from.title(), from.least(), from.most(), from.usual(), List.copyOf(inside))));
                inside.clear();
                open = Optional.empty();
            } else {
                Optional<TechniqueStep> step = step(reader, row, at);
                if (open.isPresent()) {
                    step.ifPresent(inside::add);
                } else {
                    step.map(Technique.Single::new).ifPresent(parts::add);
                }
            }
        }
        reader.faults()
                .require(
                        open.isEmpty(),
                        openedAt + ".do",
                        "This repeat is not closed: put “until here” behind its last step.");
        return reader.faults().none()
                ? reader.faults().attempt("steps", () -> new Technique(name, about, parts))
                : Optional.empty();
    }

    /** The steps of a cup's plan; a new one takes the next number from the one given. */
    public static List<PlanStep> readSteps(FormReader reader, Map<String, String> typed, int freeNumber) {
        List<PlanStep> steps = new ArrayList<>();
        int free = freeNumber;
        for (Row row : rows(typed)) {
            Optional<TechniqueStep> step = step(reader, row, "s" + row.place());
            boolean old = row.value("number").matches("\\d{1,6}") && row.is("do", row.value("was"));
            int number = old ? Integer.parseInt(row.value("number")) : free++;
            step.ifPresent(found -> steps.add(new PlanStep(
                    number,
                    found.kind(),
                    found.title(),
                    found.waiting(),
                    found.detail(),
                    found.role(),
                    found.material(),
                    found.size(),
                    found.grit())));
        }
        return steps;
    }

    private static Optional<TechniqueStep> step(FormReader reader, Row row, String at) {
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
                Material.named(row.value("material")).orElse(Material.ORDINARY),
                size(reader, row, at),
                row.value("grit").strip(),
                only));
    }

    private static Optional<Wait> wait(FormReader reader, Row row, String at) {
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

    private static Optional<DecalSize> size(FormReader reader, Row row, String at) {
        if (row.value("width").isBlank() && row.value("height").isBlank()) {
            return Optional.empty();
        }
        double width = reader.quantity(at + ".width", "The width", LengthUnit.MM);
        double height = reader.quantity(at + ".height", "The height", LengthUnit.MM);
        return Double.isNaN(width) || Double.isNaN(height)
                ? Optional.empty()
                : reader.faults().attempt(at + ".width", () -> new DecalSize(width, height));
    }

    private static int whole(FormReader reader, Row row, String field) {
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

    private static Map<String, String> waits() {
        Map<String, String> waits = new LinkedHashMap<>();
        Stream.of(Wait.Kind.values()).forEach(kind -> waits.put(kind.written(), words(kind)));
        return waits;
    }

    private static String words(Wait.Kind kind) {
        return switch (kind) {
            case NONE -> "nothing: go on at once";
            case DRY -> "minutes of drying";
            case SETTLE -> "minutes after the pour, while workable";
            case INTO_COAT -> "minutes into the coat, before it gels";
            case AGE -> "hours on the cure clock";
            case STRAIGHT_ON -> "straight on, or scuffed";
            case SANDABLE -> "until it is sandable";
            case CURED -> "until it is cured";
        };
    }
}
