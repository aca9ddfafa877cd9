package nursery.app.plan;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import nursery.app.floor.Floors;
import nursery.app.plan.PlanMapper.DayRow;
import nursery.app.platform.Moments;
import nursery.app.platform.Seen;
import nursery.core.plan.BenchHours;
import nursery.core.plan.DayHours;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes when the maker is at the bench. */
@Service
class HoursBook {

    private final PlanMapper mapper;
    private final Floors floors;
    private final Moments moments;

    HoursBook(PlanMapper mapper, Floors floors, Moments moments) {
        this.mapper = mapper;
        this.floors = floors;
        this.moments = moments;
    }

    /** The hours of a weekday as they are written. */
    record Written(String bench, String booth) {}

    Map<DayOfWeek, Written> written() {
        return written(floors.now().hours());
    }

    private static Map<DayOfWeek, Written> written(BenchHours hours) {
        Map<DayOfWeek, Written> written = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            written.put(
                    day,
                    new Written(
                            hours.bench().getOrDefault(day, DayHours.NONE).written(),
                            hours.booth().getOrDefault(day, DayHours.NONE).written()));
        }
        return written;
    }

    /** The days from yesterday on whose hours are others. */
    List<DayRow> exceptions() {
        return mapper.days(floors.show().today().minusDays(1));
    }

    @Transactional
    void save(Map<DayOfWeek, Written> hours, String seen) {
        mapper.hold();
        Seen.check(seen, written(floors.at(moments.now()).hours()));
        hours.forEach((day, written) -> mapper.saveHours(day.getValue(), written.bench(), written.booth()));
    }

    @Transactional
    void asUsual(LocalDate day) {
        mapper.removeDay(day);
    }
}
