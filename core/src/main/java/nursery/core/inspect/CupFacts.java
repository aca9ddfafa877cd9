package nursery.core.inspect;

import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import nursery.core.cure.DewPoint;
import nursery.core.cure.RoomCourse;
import nursery.core.film.Bubbles;
import nursery.core.film.TurnerCheck;
import nursery.core.floor.Batch;
import nursery.core.floor.CupNow;
import nursery.core.floor.Shelf;
import nursery.core.log.CoatOnCup;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.resin.Label;
import nursery.core.surface.Cell;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/** What a cup's own log, its mix and its room know of its newest coat. */
public final class CupFacts {

    private static final double SECONDS_PER_HOUR = 3600;
    private static final double SECONDS_PER_MINUTE = 60;
    /** The radius below which bubbles are many and slow, mm; from memory. */
    private static final double SMALL_BUBBLE_MM = 0.05;

    private static final Duration LOOK = Duration.ofMinutes(20);

    private static final Set<Cell> WET_BELOW = EnumSet.of(
            Cell.INK_WET,
            Cell.INK_UNDER_VINYL,
            Cell.SLIDE_WET,
            Cell.GLUE_WET,
            Cell.SEALER_WET,
            Cell.PAINT_WET,
            Cell.FILM_NOT_SET,
            Cell.SOAP_ON,
            Cell.COAT_RUNS);
    private static final Set<Cell> UNSEALED =
            EnumSet.of(Cell.INK_OPEN, Cell.SOOT_OPEN, Cell.FLAKES_OPEN, Cell.METALLIC_OPEN, Cell.SLIDE_OPEN);
    private static final Set<Cell> TOO_SOON = EnumSet.of(Cell.NOT_SANDABLE, Cell.COAT_WET);

    private final Map<Fact, Double> known = new EnumMap<>(Fact.class);
    private final Cup cup;
    private final CupNow now;
    private final RoomCourse room;

    private CupFacts(CupNow now, RoomCourse room) {
        this.now = now;
        this.cup = now.cup();
        this.room = room;
    }

    /**
     * Where a coat came from.
     *
     * @param batch the mix, if it was mixed here
     * @param hardenerSince when the hardener's bottle was opened, if the book of bottles knows
     */
    public record Origin(Optional<Batch> batch, Optional<Instant> hardenerSince) {
        public static final Origin UNKNOWN = new Origin(Optional.empty(), Optional.empty());
    }

    /**
     * @param origin where its newest coat came from
     * @param at the moment it is looked at
     */
    public static Facts of(CupNow now, RoomCourse room, Shelf shelf, Origin origin, Instant at) {
        CupFacts facts = new CupFacts(now, room);
        now.state().newestCoat().ifPresent(coat -> {
            facts.cured(coat, at);
            facts.poured(coat, shelf);
            facts.turned(coat, at);
            facts.below(coat);
            origin.batch().ifPresent(mix -> facts.mixed(coat, mix));
            facts.fromBottle(coat, origin.hardenerSince());
        });
        facts.layers();
        return new Facts(facts.known);
    }

    private void put(Fact fact, double value) {
        known.put(fact, value);
    }

    private void put(Fact fact, boolean yes) {
        known.put(fact, yes ? 1.0 : 0.0);
    }

    private void cured(CoatOnCup coat, Instant at) {
        double ageH = coat.times().ageHoursAt(at);
        put(Fact.AGE_H, ageH);
        put(Fact.OF_CURED, ageH / coat.label().times().curedH());
        Instant from = coat.times().pouredAt();
        Instant gelled = coat.times().offTurnerFrom();
        Instant until = gelled.isBefore(at) ? gelled : at;
        double sum = 0;
        int count = 0;
        double driest = Double.POSITIVE_INFINITY;
        double dampest = Double.NEGATIVE_INFINITY;
        for (Instant then = from; !then.isAfter(until); then = then.plus(LOOK)) {
            double airC = room.temperatureCAt(then);
            sum += airC;
            count++;
            OptionalDouble humidity = room.humidityPercentAt(then);
            if (humidity.isPresent()) {
                dampest = Math.max(dampest, humidity.getAsDouble());
                driest = Math.min(driest, airC - DewPoint.celsius(airC, humidity.getAsDouble()));
            }
        }
        put(Fact.AMBIENT_C, count == 0 ? Double.NaN : sum / count);
        put(Fact.HUMIDITY, dampest);
        put(Fact.DEW_MARGIN_C, driest);
    }

