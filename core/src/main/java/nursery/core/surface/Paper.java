package nursery.core.surface;

import java.util.ArrayList;
import java.util.List;

/** Minutes on paper: what was done lies where it lay, and what is planned cures at its label's own temperature. */
final class Paper implements Timeline {

    private static final double MINUTES_PER_HOUR = 60;

    private final Timeline before;
    private final int works;
    private final List<Double> begun = new ArrayList<>();
    private final List<Double> ended = new ArrayList<>();

    /**
     * @param before when works were done that are no plan any more
     * @param works how many of them there are
     */
    Paper(Timeline before, int works) {
        this.before = before;
        this.works = works;
    }

    /** One more work. */
    void add(double atMinute, double handsOnMinutes) {
        begun.add(atMinute);
        ended.add(atMinute + handsOnMinutes);
    }

    @Override
    public double begun(int work, double minutes) {
        return work <= works ? before.begun(work, minutes) : begun.get(work - works - 1) + minutes;
    }

    @Override
    public double ended(int work, double minutes) {
        return work <= works ? before.ended(work, minutes) : ended.get(work - works - 1) + minutes;
    }

    @Override
    public double age(int pour, double hours) {
        return pour <= works ? before.age(pour, hours) : begun(pour, hours * MINUTES_PER_HOUR);
    }
}
