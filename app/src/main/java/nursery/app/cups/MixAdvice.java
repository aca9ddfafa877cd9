package nursery.app.cups;

import java.util.List;
import java.util.Optional;
import nursery.app.picture.FillPicture;
import nursery.app.platform.Show;
import nursery.core.film.Share;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Fills;
import nursery.core.resin.Label;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Mix;
import nursery.core.resin.Resin;
import nursery.core.technique.School;

/**
 * How much to mix for a coat, as the cup page shows it.
 *
 * @param share what the cup needs and why
 * @param mix what to measure, on the marks of the shop's cup
 * @param fill the measuring cup with the two lines of its first filling
 * @param fills every filling
 * @param grams the two masses, if the resin's densities are known
 * @param byScale whether the maker measures by scale, and can
 * @param nearly what to say where the marks do not carry the label's own ratio
 * @param farAbove whether the marks force a mix much larger than the share asks for
 */
record MixAdvice(
        Share share,
        Mix mix,
        FillPicture fill,
        Show marks,
        List<Mix> fills,
        Optional<Grams> grams,
        boolean byScale,
        boolean farAbove,
        Optional<String> nearly,
        Resin resin) {

    private static final double FAR_ABOVE = 1.5;

    record Grams(double partA, double partB) {
        public double total() {
            return partA + partB;
        }
    }

    static Optional<MixAdvice> of(CupNow cup, Floor floor, Show show) {
        return cup.nextCoat().map(step -> {
            Share share = floor.share(cup, step);
            Resin resin = cup.cup().resinFor(step);
            Label label = resin.label();
            MeasuringCup measure = floor.shelf().measuringCupAtHand().cup();
            Mix mix = floor.mixedFor(cup.cup(), resin, share.suggestedMl());
            // Where not even the smallest mix on the marks fits the cup, the lines lie between them, and the page says
            // so.
            Optional<BatchSheet> sheet = floor.sheetIfAny(cup.cup(), resin, share.suggestedMl());
            boolean fits = sheet.isPresent();
            List<Mix> fills = fits ? Fills.of(mix, measure) : List.of(mix);
            Optional<Grams> grams =
                    label.densities().map(densities -> new Grams(mix.partAGrams(densities), mix.partBGrams(densities)));
            return new MixAdvice(
                    share,
                    mix,
                    FillPicture.of(fills.get(0), measure, show),
                    show.onMarks(measure),
                    fills,
                    grams,
                    grams.isPresent() && cup.cup().schools().has(School.SCALE),
                    !fits || mix.totalMl() > FAR_ABOVE * share.toMixMl(),
                    sheet.flatMap(BatchSheet::nearly),
                    resin);
        });
    }
}
