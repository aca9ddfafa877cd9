package nursery.app.people;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import nursery.app.people.AuditMapper.AuditRow;
import nursery.app.platform.Maker;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * Who did what that matters to the safety of the shop, and from where. Written by itself, so that it stays when what it
 * tells of is undone.
 */
@Published
@Service
public class Audit {

    private static final int A_PAGE = 100;

    private final AuditMapper mapper;
    private final Moments moments;

    Audit(AuditMapper mapper, Moments moments) {
        this.mapper = mapper;
        this.moments = moments;
    }

    /** What is told of. */
    @Published
    public enum What {
        SIGNED_IN("signed in"),
        WRONG("did not get in"),
        SIGNED_OUT("signed out"),
        PEOPLE("makers"),
        JOINED("device joined"),
        DEVICE("devices"),
        LINK("order links"),
        TOKEN("tokens"),
        BACKUP("backup"),
        EXPORT("export"),
        REMOVED("removed");

        private final String words;

        What(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** By whoever acts in this request. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void tell(What what, String about) {
        tell(who(), what, about);
    }

    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void tell(String who, What what, String about) {
        mapper.insert(moments.now(), shortened(who, 80), shortened(where(), 80), what.name(), shortened(about, 200));
    }

    List<AuditRow> before(long id) {
        return mapper.before(id, A_PAGE);
    }

    private static String who() {
        return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes now
                ? Maker.of(now.getRequest()).name()
                : "Nursery";
    }

    /** The joined device, else the address. */
    private static String where() {
        Authentication signedIn = SecurityContextHolder.getContext().getAuthentication();
        if (signedIn != null
                && signedIn.getDetails() instanceof SignInDetails details
                && !details.deviceName().isEmpty()) {
            return details.deviceName();
        }
        if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes now) {
            HttpServletRequest request = now.getRequest();
            return request.getRemoteAddr();
        }
        return "this machine";
    }

    private static String shortened(String text, int most) {
        String line = text.replaceAll("\\p{Cntrl}", " ");
        return line.length() <= most ? line : line.substring(0, most - 1) + "…";
    }
}
