package nursery.app.floor;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import nursery.app.floor.FloorMapper.HoursRow;
import nursery.core.log.QuietHours;
import nursery.core.plan.BenchHours;
import nursery.core.plan.DayHours;
import org.springframework.stereotype.Component;

/** When the maker is at the bench, as it was set; until then evenings after work and the days of the weekend. */
@Component
class HoursReader {

    /** From memory. */
    private static final DayHours EVENING = DayHours.parse("18:00-22:00");

    private static final DayHours WEEKEND = DayHours.parse("10:00-18:00");
    private static final DayHours BOOTH = DayHours.parse("08:00-20:00");

    private final FloorMapper mapper;

    HoursReader(FloorMapper mapper) {
        this.mapper = mapper;
    }

    /** Of a shop that has not said its own. */
    static BenchHours usual(QuietHours quiet) {
        Map<DayOfWeek, DayHours> bench = new EnumMap<>(DayOfWeek.class);
        Map<DayOfWeek, DayHours> booth = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            bench.put(day, day == DayOfWeek.SATURDAY || day == DayOfWeek.SUNDAY ? WEEKEND : EVENING);
            booth.put(day, BOOTH);
        }
        return new BenchHours(bench, booth, Map.of(), quiet);
    }

    BenchHours hours(QuietHours quiet, Instant now) {
        BenchHours usual = usual(quiet);
        Map<DayOfWeek, DayHours> bench = new EnumMap<>(usual.bench());
        Map<DayOfWeek, DayHours> booth = new EnumMap<>(usual.booth());
        Map<LocalDate, DayHours> except = new HashMap<>();
        // Hours of the evening before may run into the first day.
        for (HoursRow row : mapper.hours(now.atZone(quiet.zone()).toLocalDate().minusDays(1))) {
            if (row.weekday() != null) {
                bench.put(DayOfWeek.of(row.weekday()), DayHours.parse(row.bench()));
                booth.put(DayOfWeek.of(row.weekday()), DayHours.parse(row.booth()));
            } else if (row.day() != null) {
                except.put(row.day(), DayHours.parse(row.bench()));
            }
        }
        return new BenchHours(bench, booth, except, quiet);
    }
}
