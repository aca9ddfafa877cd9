package nursery.core.inspect;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.log.Blemish;

/**
 * What would likely go wrong with a coat, by what is known of it before it is poured: the same model, looked at the
 * other way round.
 *
 * @param fault what would be seen
 * @param chance how likely
 * @param cause what would be behind it
 * @param reason what speaks most for that, in figures
 */
public record Foresight(Blemish fault, double chance, Cause cause, String reason) {

    /** From this chance on it is said; from memory. */
    public static final double WORTH_SAYING = 0.3;

    /** Likely faults, one for each cause that the facts make likely, the worst first. */
    public static List<Foresight> of(Model model, Facts facts) {
        List<Foresight> ahead = new ArrayList<>();
        for (Cause cause : model.causes()) {
            double given = cause.given(facts);
            if (given <= cause.prior()) {
                continue;
            }
            Optional<Evidence> strongest = cause.evidence().stream()
                    .filter(evidence -> evidence.speaks(facts) && evidence.decibans() > 0)
                    .max(Comparator.comparing(Evidence::decibans));
            cause.shows().entrySet().stream()
                    .filter(shown -> Blemish.named(shown.getKey()).isPresent())
                    .max(Map.Entry.comparingByValue())
                    .filter(shown -> given * shown.getValue() >= WORTH_SAYING)
                    .ifPresent(shown -> strongest.ifPresent(evidence -> ahead.add(new Foresight(
                            Blemish.named(shown.getKey()).orElseThrow(),
                            given * shown.getValue(),
                            cause,
                            facts.told(evidence.words())))));
        }
        ahead.sort(Comparator.comparing(Foresight::chance).reversed());
        return ahead;
    }

    public String words() {
        return "%s, about %s: %s.".formatted(fault.words(), Tenths.counted(chance), reason);
    }
}
