package nursery.app.alarms;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import nursery.app.alarms.AlarmBook.Told;
import nursery.app.platform.CalendarText;
import nursery.core.log.Alarm;

/** Alarms as a calendar. */
final class CalendarFile {

    private static final Duration SHORTEST = Duration.ofMinutes(10);
    private static final Duration LONGEST = Duration.ofHours(2);

    private CalendarFile() {}

    /** @param edition counts on whenever something may have moved */
    static String of(List<Told> alarms, int edition, Instant now) {
        return CalendarText.of(alarms.stream().map(CalendarFile::entry).toList(), edition, now);
    }

    private static CalendarText.Entry entry(Told told) {
        Alarm alarm = told.alarm();
        Duration span =
                alarm.until().map(until -> Duration.between(alarm.at(), until)).orElse(SHORTEST);
        // A window that stays open for days would bury the calendar: what matters is when it opens.
        Duration shown = span.compareTo(SHORTEST) < 0
                ? SHORTEST
                : span.compareTo(LONGEST) > 0 && alarm.kind() == Alarm.Kind.OPENS ? LONGEST : span;
        return new CalendarText.Entry(
                alarm.key(), alarm.at(), alarm.at().plus(shown), alarm.title(), alarm.why(), told.heardAt());
    }
}
