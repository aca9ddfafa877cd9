package nursery.core.floor;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import nursery.core.log.Spindle;

/**
 * Coats that can be poured from one mix, each where it then turns, and those that have to wait.
 *
 * @param cups what is poured, in the order it was wanted
 * @param spindles where those turn that do not hang and are not turned by hand, by the cup's code
 * @param waiting what the mix does not serve, and why
 */
public record Placing(List<CupNow> cups, Map<String, Spindle> spindles, List<Waits> waiting) {

    public Placing {
        cups = List.copyOf(cups);
        spindles = Map.copyOf(spindles);
        waiting = List.copyOf(waiting);
    }

    /** Why a coat is not poured with the others. */
    public enum Why {
        NO_SPINDLE("no spindle left"),
        MIX_OFF("the mix is off before its turn"),
        UNDER_WAY("somebody is mixing for it");

        private final String words;

        Why(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** @param until from when there is a spindle, if that is known */
    public record Waits(CupNow cup, Why why, Optional<Instant> until) {

        /** @param shown how a moment is written */
        public String words(Function<Instant, String> shown) {
            return why.words() + until.map(at -> " until " + shown.apply(at)).orElse("");
        }
    }

    public Optional<Spindle> on(CupNow cup) {
        return Optional.ofNullable(spindles.get(cup.code()));
    }

    /** Why a cup waits, if it does. */
    public Optional<Waits> waits(CupNow cup) {
        return waiting.stream()
                .filter(waits -> waits.cup().code().equals(cup.code()))
                .findFirst();
    }
}
