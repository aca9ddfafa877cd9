package nursery.app.cups;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.cups.LogBook.Read;
import nursery.app.platform.Show;
import nursery.core.film.PourCheck;
import nursery.core.floor.Batch;
import nursery.core.floor.CupNow;
import nursery.core.floor.Turner;
import nursery.core.floor.Turning;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.CupState.Concern;
import nursery.core.log.LogEntry;
import nursery.core.log.Spindle;
import nursery.core.resin.RatioCheck;
import nursery.core.technique.PlanStep;

/** What is asked about a coat beside the label and practice: whether it stays there, who has the spindle, its ratio. */
final class CoatQuestions {

    private final Read read;
    private final CupState before;
    private final LogEntry.Poured pour;

    CoatQuestions(Read read, CupState before, LogEntry.Poured pour) {
        this.read = read;
        this.before = before;
        this.pour = pour;
    }

    /** @param mix what it was poured of, if that was measured as one */
    List<Concern> all(Optional<Batch> mix) {
        List<Concern> concerns = new ArrayList<>();
        slip().map(words -> concern("AMOUNT_SLIP", words))
                .or(() -> willNotStay().map(words -> concern("WILL_NOT_STAY", words)))
                .ifPresent(concerns::add);
        pour.spindle()
                .flatMap(this::spindleIsTaken)
                .map(words -> concern("SPINDLE_TAKEN", words))
                .ifPresent(concerns::add);
        mix.flatMap(this::ratioIsOff).map(words -> concern("RATIO_OFF", words)).ifPresent(concerns::add);
        return concerns;
    }

    private Concern concern(String key, String words) {
        return new Concern(
                pour.mark().id(),
                key,
                read.cup().step(pour).title(),
                before.newestWork(read.cup()),
                Optional.empty(),
                Optional.empty(),
                false,
                false,
                words);
    }

    /** What was measured is judged where it is mixed; a mix that is written down afterwards is judged here. */
    private Optional<String> ratioIsOff(Batch mix) {
        return mix.actual()
                .map(pair -> RatioCheck.of(
                        pour.pot().orElseThrow().resin().label().at(mix.ratio()), pair.partAMl(), pair.partBMl()))
                .filter(check -> check.verdict() == RatioCheck.Verdict.DO_NOT_USE)
                .map(check -> check.words() + " It may stay soft: nothing goes over it until it is hard.");
    }

    private Optional<String> spindleIsTaken(Spindle spindle) {
        Show show = Show.of(read.floor().ways(), read.floor().now());
        return holder(spindle)
                .map(other ->
                        "%s still carries %s, which counts as taken off then.".formatted(spindle.name(), other.code()))
                .or(() -> Turning.beside(pour, read.cup(), read.floor().cups(), read.room())
                        .map(other -> "%s had %s on it from %s to %s: both cannot have turned there."
                                .formatted(
                                        spindle.name(), other.code(), show.at(other.from()), show.at(other.until()))));
    }

    /** Whether the amount is one that nobody pours. */
    private Optional<String> slip() {
        Cup cup = read.cup();
        PlanStep step = cup.step(pour);
        double roomC = read.room().temperatureCAt(pour.mark().happenedAt());
        return before.share(
                        cup,
                        step,
                        before.carrier(cup, step, read.floor().shelf().spindles(), roomC))
                .slipOf(pour.amountMl());
    }

    /** Whether a coat stays where it is poured: by the turner it is put on, or hung where it ought to turn. */
    private Optional<String> willNotStay() {
        Cup cup = read.cup();
        PlanStep step = cup.step(pour);
        if (pour.spindle().isEmpty() && cup.staysWithoutSpindle(step)) {
            return Optional.empty();
        }
        OptionalDouble rpm = read.floor().shelf().turners().stream()
                .filter(turner ->
                        pour.spindle().filter(turner.spindles()::contains).isPresent())
                .mapToDouble(Turner::rpm)
                .findFirst();
        return PourCheck.against(
                cup.blankFor(step),
                pour.pot().map(pot -> pot.resin().label()).orElseGet(() -> cup.labelFor(step)),
                pour.amountMl(),
                rpm,
                read.room().temperatureCAt(pour.mark().happenedAt()));
    }

    /**
     * The other cup that had to be on a spindle at that moment, by what had happened until then; one whose coat had
     * turned long enough made room.
     */
    private Optional<CupNow> holder(Spindle spindle) {
        return read.floor().cups().stream()
                .filter(other -> !other.code().equals(read.cup().code()))
                .filter(other -> other.cup()
                        .asOf(read.room(), pour.mark().happenedAt())
                        .hold()
                        .filter(hold -> hold.spindle().id() == spindle.id()
                                && hold.mayComeOffAt().isAfter(pour.mark().happenedAt()))
                        .isPresent())
                .filter(other -> other.state()
                        .hold()
                        .filter(hold -> hold.spindle().id() == spindle.id()
                                && !hold.since().isAfter(pour.mark().happenedAt()))
                        .isPresent())
                .findFirst();
    }
}
