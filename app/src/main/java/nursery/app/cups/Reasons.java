package nursery.app.cups;

import java.util.Optional;
import nursery.app.platform.FormReader;
import nursery.app.platform.Published;

/** Why something is done all the same, question by question. */
@Published
public interface Reasons {

    /** Nothing was asked yet. */
    Reasons NONE = question -> Optional.empty();

    /** Whatever is asked, it happened; nobody says why. */
    Reasons UNSAID = question -> Optional.of("");

    /** Why, in the maker's words; empty if the question is still open. */
    Optional<String> to(Question question);

    /**
     * As they were given on a form, each beside its question. One that names no question, as a program sends it,
     * answers all.
     */
    static Reasons on(FormReader reader) {
        return question -> LogForm.reason(reader, "-" + question.id()).or(() -> LogForm.reason(reader, ""));
    }
}
