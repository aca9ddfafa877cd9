package nursery.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.multipart.MultipartHttpServletRequest;
import org.springframework.web.servlet.ModelAndView;

/**
 * What happens when a form is sent: it is done once and leads on, or comes back with its faults and all that was typed.
 */
@Component
public class FormPost {

    /** Not even as part of a digest. */
    private static final Set<String> NEVER_KEPT =
            Set.of("_csrf", "password", "again", "pin", "old", "secret", "unlock-secret");

    private final Submissions submissions;

    FormPost(Submissions submissions) {
        this.submissions = submissions;
    }

    /**
     * @param work reads and does it, and returns the address to go on to; throws {@link InvalidInput} to send the form
     *     back
     * @param page fills the model for the form and names its template
     */
    public ModelAndView handle(
            Map<String, String> typed, Model model, Supplier<String> work, Function<Form, String> page) {
        try {
            return new ModelAndView("redirect:"
                    + submissions.once(fingerprint(typed), () -> {
                        if (typed.containsKey(Seen.FIELD)) {
                            submissions.alone();
                        }
                        return work.get();
                    }));
        } catch (InvalidInput e) {
            return back(typed, model, e.faults(), page, HttpStatus.UNPROCESSABLE_CONTENT);
        } catch (DataAccessException e) {
            List<Fault> lost = Races.sentence(e).stream()
                    .map(sentence -> new Fault("", sentence))
                    .toList();
            if (lost.isEmpty()) {
                throw e;
            }
            return back(typed, model, lost, page, HttpStatus.CONFLICT);
        }
    }

    /** The form back, for what is found wrong before anything is begun. */
    public ModelAndView refused(
            Map<String, String> typed, Model model, InvalidInput wrong, Function<Form, String> page) {
        return back(typed, model, wrong.faults(), page, HttpStatus.UNPROCESSABLE_CONTENT);
    }

    private static ModelAndView back(
            Map<String, String> typed,
            Model model,
            List<Fault> faults,
            Function<Form, String> page,
            HttpStatus status) {
        String view = page.apply(Form.rejected(typed, faults));
        return new ModelAndView(view, model.asMap(), status);
    }

    /**
     * The form's own token together with what was typed, the file that came with it and where it was sent: pressed
     * twice it is the same form, but taken back, changed and sent again it is another.
     */
    private static String fingerprint(Map<String, String> typed) {
        SortedMap<String, String> content = new TreeMap<>(typed);
        content.keySet().removeAll(NEVER_KEPT);
        StringBuilder whole = new StringBuilder(content.toString());
        if (RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes) {
            HttpServletRequest request = attributes.getRequest();
            whole.append(request.getRequestURI());
            if (request instanceof MultipartHttpServletRequest files) {
                files.getFileMap().values().forEach(file -> whole.append(digest(file)));
            }
        }
        return UUID.nameUUIDFromBytes(whole.toString().getBytes(StandardCharsets.UTF_8))
                .toString();
    }

    private static String digest(MultipartFile file) {
        try {
            return "%s %d %s"
                    .formatted(file.getOriginalFilename(), file.getSize(), UUID.nameUUIDFromBytes(file.getBytes()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
