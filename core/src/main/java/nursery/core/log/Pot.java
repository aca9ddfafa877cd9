package nursery.core.log;

import java.util.OptionalLong;
import nursery.core.resin.Resin;

/**
 * What a coat was mixed from.
 *
 * @param edition which edition of the resin's label held then
 * @param batch the number of the batch, empty if it was mixed alone
 */
public record Pot(Resin resin, int edition, OptionalLong batch) {

    /** A pot of a resin as its label reads now. */
    public static Pot of(Resin resin, OptionalLong batch) {
        return new Pot(resin, resin.edition(), batch);
    }
}
