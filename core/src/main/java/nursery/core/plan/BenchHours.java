package nursery.core.plan;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nursery.core.log.QuietHours;
import nursery.core.measure.Span;

/**
 * When there are hands at the bench.
 *
 * @param bench by weekday; a weekday left out has none
 * @param booth when paint and aerosols may be used, by weekday: the booth's hours, or daylight outdoors
 * @param except days on which the bench hours are others, or none
 * @param quiet cut out of the bench hours
 */
public record BenchHours(
        Map<DayOfWeek, DayHours> bench,
        Map<DayOfWeek, DayHours> booth,
        Map<LocalDate, DayHours> except,
        QuietHours quiet) {

    private static final DayHours ALL_DAY =
            new DayHours(List.of(new DayHours.Hours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT)));

    public BenchHours {
        bench = Map.copyOf(bench);
        booth = Map.copyOf(booth);
        except = Map.copyOf(except);
    }

    /** The same hours every day of the week, and a booth that is always free. */
    public static BenchHours daily(DayHours hours, QuietHours quiet) {
        Map<DayOfWeek, DayHours> bench = new HashMap<>();
        Map<DayOfWeek, DayHours> booth = new HashMap<>();
        for (DayOfWeek day : DayOfWeek.values()) {
            bench.put(day, hours);
            booth.put(day, ALL_DAY);
        }
        return new BenchHours(bench, booth, Map.of(), quiet);
    }

    public ZoneId zone() {
        return quiet.zone();
    }

    /** These with other hours on one day; none to be away. */
    public BenchHours with(LocalDate day, DayHours hours) {
        Map<LocalDate, DayHours> changed = new HashMap<>(except);
        changed.put(day, hours);
        return new BenchHours(bench, booth, changed, quiet);
    }

    public DayHours on(LocalDate day) {
        DayHours other = except.get(day);
        return other != null ? other : bench.getOrDefault(day.getDayOfWeek(), DayHours.NONE);
    }

    /** The stretches with hands at the bench, the quiet hours left out. */
    public List<Span> benchSpans(Instant from, Instant until) {
        List<Span> spans = new ArrayList<>();
        for (LocalDate day = first(from); day.atStartOfDay(zone()).toInstant().isBefore(until); day = day.plusDays(1)) {
            on(day).on(day, zone()).forEach(span -> addAwake(spans, span));
        }
        return clipped(spans, from, until);
    }

    /** The stretches in which paint may be sprayed. */
    public List<Span> boothSpans(Instant from, Instant until) {
        List<Span> spans = new ArrayList<>();
        for (LocalDate day = first(from); day.atStartOfDay(zone()).toInstant().isBefore(until); day = day.plusDays(1)) {
            spans.addAll(booth.getOrDefault(day.getDayOfWeek(), DayHours.NONE).on(day, zone()));
        }
        return clipped(spans, from, until);
    }

    /** Hours of the evening before may run into the first day. */
    private LocalDate first(Instant from) {
        return from.atZone(zone()).toLocalDate().minusDays(1);
    }

    private void addAwake(List<Span> spans, Span span) {
        Instant at = quiet.nextAwake(span.from());
        while (at.isBefore(span.untilExclusive())) {
            Instant asleep = quiet.nextQuiet(at)
                    .filter(begins -> begins.isBefore(span.untilExclusive()))
                    .orElse(span.untilExclusive());
            spans.add(new Span(at, asleep));
            at = quiet.nextAwake(asleep);
            if (!at.isAfter(asleep)) {
                return;
            }
        }
    }

    private static List<Span> clipped(List<Span> spans, Instant from, Instant until) {
        Span wanted = new Span(from, until.isBefore(from) ? from : until);
        return spans.stream().flatMap(span -> span.within(wanted).stream()).toList();
    }
}
