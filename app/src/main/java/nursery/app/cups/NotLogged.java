package nursery.app.cups;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import nursery.app.platform.Form;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.log.Refusal;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;

/** Nothing was logged: because it cannot be, or because the maker should look twice first. */
@Published
public final class NotLogged extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final transient List<Refusal> refusals;
    private final transient List<Question> questions;

    private NotLogged(List<Refusal> refusals, List<Question> questions) {
        super(
                refusals.isEmpty()
                        ? questions.stream()
                                .map(question -> question.concern().message())
                                .collect(Collectors.joining(" "))
                        : refusals.get(0).message());
        this.refusals = refusals;
        this.questions = questions;
    }

    public static NotLogged refused(Refusal refusal) {
        return new NotLogged(List.of(refusal), List.of());
    }

    static NotLogged questioned(List<Question> questions) {
        return new NotLogged(List.of(), List.copyOf(questions));
    }

    static NotLogged because(List<Refusal> refusals, List<Question> questions) {
        return new NotLogged(List.copyOf(refusals), List.copyOf(questions));
    }

    /** Why it cannot be logged; empty if it can, once confirmed. */
    public List<Refusal> refusals() {
        return refusals;
    }

    /** What is asked about it; it is logged when it is sent again with an answer to each. */
    public List<Question> questions() {
        return questions;
    }

    /** The answer as faults under the names of the inputs; it says by whom and when, in the shop's time. */
    public InvalidInput asFaults(Show show) {
        List<Fault> faults = new ArrayList<>();
        for (Refusal refusal : refusals) {
            String by = refusal.other()
                    .map(mark -> " %s wrote it at %s, for %s. Nothing was saved twice."
                            .formatted(mark.recordedBy(), show.at(mark.recordedAt()), show.at(mark.happenedAt())))
                    .orElse("");
            String from = refusal.earliest()
                    .map(earliest -> " Choose %s or later.".formatted(show.at(earliest)))
                    .orElse("");
            faults.add(new Fault(refusal.field(), refusal.message() + by + from));
        }
        questions.forEach(question -> faults.add(new Fault(Form.QUESTION + question.id(), question.words(show))));
        return new InvalidInput(faults);
    }
}
