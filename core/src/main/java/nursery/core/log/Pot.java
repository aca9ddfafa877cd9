package nursery.core.log;

import java.util.OptionalLong;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;
import nursery.core.resin.RatioCheck;
import nursery.core.resin.Resin;
import nursery.core.surface.How;

/**
 * What a coat was mixed from.
 *
 * @param edition which edition of the resin's label held then
 * @param batch the number of the batch, empty if it was mixed alone
 * @param measured what measuring its parts told of its ratio: wrong is further off than its label allows
 */
public record Pot(Resin resin, int edition, OptionalLong batch, How.Ratio measured) {

    /** A pot nobody measured. */
    public Pot(Resin resin, int edition, OptionalLong batch) {
        this(resin, edition, batch, How.Ratio.UNKNOWN);
    }

    /**
     * The same pot after its parts were measured, against the ratio it was mixed by; what is no amount says nothing.
     */
    public Pot measured(MixRatio ratio, double partAMl, double partBMl) {
        if (!(partAMl >= RatioCheck.LEAST_ML && partBMl >= RatioCheck.LEAST_ML)
                || partAMl + partBMl > Mix.MAX_TOTAL_ML) {
            return this;
        }
        RatioCheck check = RatioCheck.of(resin.label().at(ratio), partAMl, partBMl);
        return new Pot(
                resin,
                edition,
                batch,
                check.verdict() == RatioCheck.Verdict.DO_NOT_USE ? How.Ratio.WRONG : How.Ratio.RIGHT);
    }

    /** A pot of a resin as its label reads now. */
    public static Pot of(Resin resin, OptionalLong batch) {
        return new Pot(resin, resin.edition(), batch);
    }
}
