package nursery.app.cups;

import java.util.Optional;
import nursery.app.picture.FillPicture;
import nursery.app.platform.Show;
import nursery.app.settings.Shop;
import nursery.core.film.Share;
import nursery.core.log.CupFile;
import nursery.core.resin.Label;
import nursery.core.resin.Mix;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;

/**
 * How much to mix for a coat, as the cup page shows it.
 *
 * @param share     what the cup needs and why
 * @param mix       what to measure, on the marks of the shop's cup
 * @param fill      the measuring cup with its two lines
 * @param grams     the two masses, if the resin's densities are known
 * @param byScale   whether the maker measures by scale, and can
 * @param farAbove  whether the marks force a mix much larger than the share asks for
 */
record MixAdvice(Share share, Mix mix, FillPicture fill, Optional<Grams> grams, boolean byScale, boolean farAbove, Label label) {

    private static final double FAR_ABOVE = 1.5;

    record Grams(double partA, double partB) {
        public double total() {
            return partA + partB;
        }
    }

    static Optional<MixAdvice> forStep(CupFile file, PlanStep step, Schools schools, Shop shop, Show show) {
        return step.role().map(role -> {
            Label label = file.labelFor(step);
            Share share = Share.of(file.blank(), role);
            Mix mix = Mix.onMarks(label.ratio(), share.toMixMl(), shop.markMl());
            Optional<Grams> grams = label.densities().map(densities -> new Grams(mix.partAGrams(densities), mix.partBGrams(densities)));
            return new MixAdvice(share, mix, FillPicture.of(mix, shop.markMl(), shop.cupMl(), show), grams,
                    grams.isPresent() && schools.has(School.SCALE), mix.totalMl() > FAR_ABOVE * share.toMixMl(), label);
        });
    }
}
