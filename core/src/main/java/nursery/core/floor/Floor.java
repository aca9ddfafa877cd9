package nursery.core.floor;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.core.film.Carrier;
import nursery.core.film.Share;
import nursery.core.log.Cup;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.NextAction.Readiness;
import nursery.core.log.OnTheCup;
import nursery.core.log.Spindle;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.BenchHours;
import nursery.core.plan.Pin;
import nursery.core.plan.Placement;
import nursery.core.plan.PlannedMix;
import nursery.core.plan.Workshop;
import nursery.core.resin.BatchSheet;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Mix;
import nursery.core.resin.Pace;
import nursery.core.resin.Portion;
import nursery.core.resin.Resin;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;

/**
 * The shop at a moment: everything that is on the go, and what it is done with. Cups that were handed over, abandoned
 * or fully cured for long are not on it. Whoever asks how much to mix, where a coat turns or when a cup is ready asks
 * here.
 *
 * @param now the moment
 * @param cups every cup on the floor, oldest first
 * @param open mixes under way
 * @param minutesPerCup how long a cup takes here, as the maker said or the log shows
 * @param hours when there are hands at the bench
 * @param pins steps wanted at a moment of their own
 * @param kept where the plan that is kept has each step
 */
public record Floor(
        Instant now,
        Ways ways,
        Air air,
        Shelf shelf,
        List<CupNow> cups,
        List<Batch> open,
        double minutesPerCup,
        BenchHours hours,
        List<Pin> pins,
        List<Placement> kept) {

    /** A plan is laid out anew so often, not oftener. */
    private static final long PERIOD_S = 300;

    public Floor {
        cups = List.copyOf(cups);
        open = List.copyOf(open);
        pins = List.copyOf(pins);
        kept = List.copyOf(kept);
    }

    /** The floor as it would be with one of its cups otherwise. */
    public Floor with(CupNow changed) {
        return new Floor(
                now,
                ways,
                air,
                shelf,
                cups.stream()
                        .map(cup -> cup.code().equals(changed.code()) ? changed : cup)
                        .toList(),
                open,
                minutesPerCup,
                hours,
                pins,
                kept);
    }

    public Optional<CupNow> find(String code) {
        return cups.stream().filter(cup -> cup.code().equals(code)).findFirst();
    }

    /** A cup beside the one in hand with solvent about it: no flame near it until that has gone (P45). */
    public record Beside(String code, OnTheCup.Vapour vapour) {}

    /** What burns near a cup's step, where that takes a flame or may; of several the one that lasts longest. */
    public Optional<Beside> vapourBeside(CupNow inHand) {
        return inHand.state()
                .next()
                .filter(next -> next.step().kind().isPour()
                        || next.step().kind() == StepKind.HEAT
                        || next.step().kind() == StepKind.SMOKE)
                .map(next -> now.isAfter(next.window().opensAt())
                        ? now
                        : next.window().opensAt())
                .flatMap(from -> cups.stream()
                        .filter(cup -> !cup.code().equals(inHand.code()))
                        .flatMap(
                                cup -> cup.state().on().vapour().stream().map(vapour -> new Beside(cup.code(), vapour)))
                        .filter(beside -> beside.vapour().goneAt().isAfter(from))
                        .max(Comparator.comparing(beside -> beside.vapour().goneAt())));
    }

    /** The cup that holds a spindle, if one does. */
    public Optional<CupNow> on(Spindle spindle) {
        return cups.stream()
                .filter(cup -> cup.state()
                        .hold()
                        .map(SpindleHold::spindle)
                        .filter(spindle::equals)
                        .isPresent())
                .findFirst();
    }

    /** Spindles a coat can go on now, empty ones first: no cup is on them, or one whose coat need not turn any more. */
    public List<Spindle> freeSpindles() {
        return shelf.spindles().stream()
                .filter(spindle ->
                        on(spindle).filter(cup -> !isDoneTurning(cup)).isEmpty())
                .sorted(Comparator.comparing(spindle -> on(spindle).isPresent()))
                .toList();
    }

    /** Whether a cup can come off its spindle and would not go back on it at once. */
    private boolean isDoneTurning(CupNow cup) {
        boolean goesOn = turnsNext(cup) && cup.state().next().orElseThrow().readinessAt(now) != Readiness.WAITING;
        return !goesOn
                && cup.state()
                        .hold()
                        .filter(hold -> !hold.mayComeOffAt().isAfter(now))
                        .isPresent();
    }

    /** Whether what it needs next is a coat that turns, scuffed first or not. */
    private static boolean turnsNext(CupNow cup) {
        return cup.state().next().filter(next -> cup.cup().turns(next.step())).isPresent();
    }

    /** Where a cup's next coat turns: where it turns already, else on a spindle that is free and meant for no other. */
    public Optional<Spindle> spindleFor(CupNow cup) {
        return placing(List.of(cup)).on(cup);
    }

    /**
     * Where coats go that are poured together, those of mixes under way before them. One that turns goes on where it
     * is, else on the first spindle that is free; who finds none waits.
     */
    public Placing placing(List<CupNow> wanted) {
        List<CupNow> order = Stream.concat(open.stream().flatMap(batch -> stillToPour(batch).stream()), wanted.stream())
                .distinct()
                .toList();
        Map<String, Spindle> on = new HashMap<>();
        order.forEach(cup -> cup.state()
                .hold()
                .filter(hold -> turnsNext(cup))
                .ifPresent(hold -> on.put(cup.code(), hold.spindle())));
        List<Spindle> free = new ArrayList<>(freeSpindles());
        free.removeAll(on.values());
        for (CupNow cup : order) {
            if (turnsNext(cup) && !on.containsKey(cup.code()) && !free.isEmpty()) {
                on.put(cup.code(), free.remove(0));
            }
        }
        List<CupNow> served = new ArrayList<>();
        List<Placing.Waits> waiting = new ArrayList<>();
        for (CupNow cup : wanted) {
            if (turnsNext(cup) && !on.containsKey(cup.code())) {
                waiting.add(new Placing.Waits(cup, Placing.Why.NO_SPINDLE, nextFree()));
            } else {
                served.add(cup);
            }
        }
        on.keySet().retainAll(served.stream().map(CupNow::code).toList());
        return new Placing(served, on, waiting);
    }

    /** When the first of the spindles that are taken may be free. */
    private Optional<Instant> nextFree() {
        return cups.stream()
                .flatMap(cup -> cup.state().hold().stream())
                .map(SpindleHold::mayComeOffAt)
                .filter(now::isBefore)
                .min(Comparator.naturalOrder());
    }

    /** The cups that a mix is still to be poured on. */
    public List<CupNow> stillToPour(Batch batch) {
        return batch.shares().stream().flatMap(share -> toPour(share).stream()).toList();
    }

    /** The cup of a coat in a mix, if that coat is what it needs next. */
    public Optional<CupNow> toPour(Batch.BatchShare share) {
        return find(share.code()).filter(cup -> cup.state()
                .next()
                .filter(next -> next.step().number() == share.step())
                .isPresent());
    }

    /** What a coat needs on a cup as it is, on the spindle it turns on, else on the slowest there is. */
    public Share share(CupNow cup, PlanStep coat) {
        return cup.state().share(cup.cup(), coat, carrier(cup, coat));
    }

    /** What carries a coat, as warm as the room is when it may be poured. */
    public Carrier carrier(CupNow cup, PlanStep coat) {
        Instant at = cup.state()
                .next()
                .filter(next -> next.step().number() == coat.number())
                .map(next -> next.window().opensAt())
                .filter(now::isBefore)
                .orElse(now);
        return cup.state().carrier(cup.cup(), coat, shelf.spindles(), air.temperatureC(at));
    }

    /** What most of the cups on the floor are made with; of as many the one used last. */
    public Resin usualResin() {
        List<Resin> used = cups.stream().map(cup -> cup.cup().resins().base()).toList();
        return used.stream()
                .max(Comparator.comparing((Resin resin) -> Collections.frequency(used, resin))
                        .thenComparing(used::lastIndexOf))
                .orElseGet(() -> shelf.resins().get(0));
    }

    /** Whether somebody is mixing for a cup's next step already. */
    public boolean isUnderWay(CupNow cup) {
        return batchFor(cup).isPresent();
    }

    /** The mix under way for a cup's next step. */
    public Optional<Batch> batchFor(CupNow cup) {
        return open.stream()
                .filter(batch ->
                        stillToPour(batch).stream().anyMatch(one -> one.code().equals(cup.code())))
                .findFirst();
    }

    /** The coats that are due now and that nobody mixes for yet, what closes first before the others. */
    public List<CupNow> coatsDue() {
        return cups.stream()
                .filter(cup -> cup.nextCoat().isPresent() && !isUnderWay(cup))
                .filter(cup -> cup.state().next().orElseThrow().readinessAt(now) != Readiness.WAITING)
                .sorted(Comparator.comparing((CupNow cup) -> cup.state()
                        .next()
                        .orElseThrow()
                        .window()
                        .closesAtExclusive()
                        .orElse(Instant.MAX)))
                .toList();
    }

    /**
     * Those of them that one mix serves: all of one resin, the one whose coat closes first if none is named, each with
     * a place to turn and its turn before the mix is off.
     */
    public Placing dueTogether(Optional<Resin> named) {
        List<CupNow> due = coatsDue();
        Optional<Resin> resin = named.or(() -> due.stream().findFirst().map(Floor::nextResin));
        Placing placed = placing(due.stream()
                .filter(cup -> resin.filter(nextResin(cup)::equals).isPresent())
                .toList());
        List<CupNow> served = inTime(placed.cups());
        Map<String, Spindle> on = new HashMap<>(placed.spindles());
        on.keySet().retainAll(served.stream().map(CupNow::code).toList());
        return new Placing(
                served,
                on,
                Stream.concat(
                                placed.waiting().stream(),
                                placed.cups().stream()
                                        .filter(cup -> !served.contains(cup))
                                        .map(cup -> new Placing.Waits(cup, Placing.Why.MIX_OFF, Optional.empty())))
                        .toList());
    }

    /** As many of the first as one mix reaches; a smaller pot stays usable for longer. */
    private List<CupNow> inTime(List<CupNow> cups) {
        for (List<CupNow> some = cups; !some.isEmpty(); some = some.subList(0, some.size() - 1)) {
            if (some.size() == 1 || reachesAll(some)) {
                return some;
            }
        }
        return cups;
    }

    private boolean reachesAll(List<CupNow> cups) {
        try {
            return sheet(
                            nextResin(cups.get(0)),
                            cups.stream()
                                    .map(cup -> new Portion(
                                            cup.code(),
                                            share(cup, cup.nextCoat().orElseThrow())
                                                    .suggestedMl(),
                                            cup.state()
                                                    .next()
                                                    .orElseThrow()
                                                    .window()
                                                    .closesAtExclusive()))
                                    .toList(),
                            cups.stream().anyMatch(cup -> rests(cup.cup())))
                    .mixAgainBefore()
                    .isEmpty();
        } catch (InvalidInput marksTooCoarse) {
            // The mixing bench says so; which of them are poured is no matter then.
            return true;
        }
    }

    private static Resin nextResin(CupNow cup) {
        return cup.cup().resinFor(cup.nextCoat().orElseThrow());
    }

    /** How much to mix for some coats, in which order to pour them, and for how long it serves. */
    public BatchSheet sheet(Resin resin, List<Portion> portions, MeasuringCup measure, boolean rested) {
        return BatchSheet.of(
                resin.label(), portions, ways.losses(), measure, Pace.of(rested, minutesPerCup), air.temperatureC(now));
    }

    /** The same with the measuring cup in use. */
    public BatchSheet sheet(Resin resin, List<Portion> portions, boolean rested) {
        return sheet(resin, portions, shelf.measuringCupAtHand().cup(), rested);
    }

    /** The same for one cup's own coat. */
    public BatchSheet sheet(Cup cup, Resin resin, double shareMl) {
        return sheet(resin, List.of(new Portion(cup.code(), shareMl, Optional.empty())), rests(cup));
    }

    /** The same, or nothing where the marks allow no sheet. */
    public Optional<BatchSheet> sheetIfAny(Cup cup, Resin resin, double shareMl) {
        try {
            return Optional.of(sheet(cup, resin, shareMl));
        } catch (InvalidInput marksTooCoarse) {
            return Optional.empty();
        }
    }

    /**
     * What is mixed for a coat that was poured without a batch: as its sheet says, or exactly where the marks allow no
     * sheet.
     */
    public Mix mixedFor(Cup cup, Resin resin, double shareMl) {
        return sheetIfAny(cup, resin, shareMl)
                .map(BatchSheet::mix)
                .orElseGet(() -> Mix.exactly(
                        resin.label().ratio(), shareMl + ways.losses().of(1, 1)));
    }

    /** The same for a mix of the plan. */
    public BatchSheet sheet(PlannedMix mix) {
        List<Portion> portions = mix.pours().stream()
                .map(pour -> new Portion(
                        pour.cup(),
                        pour.amountMl().orElseThrow(),
                        pour.action().window().closesAtExclusive()))
                .toList();
        return sheet(mix.resin(), portions, mix.pours().stream().anyMatch(pour -> find(pour.cup())
                .filter(cup -> rests(cup.cup()))
                .isPresent()));
    }

    /** Whether this cup's maker lets a mix rest before it is used. */
    public static boolean rests(Cup cup) {
        return cup.schools().has(School.MIX_RESTED);
    }

    /** What a plan is made from: every cup with steps left, from the last full five minutes on. */
    public Workshop workshop() {
        Instant period = Instant.ofEpochSecond(Math.floorDiv(now.getEpochSecond(), PERIOD_S) * PERIOD_S);
        List<Cup> planned = cups.stream()
                .filter(cup -> !cup.state().isFinished() && cup.state().gone().isEmpty())
                .map(CupNow::cup)
                .toList();
        return new Workshop(period, air.course(), hours, shelf.spindles(), planned, pins, Workshop.USUAL_HORIZON);
    }
}
