package nursery.app.cups;

import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.log.CupState.Concern;

/**
 * What is asked before something is logged that goes against the label or practice.
 *
 * @param of which of several entries it is about, for its name on a form; empty if there is but one
 * @param code the cup it is about where several are asked about; else empty, for the page says it
 * @param concern what is questionable about it
 */
@Published
public record Question(String of, String code, Concern concern) {

    /** Names it on a form. */
    public String id() {
        return of + concern.key();
    }

    /** The question as it is asked: which step, on what, since when. */
    public String words(Show show) {
        return (code.isEmpty() ? "" : code + ", ") + concern.about() + words(concern, show);
    }

    /** What a concern says after the name of its step: on what, what is wrong, and when it would have been right. */
    static String words(Concern concern, Show show) {
        String upon = concern.upon()
                .map(below -> ", on %s of %s".formatted(below.what(), show.at(below.at())))
                .orElse("");
        String when = concern.bound()
                .map(at -> concern.isOver()
                        ? " It was right until %s.".formatted(show.at(at))
                        : " Ready %s.".formatted(show.at(at)))
                .orElse("");
        return "%s: %s%s".formatted(upon, concern.message(), when);
    }
}
