package nursery.core.resin;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import nursery.core.measure.Faults;
import nursery.core.measure.Numbers;

/**
 * One mix for several coats: what to measure, in which order to pour, and how far it reaches before it goes off.
 *
 * @param measured the ratio it is measured at: the label's, or the nearest on the marks where its own needs too many
 * @param turns the cups in pouring order, what closes first coming first, then by code: a share that is changed moves
 *     nobody
 * @param sharesMl on all cups together
 * @param lossesMl on mixing cups, sticks and glove
 * @param mix what to measure: shares and losses, at least the smallest trusted batch, rounded up to the marks
 * @param fills the same in cupfuls
 * @param potMinutes how long it stays usable, from mixing on
 */
public record BatchSheet(
        Label label,
        MixRatio measured,
        List<Turn> turns,
        double sharesMl,
        double lossesMl,
        Mix mix,
        List<Mix> fills,
        double potMinutes) {

    /** People trust nothing smaller in a graduated cup (P3). */
    public static final double SMALLEST_ML = 5;
    /** No one cup takes more at once; a larger figure is a slip. */
    public static final double LARGEST_SHARE_ML = 500;

    /**
     * A cup's turn.
     *
     * @param atMinute when it is poured, counted from mixing
     * @param inTime whether the pot still serves it then
     */
    public record Turn(Portion portion, double atMinute, boolean inTime) {}

    /**
     * @throws nursery.core.measure.InvalidInput if a share is no amount, or the mix does not fit the measuring cup at
     *     all
     */
    public static BatchSheet of(
            Label label, List<Portion> portions, Losses losses, MeasuringCup cup, Pace pace, double roomC) {
        check(portions);
        double sharesMl = portions.stream().mapToDouble(Portion::ml).sum();
        int expectedFills = 1;
        MixRatio measured;
        Mix mix;
        List<Mix> fills;
        // Another fill costs another cup's loss, which may need another mark: settles after a turn or two.
        do {
            double lossesMl = losses.of(portions.size(), expectedFills);
            double wantedMl = Math.max(SMALLEST_ML, sharesMl + lossesMl);
            measured = Fills.measured(label, cup, wantedMl).orElseThrow(() -> Fills.tooCoarse(label.ratio(), cup));
            mix = Mix.onMarks(measured, wantedMl, cup.markMl());
            fills = Fills.of(mix, cup);
        } while (fills.size() > expectedFills++);
        double potMinutes = PotLife.minutes(label, mix.totalMl(), roomC);
        double lossesMl = losses.of(portions.size(), fills.size());
        return new BatchSheet(
                label, measured, turns(portions, pace, potMinutes), sharesMl, lossesMl, mix, fills, potMinutes);
    }

    /** What to say where the marks do not carry the label's own ratio; empty where they do. */
    public Optional<String> nearly() {
        return Fills.nearly(label, measured);
    }

    /** What stays in the pot when all is poured as planned. */
    public double leftoverMl() {
        return Math.max(0, mix.totalMl() - sharesMl - lossesMl);
    }

    public boolean raisedToSmallestBatch() {
        return sharesMl + lossesMl < SMALLEST_ML;
    }

    /** How many more cups like these the leftover would serve. */
    public int servesMore(Losses losses) {
        double each = sharesMl / turns.size() + losses.perCupMl();
        return (int) Math.floor(leftoverMl() / each + 1e-9);
    }

    /** The place in the order at which to stop and mix again, from 1; empty if the mix reaches all cups. */
    public OptionalInt mixAgainBefore() {
        for (int i = 0; i < turns.size(); i++) {
            if (!turns.get(i).inTime()) {
                return OptionalInt.of(i + 1);
            }
        }
        return OptionalInt.empty();
    }

    public boolean mayRunHot() {
        return PotLife.mayRunHot(label, mix.totalMl());
    }

    public boolean shouldBeTwo() {
        return turns.size() > 1 && (mixAgainBefore().isPresent() || mayRunHot());
    }

    private static void check(List<Portion> portions) {
        Faults faults = new Faults();
        faults.require(!portions.isEmpty(), "cup", "No coat is chosen: pick at least one.");
        for (Portion portion : portions) {
            double ml = portion.ml();
            faults.require(
                    ml > 0 && ml <= LARGEST_SHARE_ML,
                    "share-" + portion.cup(),
                    "%s: a share of %s ml must be more than 0 and at most %s ml."
                            .formatted(portion.cup(), Numbers.show(ml), Numbers.show(LARGEST_SHARE_ML)));
            Addition.check(faults, "aside-" + portion.cup(), portion.cup(), portion.additions(), ml);
        }
        faults.throwIfAny();
    }

    private static List<Turn> turns(List<Portion> portions, Pace pace, double potMinutes) {
        List<Portion> order = portions.stream()
                .sorted(Comparator.comparing(
                                (Portion portion) -> portion.closesAt().orElse(Instant.MAX))
                        .thenComparing(Portion::cup))
                .toList();
        List<Turn> turns = new ArrayList<>();
        for (int i = 0; i < order.size(); i++) {
            double atMinute = pace.mixingMinutes() + i * pace.minutesPerCup();
            turns.add(new Turn(order.get(i), atMinute, atMinute <= potMinutes));
        }
        return List.copyOf(turns);
    }
}
