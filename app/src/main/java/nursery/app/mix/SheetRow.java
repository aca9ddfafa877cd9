package nursery.app.mix;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import nursery.app.platform.Show;
import nursery.core.film.TurnerCheck;
import nursery.core.floor.CupNow;
import nursery.core.floor.Placing;
import nursery.core.log.Spindle;
import nursery.core.resin.Addition;
import nursery.core.resin.BatchSheet.Turn;

/**
 * A line of the batch sheet.
 *
 * @param typed what stands in its inputs
 * @param goes where it turns, or why it waits
 * @param check what the turner carries, if the resin's viscosity is known and the cup turns
 * @param needle where the share stands on the gauge, per cent; the turner's limit stands at {@link #LIMIT_PERCENT}
 * @param keepsLines whether the film is too thin to level before it stops flowing
 */
record SheetRow(
        int place,
        Candidate candidate,
        Turn turn,
        Typed typed,
        Goes goes,
        Optional<TurnerCheck> check,
        double needle,
        boolean keepsLines) {

    /**
     * @param spindle where it turns, if it does and one is free
     * @param waits why it cannot be poured with the others
     */
    record Goes(Optional<Spindle> spindle, Optional<String> waits) {

        static Goes of(CupNow cup, Placing placing, Show show) {
            return new Goes(placing.on(cup), placing.waits(cup).map(one -> one.words(show::at)));
        }
    }

    /** How much is set aside, and what is stirred into that. */
    record Aside(String ml, String what) {
        boolean isEmpty() {
            return ml.isBlank() && what.isBlank();
        }
    }

    /** The share, and what is done with parts of it. */
    record Typed(String share, List<Aside> asides) {

        static Typed of(String code, Map<String, String> typed, String share) {
            return new Typed(
                    typed.getOrDefault("share-" + code, share),
                    keys(code).stream()
                            .map(key -> new Aside(
                                    typed.getOrDefault("aside-" + key, ""), typed.getOrDefault("tint-" + key, "")))
                            .toList());
        }

        public boolean isAnything() {
            return !asides.stream().allMatch(Aside::isEmpty);
        }
    }

    /** What the inputs of each thing that may be stirred in end on. */
    static List<String> keys(String code) {
        return IntStream.rangeClosed(1, Addition.MOST)
                .mapToObj(i -> i == 1 ? code : code + "-" + i)
                .toList();
    }

    static final double LIMIT_PERCENT = 75;

    static SheetRow of(int place, Candidate candidate, Turn turn, Typed typed, Goes goes, Optional<TurnerCheck> check) {
        double needle = check.map(SheetRow::needle).orElse(0.0);
        boolean keepsLines = check.map(found ->
                        found.keepsItsLines(candidate.resin().label().times().workingH() * 3600))
                .orElse(false);
        return new SheetRow(place, candidate, turn, typed, goes, check, needle, keepsLines);
    }

    /** Whether the coat may be poured now, and may not be any more when its turn comes. */
    public boolean closesBeforeItsTurn(Instant now) {
        Instant itsTurn = now.plus(Duration.ofSeconds(Math.round(turn.atMinute() * 60)));
        return candidate
                .closesAt()
                .filter(closes -> closes.isAfter(now) && !closes.isAfter(itsTurn))
                .isPresent();
    }

    /** What to ask about its share, if that is nowhere near what the coat takes. */
    public Optional<String> slip() {
        return candidate.share().slipOf(turn.portion().ml());
    }

    static double needle(TurnerCheck check) {
        return Math.round(10 * Math.min(100, LIMIT_PERCENT * check.filmMm() / check.carriesMm())) / 10.0;
    }
}
