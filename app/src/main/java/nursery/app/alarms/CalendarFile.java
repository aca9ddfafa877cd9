package nursery.app.alarms;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VAlarm;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.LastModified;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Sequence;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.XProperty;
import net.fortuna.ical4j.model.property.immutable.ImmutableAction;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import nursery.app.alarms.AlarmBook.Told;
import nursery.core.log.Alarm;

/** Alarms as an iCalendar object (RFC 5545). Every moment is in UTC, so no time zone needs describing. */
final class CalendarFile {

    private static final Duration SHORTEST = Duration.ofMinutes(10);
    private static final Duration LONGEST = Duration.ofHours(2);

    private CalendarFile() {}

    /** @param edition counts on whenever something may have moved */
    static String of(List<Told> alarms, int edition, Instant now) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Nursery//Cups in the making//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        calendar.add(new XProperty("X-WR-CALNAME", "Nursery"));
        calendar.add(new XProperty("X-PUBLISHED-TTL", "PT15M"));
        alarms.forEach(told -> calendar.add(event(told, edition, now)));
        StringWriter text = new StringWriter();
        try {
            new CalendarOutputter(false).output(calendar, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static VEvent event(Told told, int edition, Instant now) {
        Alarm alarm = told.alarm();
        Instant start = alarm.at();
        Duration span = alarm.until().map(until -> Duration.between(start, until)).orElse(SHORTEST);
        // A window that stays open for days would bury the calendar: what matters is when it opens.
        Duration shown = span.compareTo(SHORTEST) < 0 ? SHORTEST : span.compareTo(LONGEST) > 0 && alarm.kind() == Alarm.Kind.OPENS ? LONGEST : span;
        VEvent event = new VEvent(start, start.plus(shown), alarm.title());
        event.add(new Uid(alarm.key() + "@nursery.invalid"));
        event.add(new Sequence(edition));
        event.add(new LastModified(now));
        event.add(new Description(alarm.why()));
        told.heardAt().ifPresent(at -> {
            VAlarm bell = new VAlarm(at);
            bell.add(ImmutableAction.DISPLAY);
            bell.add(new Description(alarm.title()));
            event.add(bell);
        });
        return event;
    }
}
