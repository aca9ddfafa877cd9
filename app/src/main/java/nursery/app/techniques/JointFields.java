package nursery.app.techniques;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.core.surface.Composer;
import nursery.core.technique.Technique;

/** What a form says of what stands between blocks: each that was offered, and whether it is done. */
final class JointFields {

    /** What was decided of what stands between two blocks: that it was offered, and that it is done. */
    private static final String OFFERED = "offered-";

    private static final String JOINT = "joint-";
    private static final Pattern A_JOINT = Pattern.compile("(offered-|joint-)(\\d{1,3})(-.+)");

    private JointFields() {}

    /** What stands between the blocks of a technique, and what was left out there. */
    static Map<String, String> asItIs(Technique technique, List<Block> lent) {
        Map<String, Boolean> taken = Composer.decided(technique);
        Map<String, String> typed = new LinkedHashMap<>();
        taken.keySet().forEach(key -> {
            typed.put(OFFERED + key, "1");
            typed.put(JOINT + key, "1");
        });
        // What was left out may make the rest ask for more, which was left out as well.
        int known;
        do {
            known = typed.size();
            Block.together("taken apart", lent, decided(typed)).joints().stream()
                    .flatMap(List::stream)
                    .forEach(joint -> typed.put(OFFERED + joint.key(), "1"));
        } while (typed.size() > known);
        return typed;
    }

    /** What was offered and is not ticked was left. */
    static Map<String, Boolean> decided(Map<String, String> typed) {
        Map<String, Boolean> decided = new LinkedHashMap<>();
        typed.keySet().stream()
                .filter(field -> field.startsWith(OFFERED))
                .map(field -> field.substring(OFFERED.length()))
                .forEach(key -> decided.put(key, typed.containsKey(JOINT + key)));
        return decided;
    }

    /**
     * What was decided after some of the blocks is open again, and what was decided after those behind them moves with
     * them.
     */
    static void moved(Map<String, String> typed, int from, int to, int by) {
        Map<String, String> moved = new LinkedHashMap<>();
        typed.forEach((field, value) -> {
            Matcher joint = A_JOINT.matcher(field);
            if (!joint.matches()) {
                moved.put(field, value);
                return;
            }
            int place = Integer.parseInt(joint.group(2));
            if (place < from) {
                moved.put(field, value);
            } else if (place > to) {
                moved.put(joint.group(1) + (place + by) + joint.group(3), value);
            }
        });
        typed.clear();
        typed.putAll(moved);
    }
}
