package nursery.app.platform;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Supplier;
import org.springframework.http.HttpMethod;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * What a page that only shows has asked for once it is given again; where something is being done it may have changed.
 */
@Published
public final class Once {

    private Once() {}

    /** Whether this is for a page that only shows. */
    public static boolean isAPage() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request
                && HttpMethod.GET.matches(request.getRequest().getMethod());
    }

    /**
     * The same of several by their numbers: only those that were not asked for yet are read.
     *
     * @param reading of some of them; one that it does not name has none
     */
    public static <T> Map<Long, T> each(
            Class<?> owner, String what, Collection<Long> ids, Function<Collection<Long>, Map<Long, T>> reading) {
        Map<Long, Optional<T>> known = aPage(owner, what, HashMap::new);
        List<Long> unknown =
                ids.stream().filter(id -> !known.containsKey(id)).distinct().toList();
        if (!unknown.isEmpty()) {
            Map<Long, T> read = reading.apply(unknown);
            unknown.forEach(id -> known.put(id, Optional.ofNullable(read.get(id))));
        }
        Map<Long, T> asked = new LinkedHashMap<>();
        ids.forEach(id -> known.getOrDefault(id, Optional.empty()).ifPresent(one -> asked.put(id, one)));
        return asked;
    }

    /** @param what names the question among those of its owner */
    public static <T> T aPage(Class<?> owner, String what, Supplier<T> reading) {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        if (request == null || !isAPage()) {
            return reading.get();
        }
        String key = owner.getName() + "." + what;
        @SuppressWarnings("unchecked")
        T known = (T) request.getAttribute(key, RequestAttributes.SCOPE_REQUEST);
        if (known != null) {
            return known;
        }
        T fresh = reading.get();
        request.setAttribute(key, fresh, RequestAttributes.SCOPE_REQUEST);
        return fresh;
    }
}
