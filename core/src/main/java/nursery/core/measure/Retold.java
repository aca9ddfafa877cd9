package nursery.core.measure;

import java.util.function.DoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The core's sentences speak in its own units, mm, cm², ml, °C and, for differences of temperature, K; here they are
 * told in another's. What stands between quotation marks is somebody's own words, and a sentence that already names the
 * other unit compares the two: both are left as they are.
 */
public final class Retold {

    /** Films and splits are told in thousandths of an inch, cups in inches. */
    private static final double THIN_MM = 2;

    private static final String NUMBER = "[-−]?\\d+(?:\\.\\d+)?";
    private static final Pattern MEASURE = Pattern.compile("“[^”]*”|(?<![\\w.,\\-–])(" + NUMBER
            + ")(?:(–| × | \\+ | to | and )(" + NUMBER + "))?[ \u00a0](mm|ml|cm²|°C|K)(?![\\w²])");

    private Retold() {}

    public static String in(String sentence, LengthUnit length, VolumeUnit volume, TemperatureUnit temperature) {
        boolean lengths = length != LengthUnit.MM && !sentence.matches("(?s).*\\d[ \u00a0]in\\b.*");
        boolean volumes = volume != VolumeUnit.ML && !sentence.matches("(?s).*\\d[ \u00a0]fl oz\\b.*");
        boolean temperatures = temperature != TemperatureUnit.C && !sentence.contains("°F");
        Matcher found = MEASURE.matcher(sentence);
        StringBuilder told = new StringBuilder();
        while (found.find()) {
            String unit = found.group(4);
            String instead = found.group();
            if ("mm".equals(unit) && lengths) {
                boolean thin = Math.abs(number(found.group(1))) < THIN_MM && found.group(2) == null;
                instead = thin
                        ? length.showFilm(number(found.group(1)))
                        : retold(found, length::showNumber, length.symbol());
            } else if ("cm²".equals(unit) && lengths) {
                instead = length.showArea(number(found.group(1)));
            } else if ("ml".equals(unit) && volumes) {
                instead = retold(found, volume::showNumber, volume.symbol());
            } else if ("°C".equals(unit) && temperatures) {
                instead = retold(found, temperature::showNumber, temperature.symbol());
            } else if ("K".equals(unit)) {
                instead = retold(
                        found,
                        kelvin -> Numbers.show(temperature.fromBase(kelvin) - temperature.fromBase(0), 1),
                        temperature.symbol());
            }
            found.appendReplacement(told, Matcher.quoteReplacement(instead));
        }
        return found.appendTail(told).toString();
    }

    private static String retold(Matcher found, DoubleFunction<String> show, String symbol) {
        String first = show.apply(number(found.group(1)));
        return found.group(2) == null
                ? first + "\u00a0" + symbol
                : first + found.group(2) + show.apply(number(found.group(3))) + "\u00a0" + symbol;
    }

    private static double number(String written) {
        return Double.parseDouble(written.replace('−', '-'));
    }
}
