package nursery.app.wrap;

import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.Supplier;
import org.springframework.stereotype.Component;

/**
 * Designs as they were drawn: a version that is kept never changes, so on the same cup it looks the same, and a large
 * one is not drawn anew for every look.
 */
@Component
class Drawn {

    private static final int AT_HAND = 120;

    private final Map<Object, Object> known = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Object, Object> eldest) {
            return size() > AT_HAND;
        }
    });

    /** @param key everything that the drawing follows from */
    @SuppressWarnings("unchecked")
    <T> T of(Object key, Supplier<T> drawing) {
        Object before = known.get(key);
        if (before != null) {
            return (T) before;
        }
        T drawn = drawing.get();
        known.put(key, drawn);
        return drawn;
    }
}
