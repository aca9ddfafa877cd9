package nursery.app.plan;

import java.time.DayOfWeek;
import java.time.LocalDate;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.plan.PlanMapper.DayRow;
import nursery.app.plan.PlanMapper.HoursRow;
import nursery.app.platform.Moments;
import nursery.app.settings.ShopBook;
import nursery.core.plan.BenchHours;
import nursery.core.plan.DayHours;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** When the maker is at the bench. */
@Service
class HoursBook {

    /** Until the maker says otherwise: evenings after work and the days of the weekend; from memory. */
    private static final String EVENING = "18:00-22:00";
    private static final String WEEKEND = "10:00-18:00";
    private static final String BOOTH = "08:00-20:00";

    private final PlanMapper mapper;
    private final ShopBook shops;
    private final Moments moments;

    HoursBook(PlanMapper mapper, ShopBook shops, Moments moments) {
        this.mapper = mapper;
        this.shops = shops;
        this.moments = moments;
    }

    /** The hours of a weekday as they are written. */
    record Written(String bench, String booth) {}

    Map<DayOfWeek, Written> written() {
        Map<DayOfWeek, Written> written = new EnumMap<>(DayOfWeek.class);
        for (DayOfWeek day : DayOfWeek.values()) {
            String bench = day == DayOfWeek.SATURDAY || day == DayOfWeek.SUNDAY ? WEEKEND : EVENING;
            written.put(day, new Written(DayHours.parse(bench).written(), DayHours.parse(BOOTH).written()));
        }
        mapper.hours().forEach(row -> written.put(DayOfWeek.of(row.weekday()), new Written(row.bench(), row.booth())));
        return written;
    }

    BenchHours hours() {
        Map<DayOfWeek, Written> written = written();
        Map<LocalDate, DayHours> except = exceptions().stream().collect(Collectors.toMap(DayRow::day, row -> DayHours.parse(row.bench())));
        return new BenchHours(parsed(written, Written::bench), parsed(written, Written::booth), except, shops.shop().quiet());
    }

    private static Map<DayOfWeek, DayHours> parsed(Map<DayOfWeek, Written> written, Function<Written, String> which) {
        return written.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, entry -> DayHours.parse(which.apply(entry.getValue()))));
    }

    /** The days from yesterday on whose hours are others. */
    List<DayRow> exceptions() {
        return mapper.days(moments.now().atZone(shops.shop().zoneId()).toLocalDate().minusDays(1));
    }

    @Transactional
    void save(Map<DayOfWeek, Written> hours) {
        hours.forEach((day, written) -> mapper.saveHours(new HoursRow(day.getValue(), written.bench(), written.booth())));
    }

    @Transactional
    void except(LocalDate day, DayHours hours) {
        mapper.saveDay(new DayRow(day, hours.written()));
    }

    @Transactional
    void asUsual(LocalDate day) {
        mapper.removeDay(day);
    }
}