    private void poured(CoatOnCup coat, Shelf shelf) {
        Instant at = coat.times().pouredAt();
        double filmMm = coat.filmMm();
        Label label = coat.label();
        put(Fact.FILM_MM, filmMm);
        coat.pour()
                .spindle()
                .flatMap(spindle -> shelf.turners().stream()
                        .filter(turner -> turner.spindles().contains(spindle))
                        .findFirst())
                .flatMap(turner ->
                        TurnerCheck.of(coat.on(), label, coat.pour().amountMl(), turner.rpm(), room.temperatureCAt(at)))
                .ifPresent(check -> {
                    put(Fact.CARRIES_MM, check.carriesMm());
                    put(
                            Fact.RIPPLE_OF_GEL,
                            check.levelsWithinS()
                                    / (Duration.between(at, coat.times().offTurnerFrom())
                                            .toSeconds()));
                });
        label.viscosityPaSAt(room.temperatureCAt(at))
                .ifPresent(viscosity -> put(
                        Fact.BUBBLE_OF_WORKING,
                        Bubbles.riseSeconds(SMALL_BUBBLE_MM, filmMm, viscosity, label.mixDensityGPerMl())
                                * coat.times().speedAt(at)
                                / (label.times().workingH() * SECONDS_PER_HOUR)));
        if (doneAfter(coat, StepKind.HEAT)) {
            put(Fact.HEAT_PASS, true);
        }
    }

    private boolean doneAfter(CoatOnCup coat, StepKind kind) {
        return cup.happened().stream()
                .anyMatch(entry -> entry instanceof LogEntry.StepDone done
                        && cup.find(done).filter(step -> step.kind() == kind).isPresent()
                        && !done.mark().happenedAt().isBefore(coat.times().pouredAt()));
    }

    /** How long it turned, once it is off. */
    private void turned(CoatOnCup coat, Instant at) {
        if (coat.pour().spindle().isEmpty() || now.state().hold().isPresent()) {
            return;
        }
        Instant pouredAt = coat.times().pouredAt();
        cup.happened().stream()
                .filter(entry -> entry.mark().happenedAt().isAfter(pouredAt) && endsTurning(entry))
                .map(entry -> entry.mark().happenedAt())
                .min(Instant::compareTo)
                .filter(off -> !off.isAfter(at))
                .ifPresent(off -> put(
                        Fact.OF_TURNING,
                        coat.times().ageHoursAt(off) / coat.label().times().turningH()));
    }

    private boolean endsTurning(LogEntry entry) {
        return entry.kind() == LogEntry.Kind.TAKEN_OFF
                || entry.kind() == LogEntry.Kind.SCUFFED
                || entry instanceof LogEntry.StepDone done
                        && cup.find(done)
                                .filter(step -> step.kind().endsTurning())
                                .isPresent();
    }

    private void below(CoatOnCup coat) {
        List<CoatOnCup> coats = now.state().coats();
        if (coats.size() > 1) {
            CoatOnCup before = coats.get(coats.size() - 2);
            put(Fact.SCUFFED, before.scuffed());
            put(
                    Fact.BELOW_OF_WINDOW,
                    before.times().ageHoursAt(coat.times().pouredAt())
                            / before.label().times().scuffAfterH());
        }
        put(Fact.BELOW_DRY, !broke(WET_BELOW));
        put(Fact.SOLVENT_OFF, !broke(EnumSet.of(Cell.SOLVENT_WET)));
        put(Fact.SEALED, !broke(UNSEALED));
        put(Fact.WORKED_TOO_SOON, broke(TOO_SOON));
    }

