package nursery.app.platform;

import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;
import nursery.core.measure.InvalidInput;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.web.servlet.ModelAndView;

/** What happens when a form is sent: it is done once and leads on, or comes back with its faults and all that was typed. */
@Component
public class FormPost {

    private final Submissions submissions;

    FormPost(Submissions submissions) {
        this.submissions = submissions;
    }

    /**
     * @param work reads and does it, and returns the address to go on to; throws {@link InvalidInput} to send the form back
     * @param page fills the model for the form and names its template
     */
    public ModelAndView handle(Map<String, String> typed, Model model, Supplier<String> work, Function<Form, String> page) {
        try {
            return new ModelAndView("redirect:" + submissions.once(typed.getOrDefault("token", ""), work));
        } catch (InvalidInput e) {
            String view = page.apply(Form.rejected(typed, e.faults()));
            return new ModelAndView(view, model.asMap(), HttpStatus.UNPROCESSABLE_CONTENT);
        }
    }
}
