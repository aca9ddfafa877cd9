package nursery.core.cure;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.core.measure.Numbers;

/**
 * Whether the room and the cup are fit for a coat.
 *
 * <p>The surface must be at least 3 °C above the dew point (ISO 8502-4), or water settles under the coat. Cold makes a
 * coat spread badly and haze, damp makes it blush (P28, P36, common practice); at which figures is a rule of thumb from
 * memory, and a label overrides it.
 *
 * @param surfaceC the cup's own temperature
 * @param dewPointC of the air; empty if its humidity is not known
 * @param reasons what speaks against it, worst first; one reassuring sentence if nothing does
 */
public record CoatFitness(Verdict verdict, double surfaceC, OptionalDouble dewPointC, List<String> reasons) {

    /** ISO 8502-4. */
    public static final double MARGIN_C = 3;

    private static final double TOO_COLD_C = 12;
    private static final double COLD_C = 18;
    private static final double HOT_C = 32;
    private static final double DAMP_PERCENT = 70;
    private static final double WET_PERCENT = 85;
    private static final Duration LOOKS_AHEAD = Duration.ofHours(48);

    public enum Verdict {
        GO("Go"),
        WAIT("Better wait"),
        NOT_NOW("Not now");

        private final String words;

        Verdict(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public CoatFitness {
        reasons = List.copyOf(reasons);
    }

    /** @param humidityPercent of the air, if it is known; without it nothing can be said about dew */
    public static CoatFitness of(double airC, OptionalDouble humidityPercent, double surfaceC) {
        List<String> never = new ArrayList<>();
        List<String> wait = new ArrayList<>();
        OptionalDouble dew = humidityPercent.isPresent()
                ? OptionalDouble.of(DewPoint.celsius(airC, humidityPercent.getAsDouble()))
                : OptionalDouble.empty();
        dew.ifPresent(point -> {
            if (surfaceC - point < MARGIN_C) {
                never.add(("The cup is only %s K above the dew point, %s °C: 3 K are needed (ISO 8502-4). Warm the "
                                + "cup, or dry the air.")
                        .formatted(Numbers.show(Math.max(0, surfaceC - point), 1), Numbers.show(point, 1)));
            }
        });
        coldOrHot(airC, surfaceC, never, wait);
        humidityPercent.ifPresent(percent -> damp(percent, never, wait));
        if (humidityPercent.isEmpty()) {
            wait.add("The humidity is not known: measure it before a clear coat.");
        }
        Verdict verdict = !never.isEmpty() ? Verdict.NOT_NOW : wait.isEmpty() ? Verdict.GO : Verdict.WAIT;
        never.addAll(wait);
        return new CoatFitness(verdict, surfaceC, dew, never.isEmpty() ? List.of("Dry and warm enough.") : never);
    }

    /** A cup as warm as the room, now. */
    public static CoatFitness at(RoomCourse room, Instant now) {
        return ahead(room, now, now);
    }

    /** The first half hour ahead at which the verdict on such a cup changes, if it does within two days. */
    public static Optional<Instant> turnsAt(RoomCourse room, Instant now) {
        Verdict verdict = at(room, now).verdict();
        for (Instant at = now.plus(Forecast.STEP); at.isBefore(now.plus(LOOKS_AHEAD)); at = at.plus(Forecast.STEP)) {
            if (ahead(room, now, at).verdict() != verdict) {
                return Optional.of(at);
            }
        }
        return Optional.empty();
    }

    /** The moisture stays in the air; its relative humidity follows the temperature. */
    private static CoatFitness ahead(RoomCourse room, Instant now, Instant at) {
        double airC = room.temperatureCAt(at);
        OptionalDouble percent = room.humidityPercentAt(now).stream()
                .map(read -> DewPoint.humidityPercentAt(airC, room.temperatureCAt(now), read))
                .findFirst();
        return of(airC, percent, airC);
    }

    private static void coldOrHot(double airC, double surfaceC, List<String> never, List<String> wait) {
        double coldest = Math.min(airC, surfaceC);
        if (coldest < TOO_COLD_C) {
            never.add("At %s °C a coat spreads badly, hazes and may never cure through."
                    .formatted(Numbers.show(coldest, 1)));
        } else if (coldest < COLD_C) {
            wait.add("At %s °C it spreads badly and may haze: warm the cup and the bottles first."
                    .formatted(Numbers.show(coldest, 1)));
        }
        if (airC > HOT_C) {
            wait.add("At %s °C it goes off fast: mix less at once.".formatted(Numbers.show(airC, 1)));
        }
    }

    private static void damp(double percent, List<String> never, List<String> wait) {
        if (percent >= WET_PERCENT) {
            never.add("%s %% humidity: it blushes and turns cloudy.".formatted(Numbers.show(percent, 0)));
        } else if (percent >= DAMP_PERCENT) {
            wait.add("%s %% humidity: it may blush or turn cloudy.".formatted(Numbers.show(percent, 0)));
        }
    }
}
