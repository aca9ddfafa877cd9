package nursery.app.platform;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;

/**
 * What a form showed when it was filled in, for records that have no version of their own: who sends it when something
 * else holds by now is told, and overwrites nothing.
 */
public final class Seen {

    /** The hidden input it travels in. */
    public static final String FIELD = "seen";

    private Seen() {}

    /** Stands for what a form shows. */
    public static String of(Map<?, ?> shown) {
        Map<String, String> sorted = new TreeMap<>();
        shown.forEach((key, value) -> sorted.put(String.valueOf(key), String.valueOf(value)));
        return UUID.nameUUIDFromBytes(sorted.toString().getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /** Stands for a few values that a form shows, in their order. */
    public static String of(Object... shown) {
        return UUID.nameUUIDFromBytes(Arrays.deepToString(shown).getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    /**
     * @param typed the form as it was sent; a program that never saw it sends nothing of what it showed
     * @param now what {@link #of} says of what is kept now
     * @throws InvalidInput if something else holds now
     */
    public static void check(Map<String, String> typed, String now) {
        String seen = typed.getOrDefault(FIELD, "");
        if (!seen.isEmpty() && !seen.equals(now)) {
            throw changedMeanwhile();
        }
    }

    /**
     * @param seen as the form sent it back; a program that never saw a form sends none
     * @throws InvalidInput if something else holds now
     */
    public static void check(String seen, Map<?, ?> now) {
        if (!seen.isEmpty() && !seen.equals(of(now))) {
            throw changedMeanwhile();
        }
    }

    private static InvalidInput changedMeanwhile() {
        return new InvalidInput(List.of(new Fault(
                FIELD,
                "Someone changed this on another tablet while you typed, and yours was not saved. It stands "
                        + "here still: send it again to put it in place of theirs, or open the page anew to see "
                        + "theirs.")));
    }
}
