package nursery.core.measure;

import java.time.DateTimeException;
import java.time.LocalTime;

/** Times of day as people write them: {@code 18:30}, {@code 9}, {@code 24:00}. */
public final class TimeOfDay {

    private TimeOfDay() {}

    /** @throws IllegalArgumentException with a sentence for the writer */
    public static LocalTime parse(String written) {
        String text = written.strip();
        String full = text.contains(":") ? text : text + ":00";
        try {
            return full.equals("24:00")
                    ? LocalTime.MIDNIGHT
                    : LocalTime.parse(full.indexOf(':') == 1 ? "0" + full : full);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("“%s” is not a time of day: write it as 18:30.".formatted(text), e);
        }
    }
}
