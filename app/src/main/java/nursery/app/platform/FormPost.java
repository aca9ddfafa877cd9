package nursery.app.platform;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import nursery.core.measure.InvalidInput;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.web.servlet.ModelAndView;

/**
 * What happens when a form is sent: it is done once and leads on, or comes back with its faults and all that was typed.
 */
@Component
public class FormPost {

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
            return new ModelAndView("redirect:" + submissions.once(fingerprint(typed), work));
        } catch (InvalidInput e) {
            String view = page.apply(Form.rejected(typed, e.faults()));
            return new ModelAndView(view, model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
        }
    }

    /**
     * The form's own token together with what was typed: pressed twice it is the same form, but taken back, changed and
     * sent again it is another.
     */
    private static String fingerprint(Map<String, String> typed) {
        SortedMap<String, String> content = new TreeMap<>(typed);
        content.remove("_csrf");
        return UUID.nameUUIDFromBytes(content.toString().getBytes(StandardCharsets.UTF_8))
                .toString();
    }
}
