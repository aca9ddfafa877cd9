package nursery.app.mix;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import nursery.app.picture.FillPicture;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.app.shelf.StockBook;
import nursery.core.film.TurnerCheck;
import nursery.core.floor.Floor;
import nursery.core.floor.Placing;
import nursery.core.floor.ShelfCup;
import nursery.core.log.Spindle;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.Numbers;
import nursery.core.resin.Addition;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.Densities;
import nursery.core.resin.Label;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Mix;
import nursery.core.resin.Pace;
import nursery.core.resin.Portion;
import nursery.core.resin.Resin;

/**
 * The batch sheet as it stands while coats are picked and shares changed.
 *
 * @param byScale whether it is measured by weight
 * @param grams what the scale shows after A, and after B on top, for the first filling; empty without densities
 * @param missing what the bottles lack for it, by the book
 * @param old which of the bottles it is drawn from are past their time, in words
 * @param kept what was typed for the coats picked, where it makes no sheet
 * @param faults what is wrong; then there is no sheet
 */
record MixSheet(
        Resin resin,
        ShelfCup cup,
        boolean byScale,
        Optional<BatchSheet> sheet,
        List<SheetRow> rows,
        List<Kept> kept,
        Optional<FillPicture> fill,
        List<Grams> grams,
        double roomC,
        Pace pace,
        int servesMore,
        List<StockBook.Lot> missing,
        List<String> old,
        List<Fault> faults) {

    private static final int LONGEST_ADDITION = 60;

    /** What the scale shows for one filling: after A, tared, then after B; and both together. */
    record Grams(double partA, double partB) {

        /** One for each filling; none if the densities are not known. */
        static List<Grams> of(Label label, List<Mix> fills) {
            return label.densities()
                    .map(densities -> fills.stream()
                            .map(fill -> new Grams(fill.partAGrams(densities), fill.partBGrams(densities)))
                            .toList())
                    .orElse(List.of());
        }

        public double total() {
            return partA + partB;
        }
    }

    /** The percentage by which the hardener would be too much if equal weights were taken for the ratio. */
    public String weightError() {
        return resin.label()
                .densities()
                .map(Densities::errorIfWeighedAsVolumes)
                .map(error -> Numbers.show(error * 100, 0))
                .orElse("");
    }

    public boolean lacksDensities() {
        return byScale && resin.label().densities().isEmpty();
    }

    /** What was chosen on the mixing bench. */
    record Choice(Floor floor, Resin resin, List<Candidate> candidates, ShelfCup cup, StockBook stock) {
        double roomC() {
            return floor.air().temperatureC(floor.now());
        }
    }

    static MixSheet of(Choice choice, Map<String, String> typed, Show show) {
        FormReader reader = new FormReader(typed);
        Map<String, Double> shares = new LinkedHashMap<>();
        for (Candidate candidate : choice.candidates()) {
            String field = "share-" + candidate.code();
            shares.put(
                    candidate.code(),
                    reader.raw(field).isEmpty()
                            ? candidate.share().suggestedMl()
                            : reader.quantity(field, candidate.code() + "'s share", show.volumeUnit()));
        }
        Map<String, List<Addition>> additions = additions(choice, shares, reader, show);
        boolean rests = choice.candidates().stream()
                .anyMatch(candidate -> Floor.rests(candidate.onBench().cup()));
        Pace pace = Pace.of(rests, choice.floor().minutesPerCup());
        MeasuringCup cup = choice.cup().cup();
        Optional<BatchSheet> sheet =
                reader.faults().none() && !choice.candidates().isEmpty()
                        ? reader.faults().attempt("cup", () -> choice.floor()
                                .sheet(choice.resin(), portions(choice, shares, additions), cup, rests))
                        : Optional.empty();
        Optional<StockBook.ForMix> stock =
                sheet.map(found -> choice.stock().forMix(choice.resin().id(), found.mix()));
        boolean byScale = "scale".equals(reader.raw("by"));
        return new MixSheet(
                choice.resin(),
                choice.cup(),
                byScale,
                sheet,
                rows(choice, sheet, typed, show),
                sheet.isPresent() ? List.of() : kept(choice, typed, show),
                sheet.map(found -> FillPicture.of(found.fills().get(0), cup, show)),
                Grams.of(choice.resin().label(), sheet.map(BatchSheet::fills).orElse(List.of())),
                choice.roomC(),
                pace,
                sheet.map(found -> found.servesMore(choice.floor().ways().losses()))
                        .orElse(0),
                stock.map(StockBook.ForMix::missing).orElse(List.of()),
                stock.map(StockBook.ForMix::old).orElse(List.of()),
                reader.faults().found());
    }

    /** How many of them have a place to turn, or need none. */
    public long placed() {
        return rows.stream().filter(row -> row.goes().waits().isEmpty()).count();
    }

    /**
     * The frame of what stands on the screen: while it is the same, a new share changes only its own row and the head.
     */
    public String shown() {
        return rows.stream()
                .map(row -> row.candidate().code()
                        + (row.turn().inTime() ? "=" : "!")
                        + row.turn().portion().ml())
                .collect(Collectors.joining(";"));
    }

    /** The rows whose share differs from the one shown; empty if more than shares has changed. */
    Optional<List<SheetRow>> changedSince(String before) {
        String[] then = before.split(";");
        String[] now = shown().split(";");
        if (rows.isEmpty() || then.length != now.length) {
            return Optional.empty();
        }
        List<SheetRow> changed = new ArrayList<>();
        for (int i = 0; i < now.length; i++) {
            if (!then[i].startsWith(
                    now[i].substring(0, now[i].indexOf(rows.get(i).turn().inTime() ? '=' : '!') + 1))) {
                return Optional.empty();
            }
            if (!then[i].equals(now[i])) {
                changed.add(rows.get(i));
            }
        }
        return Optional.of(changed);
    }

    /** @throws InvalidInput with what is wrong, if there is no sheet */
    BatchSheet sheetOrThrow() {
        if (rows.isEmpty() && faults.isEmpty()) {
            throw new InvalidInput(List.of(new Fault("cup", "No coat is chosen: pick at least one.")));
        }
        return sheet.orElseThrow(() -> new InvalidInput(faults));
    }

    /** What is set aside and stirred in; naming only what it is means all that is not set aside. */
    private static Map<String, List<Addition>> additions(
            Choice choice, Map<String, Double> shares, FormReader reader, Show show) {
        Map<String, List<Addition>> additions = new LinkedHashMap<>();
        for (Candidate candidate : choice.candidates()) {
            String code = candidate.code();
            List<Addition.Asked> asked = new ArrayList<>();
            for (String key : SheetRow.keys(code)) {
                String what = reader.line("tint-" + key, code + ", what is stirred in", LONGEST_ADDITION, false);
                boolean some = !reader.raw("aside-" + key).isEmpty();
                if (some || !what.isEmpty()) {
                    asked.add(new Addition.Asked(
                            some
                                    ? OptionalDouble.of(
                                            reader.quantity("aside-" + key, code + ", set aside", show.volumeUnit()))
                                    : OptionalDouble.empty(),
                            what));
                }
            }
            reader.faults()
                    .attempt(
                            "aside-" + code,
                            () -> Addition.of("aside-" + code, shares.getOrDefault(code, Double.NaN), asked))
                    .ifPresent(found -> additions.put(code, found));
        }
        return additions;
    }

    private static List<Portion> portions(
            Choice choice, Map<String, Double> shares, Map<String, List<Addition>> additions) {
        return choice.candidates().stream()
                .map(candidate -> new Portion(
                        candidate.code(),
                        shares.getOrDefault(candidate.code(), Double.NaN),
                        candidate.closesAt(),
                        additions.getOrDefault(candidate.code(), List.of())))
                .toList();
    }

    /** What was typed for a coat. */
    record Kept(Candidate candidate, SheetRow.Typed typed) {}

    private static List<Kept> kept(Choice choice, Map<String, String> typed, Show show) {
        return choice.candidates().stream()
                .map(candidate -> new Kept(
                        candidate,
                        SheetRow.Typed.of(
                                candidate.code(),
                                typed,
                                show.volumeNumber(candidate.share().suggestedMl()))))
                .toList();
    }

    private static List<SheetRow> rows(
            Choice choice, Optional<BatchSheet> sheet, Map<String, String> typed, Show show) {
        Placing placing = choice.floor()
                .placing(choice.candidates().stream().map(Candidate::onBench).toList());
        List<SheetRow> rows = new ArrayList<>();
        for (BatchSheet.Turn turn : sheet.map(BatchSheet::turns).orElse(List.of())) {
            Candidate candidate = choice.candidates().stream()
                    .filter(found -> found.code().equals(turn.portion().cup()))
                    .findFirst()
                    .orElseThrow();
            Optional<TurnerCheck> check = !candidate.turns()
                    ? Optional.empty()
                    : TurnerCheck.of(
                            candidate.onBench().cup().blankFor(candidate.step()),
                            choice.resin().label(),
                            turn.portion().ml(),
                            placing.on(candidate.onBench()).map(Spindle::rpm).orElseGet(() -> choice.floor()
                                    .carrier(candidate.onBench(), candidate.step())
                                    .rpm()),
                            choice.roomC());
            rows.add(SheetRow.of(
                    rows.size() + 1,
                    candidate,
                    turn,
                    SheetRow.Typed.of(
                            candidate.code(),
                            typed,
                            show.volumeNumber(turn.portion().ml())),
                    SheetRow.Goes.of(candidate.onBench(), placing, show),
                    check));
        }
        return rows;
    }
}
