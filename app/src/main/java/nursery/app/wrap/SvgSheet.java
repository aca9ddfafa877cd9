package nursery.app.wrap;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.w3c.dom.Document;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

/**
 * The style sheets of a drawing as drawing programs write them: rules for an element, a class or an id, and for two of
 * them together (CSS 2.1, sections 5 and 6.4.3). What asks for more, such as one element inside another, is passed over
 * and told.
 */
final class SvgSheet {

    private static final Pattern COMMENT = Pattern.compile("/\\*.*?\\*/|<!--|-->", Pattern.DOTALL);
    private static final Pattern RULE = Pattern.compile("([^{}]+)\\{([^{}]*)\\}");
    private static final Pattern SIMPLE = Pattern.compile("(\\*|[\\w-]+)?((?:[.#][\\w-]+)*)");
    private static final Pattern PART = Pattern.compile("([.#])([\\w-]+)");
    private static final int OF_ID = 100;
    private static final int OF_CLASS = 10;

    /** @param weight how specific it is; of two as specific the later one counts */
    private record Rule(String element, List<String> classes, List<String> ids, int weight, Map<String, String> sets) {

        boolean isFor(String name, Set<String> classesThere, String id) {
            return (element.isEmpty() || element.equals(name))
                    && classesThere.containsAll(classes)
                    && ids.stream().allMatch(id::equals);
        }
    }

    private final List<Rule> rules = new ArrayList<>();
    private boolean passedOver;

    SvgSheet(Document document) {
        NodeList sheets = document.getElementsByTagNameNS("*", "style");
        for (int i = 0; i < sheets.getLength(); i++) {
            read(COMMENT.matcher(sheets.item(i).getTextContent()).replaceAll(" "));
        }
        rules.sort(Comparator.comparingInt(Rule::weight));
    }

    /** Whether something in it was not understood. */
    boolean isPassedOver() {
        return passedOver;
    }

    private void read(String text) {
        passedOver |= text.contains("@");
        Matcher found = RULE.matcher(text.replaceAll("@[^;{]*;", " "));
        while (found.find()) {
            Map<String, String> sets = declarations(found.group(2));
            for (String selector : found.group(1).split(",")) {
                add(selector.strip(), sets);
            }
        }
    }

    private void add(String selector, Map<String, String> sets) {
        Matcher simple = SIMPLE.matcher(selector);
        if (selector.isEmpty() || !simple.matches()) {
            passedOver = true;
            return;
        }
        List<String> classes = new ArrayList<>();
        List<String> ids = new ArrayList<>();
        Matcher part = PART.matcher(simple.group(2));
        while (part.find()) {
            (part.group(1).equals(".") ? classes : ids).add(part.group(2));
        }
        String element = simple.group(1) == null || simple.group(1).equals("*") ? "" : simple.group(1);
        int weight = OF_ID * ids.size() + OF_CLASS * classes.size() + (element.isEmpty() ? 0 : 1);
        rules.add(new Rule(element, classes, ids, weight, sets));
    }

    /** What it sets for an element, the more specific rule last. */
    Map<String, String> of(Element element, String name) {
        Map<String, String> sets = new LinkedHashMap<>();
        Set<String> classes =
                Set.copyOf(Arrays.asList(element.getAttribute("class").strip().split("\\s+")));
        rules.stream()
                .filter(rule -> rule.isFor(name, classes, element.getAttribute("id")))
                .forEach(rule -> sets.putAll(rule.sets()));
        return sets;
    }

    /** What a style attribute or a rule's body says. */
    static Map<String, String> declarations(String text) {
        Map<String, String> sets = new LinkedHashMap<>();
        for (String rule : text.split(";")) {
            int colon = rule.indexOf(':');
            if (colon > 0) {
                sets.put(
                        rule.substring(0, colon).strip(),
                        rule.substring(colon + 1).replace("!important", "").strip());
            }
        }
        return sets;
    }
}
