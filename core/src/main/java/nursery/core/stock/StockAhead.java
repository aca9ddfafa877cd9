package nursery.core.stock;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import nursery.core.measure.Faults;

/**
 * What is there against what is needed, day by day.
 *
 * @param needed in all
 * @param missing what is not there of it; 0 if it lasts
 * @param runsOut the day on which what is there no longer is enough
 * @param buyBy the last day on which it can be ordered and still be here on that day; in the past, if it is too late
 */
public record StockAhead(double needed, double missing, Optional<LocalDate> runsOut, Optional<LocalDate> buyBy) {

    private static final double CRUMB = 1e-6;

    /** So much is needed on a day. */
    public record Need(LocalDate day, double amount) {}

    /** @param leadDays from ordering it until it is here */
    public static StockAhead of(double left, List<Need> needs, int leadDays) {
        Faults faults = new Faults();
        faults.within("left", "What is there", left, 0, 1e9, "");
        faults.throwIfAny();
        TreeMap<LocalDate, Double> byDay = new TreeMap<>(Comparator.naturalOrder());
        needs.forEach(need -> byDay.merge(need.day(), Math.max(0, need.amount()), Double::sum));
        double needed = byDay.values().stream().mapToDouble(Double::doubleValue).sum();
        double there = left;
        Optional<LocalDate> runsOut = Optional.empty();
        for (var day : byDay.entrySet()) {
            there -= day.getValue();
            if (there < -CRUMB && runsOut.isEmpty()) {
                runsOut = Optional.of(day.getKey());
            }
        }
        return new StockAhead(
                needed, runsOut.isPresent() ? needed - left : 0, runsOut, runsOut.map(day -> day.minusDays(leadDays)));
    }
}
