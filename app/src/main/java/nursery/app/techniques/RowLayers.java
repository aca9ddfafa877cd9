package nursery.app.techniques;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.surface.Stack;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;

/** The rows of an editor read as layers, from the steel outwards. */
final class RowLayers {

    private RowLayers() {}

    /**
     * A layer as its rows lie.
     *
     * @param title what it is called, with its number; the blank has none
     * @param from its first row
     * @param until the first row that is not its own any more
     * @param isWhole whether it can be moved and taken out: not the blank, and not what is one of a group of steps
     */
    public record Layer(String title, int from, int until, boolean isWhole) {}

    static List<Layer> of(List<EditForm.Row> rows) {
        List<PlanStep> plan = new ArrayList<>();
        rows.forEach(row -> step(row).ifPresent(plan::add));
        List<Stack.Level> levels = Stack.of(plan);
        List<Layer> layers = new ArrayList<>();
        int blanks = levels.isEmpty() || levels.get(0).laid().isPresent() ? 0 : 1;
        for (int i = 0; i < levels.size(); i++) {
            int from = i == 0 ? 0 : first(levels.get(i), rows);
            int until = i + 1 < levels.size() ? first(levels.get(i + 1), rows) : rows.size();
            Optional<PlanStep> laid = levels.get(i).laid();
            String title = laid.map(step -> "Layer %d: %s".formatted(layers.size() + 1 - blanks, step.titleAndPlace()))
                    .orElse("The blank");
            layers.add(new Layer(title, from, until, laid.isPresent() && isBalanced(rows.subList(from, until))));
        }
        return layers;
    }

    /** The same by the row each begins with, for a page that shows them. */
    static Map<Integer, Layer> byFirstRow(List<EditForm.Row> rows) {
        Map<Integer, Layer> layers = new LinkedHashMap<>();
        of(rows).forEach(layer -> layers.put(layer.from(), layer));
        return layers;
    }

    /** A group of steps that is opened right before a layer belongs to it. */
    private static int first(Stack.Level level, List<EditForm.Row> rows) {
        int first = level.steps().stream().mapToInt(PlanStep::number).min().orElseThrow();
        while (first > 0 && rows.get(first - 1).is("do", EditForm.REPEAT_FROM)) {
            first--;
        }
        return first;
    }

    private static boolean isBalanced(List<EditForm.Row> rows) {
        int open = 0;
        for (EditForm.Row row : rows) {
            open += row.is("do", EditForm.REPEAT_FROM) ? 1 : row.is("do", EditForm.REPEAT_TO) ? -1 : 0;
            if (open < 0) {
                return false;
            }
        }
        return open == 0;
    }

    /** A row as far as it decides where a layer begins; its number is its place. */
    private static Optional<PlanStep> step(EditForm.Row row) {
        return StepKind.named(row.value("do")).map(kind -> {
            TechniqueStep usual = TechniqueStep.usual(kind);
            Fields how = usual.how();
            for (Field field : List.of(Field.STREWN, Field.PLACE)) {
                how = how.with(field, row.value(field.written())).orElse(how);
            }
            return new TechniqueStep(
                            kind, row.title(), usual.waiting(), "", usual.role(), how, Optional.empty(), List.of())
                    .in(row.place());
        });
    }

    /** The rows with a layer moved towards the steel or away from it, or taken out; as they were where it cannot be. */
    static List<Map<String, String>> pressed(List<Map<String, String>> values, String press, int from) {
        List<EditForm.Row> rows = new ArrayList<>();
        values.forEach(row -> rows.add(new EditForm.Row(rows.size(), row)));
        List<Layer> layers = of(rows);
        int at = 0;
        while (at < layers.size() && layers.get(at).from() != from) {
            at++;
        }
        int other = "inwards".equals(press) ? at - 1 : at + 1;
        boolean isMove = !"out".equals(press);
        if (at >= layers.size()
                || !layers.get(at).isWhole()
                || isMove
                        && (other < 0
                                || other >= layers.size()
                                || !layers.get(other).isWhole())) {
            return values;
        }
        List<Map<String, String>> changed = new ArrayList<>(values);
        Layer layer = layers.get(at);
        List<Map<String, String>> moved = new ArrayList<>(changed.subList(layer.from(), layer.until()));
        changed.subList(layer.from(), layer.until()).clear();
        if (isMove) {
            Layer beside = layers.get(other);
            changed.addAll(other < at ? beside.from() : beside.until() - moved.size(), moved);
        }
        return changed;
    }
}
