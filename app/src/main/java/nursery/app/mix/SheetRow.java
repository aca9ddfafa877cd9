package nursery.app.mix;

import java.util.Optional;
import nursery.core.film.TurnerCheck;
import nursery.core.resin.BatchSheet.Turn;

/**
 * A line of the batch sheet.
 *
 * @param typed  the share as it stands in its input
 * @param check  what the turner carries, if the resin's viscosity is known and the cup turns
 * @param needle where the share stands on the gauge, per cent; the turner's limit stands at {@link #LIMIT_PERCENT}
 * @param keepsLines whether the film is too thin to level before it stops flowing
 */
record SheetRow(int place, Candidate candidate, Turn turn, String typed, Optional<TurnerCheck> check, double needle, boolean keepsLines) {

    static final double LIMIT_PERCENT = 75;

    static SheetRow of(int place, Candidate candidate, Turn turn, String typed, Optional<TurnerCheck> check) {
        double needle = check.map(found -> Math.min(100, LIMIT_PERCENT * found.filmMm() / found.carriesMm())).orElse(0.0);
        boolean keepsLines = check.map(found -> found.keepsItsLines(candidate.resin().label().times().workingH() * 3600)).orElse(false);
        return new SheetRow(place, candidate, turn, typed, check, Math.round(needle * 10) / 10.0, keepsLines);
    }
}
