package nursery.app.platform;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
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

/** An iCalendar object (RFC 5545). Every moment is in UTC, so no time zone needs describing. */
public final class CalendarText {

    private CalendarText() {}

    /**
     * Something in a calendar.
     *
     * @param uid stays the same when it moves
     * @param bell when to be heard, if it is
     */
    public record Entry(String uid, Instant begins, Instant ends, String title, String words, Optional<Instant> bell) {}

    /** @param edition counts on whenever something may have moved: a calendar takes the entry with the higher number */
    public static String of(List<Entry> entries, int edition, Instant now) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Nursery//Cups in the making//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        calendar.add(new XProperty("X-WR-CALNAME", "Nursery"));
        calendar.add(new XProperty("X-PUBLISHED-TTL", "PT15M"));
        entries.forEach(entry -> calendar.add(event(entry, edition, now)));
        StringWriter text = new StringWriter();
        try {
            new CalendarOutputter(false).output(calendar, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static VEvent event(Entry entry, int edition, Instant now) {
        VEvent event = new VEvent(entry.begins(), entry.ends(), entry.title());
        event.add(new Uid(entry.uid() + "@nursery.invalid"));
        event.add(new Sequence(edition));
        event.add(new LastModified(now));
        event.add(new Description(entry.words()));
        entry.bell().ifPresent(at -> {
            VAlarm bell = new VAlarm(at);
            bell.add(ImmutableAction.DISPLAY);
            bell.add(new Description(entry.title()));
            event.add(bell);
        });
        return event;
    }
}
