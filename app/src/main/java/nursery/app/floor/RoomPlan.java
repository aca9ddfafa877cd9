package nursery.app.floor;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import nursery.app.platform.Published;
import nursery.core.cure.Forecast;
import nursery.core.measure.Clock;
import nursery.core.measure.Reading;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.TimeOfDay;

/**
 * Where the cups cure, and what is expected of the room there.
 *
 * @param steadyC the temperature expected, if the maker sets one
 * @param heating the heating's settings, as {@code 06:30 21, 22:00 16} in °C; used if the forecast goes by them
 */
@Published
public record RoomPlan(String curePlace, Way way, OptionalDouble steadyC, String heating) {

    public static final String BENCH = "bench";
    /** Taken until the first reading: the middle of an ordinary room (practice, section 3, from memory). */
    public static final double ASSUMED_C = 22;

    public static final RoomPlan STARTING = new RoomPlan(BENCH, Way.LAST_DAYS, OptionalDouble.empty(), "");
    private static final int DAYS = 4;

    /** How the room ahead is guessed. */
    @Published
    public enum Way {
        LAST_DAYS("as on the last days"),
        STEADY("a temperature I set"),
        HEATING("by the heating’s settings");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public Forecast forecast() {
        return switch (way) {
            case LAST_DAYS -> new Forecast.LikeLastDays(DAYS);
            case STEADY -> new Forecast.Steady(steadyC.orElse(ASSUMED_C));
            case HEATING -> new Forecast.Heating(settings(heating, TemperatureUnit.C));
        };
    }

    /** A time, which may be of a clock of twelve hours, and behind it a temperature. */
    private static final Pattern SETTING =
            Pattern.compile("(\\d{1,2}(?::\\d{2})?\\s*(?:[ap]\\.?\\s?m\\.?)?)\\s+(\\S.*)", Pattern.CASE_INSENSITIVE);

    /** @throws IllegalArgumentException with a sentence for the writer */
    public static List<Forecast.Heating.Setting> settings(String written, TemperatureUnit unit) {
        List<Forecast.Heating.Setting> settings = new ArrayList<>();
        for (String part : Arrays.stream(written.split("[,;]"))
                .map(String::strip)
                .filter(text -> !text.isEmpty())
                .toList()) {
            Matcher words = SETTING.matcher(part);
            if (!words.matches()) {
                throw new IllegalArgumentException(
                        "“%s” is not a setting: write a time and a temperature in %s, such as 06:30 %s."
                                .formatted(part, unit.symbol(), unit == TemperatureUnit.C ? "21" : "70"));
            }
            settings.add(new Forecast.Heating.Setting(
                    TimeOfDay.parse(words.group(1)), Reading.parseRoom(words.group(2), unit)));
        }
        return settings;
    }

    /** As it is kept: in °C, to the last digit that says anything. */
    public static String written(List<Forecast.Heating.Setting> settings) {
        return written(settings, TemperatureUnit.C, Clock.H24);
    }

    public static String written(List<Forecast.Heating.Setting> settings, TemperatureUnit unit, Clock clock) {
        return settings.stream()
                .map(setting -> clock.show(setting.from()).replace('\u00a0', ' ') + " "
                        + unit.writeNumber(setting.temperatureC()))
                .collect(Collectors.joining(", "));
    }
}
