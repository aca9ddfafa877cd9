package nursery.app.keep;

import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.temporal.IsoFields;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;

/** Which backups are kept: the newest of each of the last days, weeks and months that have one. */
record Rotation(int days, int weeks, int months) {

    Set<Instant> kept(Collection<Instant> made, ZoneId zone) {
        List<Instant> newestFirst = new TreeSet<>(made)
                .descendingSet().stream().sorted(Comparator.reverseOrder()).toList();
        Set<Instant> kept = new HashSet<>();
        first(newestFirst, days, at -> at.atZone(zone).toLocalDate(), kept);
        first(newestFirst, weeks, at -> week(at.atZone(zone).toLocalDate()), kept);
        first(newestFirst, months, at -> YearMonth.from(at.atZone(zone)), kept);
        return kept;
    }

    private static String week(LocalDate day) {
        return day.get(IsoFields.WEEK_BASED_YEAR) + "-" + day.get(IsoFields.WEEK_OF_WEEK_BASED_YEAR);
    }

    private static void first(List<Instant> newestFirst, int most, Function<Instant, Object> span, Set<Instant> kept) {
        Set<Object> spans = new HashSet<>();
        for (Instant at : newestFirst) {
            if (spans.size() < most && spans.add(span.apply(at))) {
                kept.add(at);
            }
        }
    }
}
