package nursery.core.technique;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * What something is sanded with, from the coarsest paper to the finest; both 0 where nothing is said. What it is begun
 * with goes through a thin coat, what it is ended with is what shows.
 */
public record Grit(int coarsest, int finest) {

    public static final Grit UNSAID = new Grit(0, 0);
    public static final int LOWEST = 20;
    public static final int HIGHEST = 5000;

    private static final Pattern WRITTEN = Pattern.compile("(\\d{2,4})(?:\\s*(?:-|–|to)\\s*(\\d{2,4}))?");

    public Grit {
        boolean isUnsaid = coarsest == 0 && finest == 0;
        if (!isUnsaid && (coarsest < LOWEST || finest > HIGHEST || coarsest > finest)) {
            throw new IllegalArgumentException(
                    "A grit of %d to %d is outside %d to %d, or the finer comes first: write it as 220 or 60–220."
                            .formatted(coarsest, finest, LOWEST, HIGHEST));
        }
    }

    public static Grit of(int one) {
        return new Grit(one, one);
    }

    /** What is written as {@code 220} or {@code 60–220}; nothing is written for nothing said. */
    public static Optional<Grit> parse(String written) {
        if (written.isBlank()) {
            return Optional.of(UNSAID);
        }
        Matcher grit = WRITTEN.matcher(written.strip());
        if (!grit.matches()) {
            return Optional.empty();
        }
        int one = Integer.parseInt(grit.group(1));
        int other = grit.group(2) == null ? one : Integer.parseInt(grit.group(2));
        int coarsest = Math.min(one, other);
        int finest = Math.max(one, other);
        return coarsest < LOWEST || finest > HIGHEST ? Optional.empty() : Optional.of(new Grit(coarsest, finest));
    }

    public boolean isSaid() {
        return finest > 0;
    }

    /** As a maker writes it: {@code 60–220}; empty where nothing is said. */
    public String written() {
        return !isSaid() ? "" : coarsest == finest ? "" + finest : coarsest + "–" + finest;
    }
}
