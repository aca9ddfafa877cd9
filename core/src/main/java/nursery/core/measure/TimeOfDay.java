package nursery.core.measure;

import java.time.DateTimeException;
import java.time.LocalTime;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Times of day as people write them: {@code 18:30}, {@code 9}, {@code 24:00}, {@code 6:30 pm}. */
public final class TimeOfDay {

    private static final Pattern HALF_DAY =
            Pattern.compile("(1[0-2]|0?[1-9])(?::([0-5]\\d))?[\\s\u00a0]*([ap])\\.?m\\.?", Pattern.CASE_INSENSITIVE);

    private TimeOfDay() {}

    /** @throws IllegalArgumentException with a sentence for the writer */
    public static LocalTime parse(String written) {
        String text = written.strip();
        Matcher half = HALF_DAY.matcher(text);
        if (half.matches()) {
            int hour = Integer.parseInt(half.group(1)) % 12
                    + (half.group(3).toLowerCase(Locale.ROOT).startsWith("p") ? 12 : 0);
            return LocalTime.of(hour, half.group(2) == null ? 0 : Integer.parseInt(half.group(2)));
        }
        String full = text.contains(":") ? text : text + ":00";
        try {
            return full.equals("24:00")
                    ? LocalTime.MIDNIGHT
                    : LocalTime.parse(full.indexOf(':') == 1 ? "0" + full : full);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(
                    "“%s” is not a time of day: write it as 18:30 or 6:30 pm.".formatted(text), e);
        }
    }
}
