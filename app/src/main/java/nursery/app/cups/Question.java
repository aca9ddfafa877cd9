package nursery.app.cups;

import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.log.CupState.Concern;

/**
 * What is asked before something is logged that goes against the label or practice.
 *
 * @param of which of several entries it is about, empty if there is but one
 * @param concern what is questionable about it
 */
@Published
public record Question(String of, Concern concern) {

    /** Every fault that is a question, and the inputs that answer it, are named by this. */
    public static final String FIELD = "concern-";

    /** Names it on a form. */
    public String id() {
        return of + concern.key();
    }

    /** The question as it is asked: which step, on what, since when. */
    public String words(Show show) {
        String upon = concern.upon()
                .map(below -> ", on %s of %s".formatted(below.what(), show.at(below.at())))
                .orElse("");
        String cup = of.matches("[A-Z].*") ? of.substring(0, of.length() - 1) + ", " : "";
        return "%s%s%s: %s".formatted(cup, concern.about(), upon, concern.message());
    }
}
