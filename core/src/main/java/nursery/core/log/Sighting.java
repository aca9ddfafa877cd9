package nursery.core.log;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Collectors;

/** A fault as it is seen on a cup: what, where, how much. */
public record Sighting(Blemish fault, Zone zone, Extent extent) {

    /** More at once is no look at a cup. */
    public static final int MOST = Blemish.values().length;

    /**
     * What is ticked on a form that asks for each fault by its name.
     *
     * @param zone where all of it is, all over if that is no place
     * @param extent how much of it, some if that says nothing
     */
    public static List<Sighting> ticked(Predicate<String> isTicked, String prefix, String zone, String extent) {
        Zone where = Zone.named(zone).orElse(Zone.ALL);
        Extent much = Extent.named(extent).orElse(Extent.SOME);
        return Arrays.stream(Blemish.values())
                .filter(fault -> isTicked.test(prefix + fault.name()))
                .map(fault -> new Sighting(fault, where, much))
                .toList();
    }

    public String words() {
        return "%s, %s, %s".formatted(fault.words(), zone.words(), extent.words());
    }

    /** Several as one word each, such as {@code haze:rim:some soft:all:much}. */
    public static String written(List<Sighting> sightings) {
        return sightings.stream()
                .map(one -> "%s:%s:%s"
                        .formatted(
                                one.fault().written(),
                                one.zone().written(),
                                one.extent().written()))
                .collect(Collectors.joining(" "));
    }

    /** What {@link #written} wrote; what is no sighting is left out. */
    public static List<Sighting> read(String written) {
        return Arrays.stream(written.strip().split("\\s+"))
                .flatMap(word -> readOne(word).stream())
                .toList();
    }

    private static Optional<Sighting> readOne(String word) {
        String[] parts = word.split(":");
        if (parts.length != 3) {
            return Optional.empty();
        }
        return Blemish.named(parts[0]).flatMap(fault -> Zone.named(parts[1])
                .flatMap(zone -> Extent.named(parts[2]).map(extent -> new Sighting(fault, zone, extent))));
    }
}