    private boolean broke(Set<Cell> cells) {
        return now.state().otherwise().stream().anyMatch(cells::contains);
    }

    private void layers() {
        List<PlanStep> done = now.stepsDone();
        put(Fact.CLEAR_COATS, now.state().clearCoats());
        put(Fact.STENCIL, has(done, StepKind.PEEL));
        distressed(done);
        put(Fact.SLIDE, has(done, StepKind.WATER_SLIDE));
        put(Fact.INK, has(done, StepKind.INK, StepKind.INK_BLOOM, StepKind.SMOKE));
        put(Fact.GLUE, has(done, StepKind.GLUE, StepKind.SPRAY_ADHESIVE, StepKind.FOIL_ADHESIVE));
        put(
                Fact.METALLIC,
                done.stream()
                        .anyMatch(step -> Field.VINYL.isOf(step.kind())
                                && step.how().vinyl().mayLift()));
        put(
                Fact.COARSE,
                done.stream()
                        .anyMatch(step ->
                                step.kind() == StepKind.GLITTER && step.how().isCoarse()));
        put(Fact.STEEL_LINE, has(done, StepKind.MASK, StepKind.SAND_RIM, StepKind.TRIM_AND_SAND));
        done.stream()
                .filter(step -> step.kind().scuffsTheBody())
                .mapToDouble(step -> step.how().grit().coarsest())
                .filter(grit -> grit > 0)
                .min()
                .ifPresent(grit -> put(Fact.GRIT, grit));
    }

    /** Of the paint right below the newest coat: whether solvent lifted it, and what came loose was wiped off (P36). */
    private void distressed(List<PlanStep> done) {
        boolean isPaintOpen = false;
        boolean isDistressed = false;
        boolean isWiped = false;
        boolean wasDistressed = false;
        boolean wasWiped = false;
        for (PlanStep step : done) {
            if (step.kind().isPour()) {
                wasDistressed = isDistressed;
                wasWiped = isWiped;
                isPaintOpen = false;
                isDistressed = false;
                isWiped = false;
            } else if (step.kind() == StepKind.PAINT || step.kind() == StepKind.SPONGE) {
                isPaintOpen = true;
            } else if (step.kind() == StepKind.WIPE && isPaintOpen) {
                boolean isAlcohol = step.how().cleaner() == Fields.Cleaner.ALCOHOL;
                isWiped = isAlcohol && isDistressed;
                isDistressed |= !isAlcohol;
            }
        }
        put(Fact.DISTRESSED, wasDistressed);
        if (wasDistressed) {
            put(Fact.RESIDUE_WIPED, wasWiped);
        }
    }

    private static boolean has(List<PlanStep> done, StepKind first, StepKind... more) {
        Set<StepKind> kinds = EnumSet.of(first, more);
        return done.stream().anyMatch(step -> kinds.contains(step.kind()));
    }

    private void fromBottle(CoatOnCup coat, Optional<Instant> since) {
        since.ifPresent(opened -> put(
                Fact.OPEN_DAYS,
                Math.max(0, Duration.between(opened, coat.times().pouredAt()).toDays())));
    }

    private void mixed(CoatOnCup coat, Batch batch) {
        Instant poured = coat.times().pouredAt();
        batch.secondsStirred(poured).ifPresent(seconds -> put(Fact.SECONDS_STIRRED, seconds));
        batch.inTwoCups(poured).ifPresent(yes -> put(Fact.TWO_CUPS, yes));
        batch.wasRested(poured).ifPresent(yes -> put(Fact.RESTED, yes));
        batch.actual().ifPresent(actual -> {
            put(Fact.RATIO_ERROR, batch.ratio().errorOf(actual.partAMl(), actual.partBMl()));
            put(Fact.MIX_ML, actual.totalMl());
        });
        batch.mixedAt()
                .ifPresent(mixed -> put(
                        Fact.OF_POT_LIFE,
                        Duration.between(mixed, coat.times().pouredAt()).toSeconds()
                                / SECONDS_PER_MINUTE
                                / batch.potMinutes()));
    }
}
