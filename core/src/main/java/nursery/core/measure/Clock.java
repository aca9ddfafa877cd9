package nursery.core.measure;

import java.time.LocalTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.temporal.ChronoField;
import java.util.Locale;
import java.util.Map;

/** How a shop reads its clock: {@code 18:30} or {@code 6:30 pm}. */
public enum Clock {
    H24("24 h", DateTimeFormatter.ofPattern("HH:mm", Locale.ROOT)),
    H12(
            "12 h",
            new DateTimeFormatterBuilder()
                    .appendPattern("h:mm")
                    .appendLiteral('\u00a0')
                    .appendText(ChronoField.AMPM_OF_DAY, Map.of(0L, "am", 1L, "pm"))
                    .toFormatter(Locale.ROOT));

    private final String word;
    private final DateTimeFormatter format;

    Clock(String word, DateTimeFormatter format) {
        this.word = word;
        this.format = format;
    }

    public String word() {
        return word;
    }

    public String show(LocalTime time) {
        return format.format(time);
    }

    /** A full hour as a tick beside others, as short as it can be told. */
    public String tick(LocalTime time) {
        String shown = show(time);
        return this == H12 ? shown.replace(":00", "") : shown;
    }
}
