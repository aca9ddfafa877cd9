package nursery.app.techniques;

import java.time.Duration;
import java.util.OptionalLong;
import nursery.app.platform.Published;
import nursery.app.platform.Show;
import nursery.core.technique.Wait;

/** Waits in words: in a technique file, on a form, and for a person to read. */
@Published
public final class WaitWords {

    private WaitWords() {}

    /** Its kind in a technique file. */
    static String written(Wait wait) {
        if (wait instanceof Wait.Dry) {
            return "dry";
        }
        if (wait instanceof Wait.Settle) {
            return "settle";
        }
        if (wait instanceof Wait.Into) {
            return "into-coat";
        }
        if (wait instanceof Wait.Age) {
            return "age";
        }
        if (wait instanceof Wait.StraightOn) {
            return "straight-on";
        }
        if (wait instanceof Wait.Sandable) {
            return "sandable";
        }
        return wait instanceof Wait.Cured ? "cured" : "none";
    }

    static OptionalLong minutes(Wait wait) {
        if (wait instanceof Wait.Dry dry) {
            return OptionalLong.of(dry.atLeast().toMinutes());
        }
        if (wait instanceof Wait.Settle settle) {
            return OptionalLong.of(settle.atLeast().toMinutes());
        }
        return wait instanceof Wait.Into into ? OptionalLong.of(into.atLeast().toMinutes()) : OptionalLong.empty();
    }

    /** For a person; empty where there is nothing to wait for. */
    public static String words(Wait wait, Show show) {
        if (wait instanceof Wait.Dry dry) {
            return "After %s of drying".formatted(span(dry.atLeast()));
        }
        if (wait instanceof Wait.Settle settle) {
            return "From %s after the pour, while it is workable".formatted(span(settle.atLeast()));
        }
        if (wait instanceof Wait.Into into) {
            return "%s into the coat, before it gels".formatted(span(into.atLeast()));
        }
        if (wait instanceof Wait.Age age) {
            return age.fastHours() == age.hours() ? "%s on the cure clock after the coat before".formatted(show.hours(age.hours()))
                    : "%s on the cure clock after the coat before, %s with a fast resin".formatted(show.hours(age.hours()), show.hours(age.fastHours()));
        }
        if (wait instanceof Wait.StraightOn) {
            return "Inside the tack window of the coat before";
        }
        if (wait instanceof Wait.Cured) {
            return "When the coat before is cured";
        }
        return wait instanceof Wait.Sandable ? "When the coat before is sandable" : "";
    }

    private static String span(Duration wait) {
        return wait.toMinutes() >= 120 && wait.toMinutes() % 60 == 0 ? wait.toHours() + " h" : wait.toMinutes() + " min";
    }
}
