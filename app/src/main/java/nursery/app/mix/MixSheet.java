package nursery.app.mix;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.app.picture.FillPicture;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.app.shelf.ShelfCup;
import nursery.app.shelf.ShelfResin;
import nursery.app.shelf.ShelfTurner;
import nursery.core.film.TurnerCheck;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.Numbers;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Densities;
import nursery.core.resin.Label;
import nursery.core.resin.Losses;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Mix;
import nursery.core.resin.Pace;
import nursery.core.resin.Portion;

/**
 * The batch sheet as it stands while coats are picked and shares changed.
 *
 * @param byScale  whether it is measured by weight
 * @param grams    what the scale shows after A, and after B on top, for the first filling; empty without densities
 * @param faults   what is wrong; then there is no sheet
 */
record MixSheet(ShelfResin resin, ShelfCup cup, ShelfTurner turner, boolean byScale, Optional<BatchSheet> sheet, List<SheetRow> rows,
        Optional<FillPicture> fill, List<Grams> grams, double roomC, Pace pace, int servesMore, List<Fault> faults) {

    /** What the scale shows for one filling: after A, tared, then after B; and both together. */
    record Grams(double partA, double partB) {

        /** One for each filling; none if the densities are not known. */
        static List<Grams> of(Label label, List<Mix> fills) {
            return label.densities().map(densities -> fills.stream().map(fill -> new Grams(fill.partAGrams(densities), fill.partBGrams(densities))).toList()).orElse(List.of());
        }

        public double total() {
            return partA + partB;
        }
    }

    /** The percentage by which the hardener would be too much if equal weights were taken for the ratio. */
    public String weightError() {
        return resin.label().densities().map(Densities::errorIfWeighedAsVolumes).map(error -> Numbers.show(error * 100, 0)).orElse("");
    }

    public boolean lacksDensities() {
        return byScale && resin.label().densities().isEmpty();
    }

    /** What was chosen on the mixing bench. */
    record Choice(ShelfResin resin, List<Candidate> candidates, ShelfCup cup, ShelfTurner turner, double roomC, double minutesPerCup) {}

    static MixSheet of(Choice choice, Map<String, String> typed, Show show) {
        FormReader reader = new FormReader(typed);
        Map<String, Double> shares = new LinkedHashMap<>();
        for (Candidate candidate : choice.candidates()) {
            String field = "share-" + candidate.code();
            shares.put(candidate.code(), reader.raw(field).isEmpty() ? candidate.share().suggestedMl()
                    : reader.quantity(field, candidate.code() + "'s share", show.volumeUnit()));
        }
        boolean rests = choice.candidates().stream().anyMatch(Candidate::wantsRest);
        Pace pace = new Pace(Pace.USUAL_MIXING_MIN + (rests ? Pace.REST_MIN : 0), choice.minutesPerCup());
        MeasuringCup cup = choice.cup().cup();
        Optional<BatchSheet> sheet = reader.faults().none() && !choice.candidates().isEmpty()
                ? reader.faults().attempt("cup", () -> BatchSheet.of(choice.resin().label(), portions(choice, shares), Losses.USUAL, cup, pace, choice.roomC()))
                : Optional.empty();
        boolean byScale = "scale".equals(reader.raw("by"));
        return new MixSheet(choice.resin(), choice.cup(), choice.turner(), byScale, sheet, rows(choice, sheet, typed, show),
                sheet.map(found -> FillPicture.of(found.fills().get(0), cup, show)), Grams.of(choice.resin().label(), sheet.map(BatchSheet::fills).orElse(List.of())), choice.roomC(), pace,
                sheet.map(found -> found.servesMore(Losses.USUAL)).orElse(0), reader.faults().found());
    }

    /** @throws InvalidInput with what is wrong, if there is no sheet */
    BatchSheet sheetOrThrow() {
        if (rows.isEmpty() && faults.isEmpty()) {
            throw new InvalidInput(List.of(new Fault("cup", "No coat is chosen: pick at least one.")));
        }
        return sheet.orElseThrow(() -> new InvalidInput(faults));
    }

    private static List<Portion> portions(Choice choice, Map<String, Double> shares) {
        return choice.candidates().stream().map(candidate -> new Portion(candidate.code(), shares.getOrDefault(candidate.code(), Double.NaN), candidate.closesAt())).toList();
    }

    private static List<SheetRow> rows(Choice choice, Optional<BatchSheet> sheet, Map<String, String> typed, Show show) {
        List<SheetRow> rows = new ArrayList<>();
        for (BatchSheet.Turn turn : sheet.map(BatchSheet::turns).orElse(List.of())) {
            Candidate candidate = choice.candidates().stream().filter(found -> found.code().equals(turn.portion().cup())).findFirst().orElseThrow();
            Optional<TurnerCheck> check = candidate.hangs() ? Optional.empty()
                    : TurnerCheck.of(candidate.onBench().file().blank(), choice.resin().label(), turn.portion().ml(), choice.turner().rpm(), choice.roomC());
            rows.add(SheetRow.of(rows.size() + 1, candidate, turn, typed.getOrDefault("share-" + candidate.code(), show.volumeNumber(turn.portion().ml())), check));
        }
        return rows;
    }
}
