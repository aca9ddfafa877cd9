package nursery.app.platform;

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

    /** @param what names the question among those of its owner */
    public static <T> T aPage(Class<?> owner, String what, Supplier<T> reading) {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request)
                || !HttpMethod.GET.matches(request.getRequest().getMethod())) {
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
