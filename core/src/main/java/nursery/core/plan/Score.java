package nursery.core.plan;

import java.util.Comparator;

/**
 * How good a plan is: less is better, and an earlier figure outweighs all that follow.
 *
 * @param notPlaced steps that found no place at all
 * @param missed steps done after a window closed that nothing mends, and pins not kept
 * @param lateMinutes over all cups, each times how much it matters
 * @param scuffs coats that come too late to go straight on, so that the coat below is scuffed first
 * @param sessions times the maker goes to the bench: work without a gap of over {@value #BREAK_MINUTES} minutes
 * @param fadedHours begun hours by which coats straight on come after the time they grip well
 * @param mixes mixes to be mixed
 * @param finishMinutes from the plan's first slot until full cure, over all cups
 */
public record Score(
        int notPlaced,
        int missed,
        long lateMinutes,
        int scuffs,
        int sessions,
        int fadedHours,
        int mixes,
        long finishMinutes)
        implements Comparable<Score> {

    /** A longer gap is a break, and coming back is another session; from memory. */
    public static final int BREAK_MINUTES = 60;

    private static final Comparator<Score> ORDER = Comparator.comparingInt(Score::notPlaced)
            .thenComparingInt(Score::missed)
            .thenComparingLong(Score::lateMinutes)
            .thenComparingInt(Score::scuffs)
            .thenComparingInt(Score::sessions)
            .thenComparingInt(Score::fadedHours)
            .thenComparingInt(Score::mixes)
            .thenComparingLong(Score::finishMinutes);

    @Override
    public int compareTo(Score other) {
        return ORDER.compare(this, other);
    }

    /** Whether every step has its place in its window, nothing is late, and no coat is scuffed that need not be. */
    public boolean hurtsNobody() {
        return notPlaced == 0 && missed == 0 && lateMinutes == 0 && scuffs == 0;
    }

    /** The lateness in whole hours, for people. */
    public long lateHours() {
        return Math.round(lateMinutes / 60.0);
    }
}
