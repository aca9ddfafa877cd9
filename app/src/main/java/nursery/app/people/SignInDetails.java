package nursery.app.people;

import java.io.Serial;
import java.io.Serializable;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.Authentication;

/**
 * How somebody signs in.
 *
 * @param device the joined one it is done on, 0 for none
 * @param deviceName as the audit log tells it
 * @param pin whether by a PIN instead of a password
 */
record SignInDetails(long device, String deviceName, boolean pin) implements Serializable {
    @Serial
    private static final long serialVersionUID = 1;

    /** The joined device somebody signed in on, 0 for none. */
    static long device(@Nullable Authentication who) {
        return who != null && who.getDetails() instanceof SignInDetails details ? details.device() : 0;
    }
}
