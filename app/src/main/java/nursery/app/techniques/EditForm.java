package nursery.app.techniques;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.film.CoatRole;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
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

    /** Which of the technique's blocks a row belongs to: its place among them, where it stands, its title. */
    static final String BLOCK = "block";

    /** The ends of a band, where a place is one. */
    public static final String BAND = "band";

    private static final List<String> FIELDS = Stream.concat(
                    Arrays.stream(Field.values()).map(Field::written),
                    Stream.of(
                            "do", "title", "detail", "wait", "amount", "fast", "coat", "width", "height", "only",
                            "number", "was", "open", "least", "most", "usual", "pour", "meant", BLOCK, BAND))
            .toList();

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

        /** Whether it is cut to a size. */
        public boolean isCut() {
            return !value("width").isEmpty()
                    || StepKind.named(value("do")).filter(StepKind::isCut).isPresent();
        }

        /** What can be said of how it is done. */
        public List<Field> fields() {
            return StepKind.named(value("do")).map(Field::of).orElse(List.of());
        }

        /** What there is to choose from. */
        public List<Field.Choice> choices(Field field, boolean ofACup) {
            return StepKind.named(value("do"))
                    .map(kind -> field.choices(kind, ofACup))
                    .orElse(List.of());
        }

        /** One of them, as it is read. */
        public String word(Field field, Field.Choice choice) {
            return StepKind.named(value("do"))
                    .map(kind -> field.word(kind, choice))
                    .orElseGet(choice::word);
        }

        /** The schools it belongs to, in words. */
        public String onlyWords() {
            return Arrays.stream(School.values())
                    .filter(school -> Arrays.asList(value("only").split(",")).contains(school.name()))
                    .map(School::words)
                    .collect(Collectors.joining(", or "));
        }

        /** Whether a beginner's schools leave it out. */
        public boolean isOfOthers() {
            List<String> only = Arrays.asList(value("only").split(","));
            return !value("only").isEmpty()
                    && Arrays.stream(School.values())
                            .noneMatch(school ->
                                    only.contains(school.name()) && Schools.of().has(school));
        }

        public boolean isRepeat() {
            return value("do").startsWith("repeat");
        }
    }

    static Map<String, String> filled(Technique technique, LengthUnit unit) {
        List<Map<String, String>> rows = new ArrayList<>();
        List<String> blocks = blocks(technique);
        for (int i = 0; i < technique.parts().size(); i++) {
            int from = rows.size();
            if (technique.parts().get(i) instanceof Technique.Repeat repeat) {
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
                repeat.steps().forEach(step -> rows.add(row(step, unit)));
                rows.add(new LinkedHashMap<>(Map.of("do", REPEAT_TO)));
            } else if (technique.parts().get(i) instanceof Technique.Single single) {
                rows.add(row(single.step(), unit));
            }
            String block = blocks.isEmpty() ? "" : blocks.get(i);
            rows.subList(from, rows.size()).forEach(row -> row.put(BLOCK, block));
        }
        Map<String, String> typed = new LinkedHashMap<>(Map.of("name", technique.name(), "about", technique.about()));
        typed.putAll(numbered(rows));
        return typed;
    }

    /** For each part of a technique the block it belongs to, as a row has it. */
    private static List<String> blocks(Technique technique) {
        List<String> blocks = new ArrayList<>();
        for (int i = 0; i < technique.blocks().size(); i++) {
            Technique.Block block = technique.blocks().get(i);
            blocks.addAll(Collections.nCopies(
                    block.parts(), "%d|%s|%s".formatted(i, block.place().written(), block.title())));
        }
        return blocks;
    }

    /**
     * The steps of a cup's own plan, each with its number.
     *
     * @param show the shop's units
     */
    public static Map<String, String> filled(List<PlanStep> steps, Show show) {
        return numbered(steps.stream()
                .map(step -> {
                    Map<String, String> row = row(
                            new TechniqueStep(
                                    step.kind(),
                                    step.title(),
                                    step.waiting(),
                                    step.detail(),
                                    step.role(),
                                    step.how(),
                                    step.size(),
                                    List.of()),
                            show.lengthUnit());
                    row.put("number", String.valueOf(step.number()));
                    step.amountMl().ifPresent(ml -> row.put("pour", show.volumeNumber(ml)));
                    return row;
                })
                .toList());
    }

    /** A field as its input is filled: a band is chosen as one, and its ends stand beside it. */
    public static String filled(Fields how, Field field) {
        return field == Field.PLACE ? how.where().part().written() : how.written(field);
    }

    /** What every form of steps has to choose from. */
    public static void choices(Model model, Map<String, String> typed) {
        model.addAttribute("rows", rows(typed));
        model.addAttribute("layerAt", RowLayers.byFirstRow(rows(typed)));
        model.addAttribute("kinds", StepKind.values());
        model.addAttribute("roles", CoatRole.values());
        model.addAttribute("schools", School.values());
        model.addAttribute("waits", WAITS);
    }

    private static Map<String, String> row(TechniqueStep step, LengthUnit unit) {
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
        Field.of(step.kind()).forEach(field -> row.put(field.written(), filled(step.how(), field)));
        row.put(BAND, step.how().where().bandIn(unit));
        row.put(
                "width",
                step.size().map(size -> Numbers.show(size.widthMm(), 1)).orElse(""));
        row.put(
                "height",
                step.size().map(size -> Numbers.show(size.heightMm(), 1)).orElse(""));
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
            rows.add(at, fresh(rows, at));
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
                case "after" -> rows.add(at + 1, fresh(rows, at));
                case "kind" -> rows.set(at, ofItsKind(rows.get(at)));
                case "inwards", "outwards", "out" -> rows = RowLayers.pressed(rows, parts[0], at);
                default -> {}
            }
        }
        Map<String, String> next = new LinkedHashMap<>(typed);
        next.keySet().removeIf(field -> field.matches("s\\d+\\..*"));
        next.putAll(numbered(rows));
        return next;
    }

    /** A row to choose a kind for. */
    private static Map<String, String> fresh(List<Map<String, String>> rows, int beside) {
        String block = beside < rows.size() ? rows.get(beside).getOrDefault(BLOCK, "") : "";
        return new LinkedHashMap<>(Map.of("do", "", "open", "yes", "wait", "none", BLOCK, block));
    }

    /** A row whose kind was chosen: what belonged to the kind it was before goes with it. */
    private static Map<String, String> ofItsKind(Map<String, String> row) {
        Optional<StepKind> kind = StepKind.named(row.getOrDefault("do", ""));
        Optional<StepKind> was = StepKind.named(row.getOrDefault("was", ""));
        if (kind.isEmpty() || kind.equals(was)) {
            return row;
        }
        Map<String, String> changed = row(TechniqueStep.usual(kind.get()), LengthUnit.MM);
        String title = row.getOrDefault("title", "");
        boolean ownTitle = !title.isEmpty()
                && was.filter(before -> before.title().equals(title)).isEmpty();
        changed.put("title", ownTitle ? title : "");
        changed.put("detail", was.isEmpty() ? row.getOrDefault("detail", "") : "");
        changed.put("only", row.getOrDefault("only", ""));
        changed.put("open", "yes");
        changed.put(BLOCK, row.getOrDefault(BLOCK, ""));
        return changed;
    }

    private static void swap(List<Map<String, String>> rows, int a, int b) {
        if (b >= 0 && b < rows.size()) {
            Collections.swap(rows, a, b);
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
