package nursery.app.cups;

import java.util.List;
import java.util.Optional;
import nursery.app.picture.FillPicture;
import nursery.app.platform.Show;
import nursery.core.film.Share;
import nursery.core.log.CupFile;
import nursery.core.resin.Fills;
import nursery.core.resin.Label;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Mix;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.Schools;

/**
 * How much to mix for a coat, as the cup page shows it.
 *
 * @param share     what the cup needs and why
 * @param mix       what to measure, on the marks of the shop's cup
 * @param fill      the measuring cup with the two lines of its first filling
 * @param fills     every filling
 * @param grams     the two masses, if the resin's densities are known
 * @param byScale   whether the maker measures by scale, and can
 * @param farAbove  whether the marks force a mix much larger than the share asks for
 */
record MixAdvice(Share share, Mix mix, FillPicture fill, List<Mix> fills, Optional<Grams> grams, boolean byScale, boolean farAbove, Label label) {

    private static final double FAR_ABOVE = 1.5;

    record Grams(double partA, double partB) {
        public double total() {
            return partA + partB;
        }
    }

    static Optional<MixAdvice> forStep(CupOnBench onBench, PlanStep step, MeasuringCup cup, Show show) {
        CupFile file = onBench.file();
        Schools schools = onBench.cup().schools();
        return step.role().map(role -> {
            Label label = file.labelFor(step);
            Share share = onBench.state().share(file, role);
            // Where not even the smallest mix on the marks fits the cup, the lines lie between them, and the page says so.
            boolean fits = Fills.fits(label.ratio(), cup);
            Mix mix = fits ? Mix.onMarks(label.ratio(), share.toMixMl(), cup.markMl()) : Mix.exactly(label.ratio(), share.toMixMl());
            List<Mix> fills = fits ? Fills.of(mix, label.ratio(), cup) : List.of(mix);
            Optional<Grams> grams = label.densities().map(densities -> new Grams(mix.partAGrams(densities), mix.partBGrams(densities)));
            return new MixAdvice(share, mix, FillPicture.of(fills.get(0), cup, show), fills, grams,
                    grams.isPresent() && schools.has(School.SCALE), !fits || mix.totalMl() > FAR_ABOVE * share.toMixMl(), label);
        });
    }
}
