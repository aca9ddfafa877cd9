package nursery.core.stock;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nursery.core.stock.Material.Part;

/** A jar that what fell is put into: it knows what went in, however often it was used of (P66). */
public record Mixture(List<Part> parts) {

    /** Beyond so many the smallest are no longer told. */
    static final int MOST_PARTS = 12;
    /** Less of it is dust. */
    private static final double LEAST_SHARE = 1e-4;

    public Mixture {
        parts = List.copyOf(parts);
    }

    /**
     * Something more is put in and stirred.
     *
     * @param left what is in it before; what was used of it took of every part alike
     * @param name of what is put in
     */
    public Mixture with(double left, String name, String colour, double amount) {
        Map<String, Part> sum = new LinkedHashMap<>();
        double whole = parts.isEmpty() ? amount : left + amount;
        for (Part part : parts) {
            sum.put(part.name(), new Part(part.name(), part.colour(), part.share() * left / whole));
        }
        sum.merge(
                name,
                new Part(name, colour, amount / whole),
                (known, fresh) -> new Part(name, colour, known.share() + fresh.share()));
        List<Part> largest = new ArrayList<>(sum.values());
        largest.sort((one, other) -> Double.compare(other.share(), one.share()));
        List<Part> told = largest.stream()
                .filter(part -> part.share() >= LEAST_SHARE)
                .limit(MOST_PARTS)
                .toList();
        double shares = told.stream().mapToDouble(Part::share).sum();
        return new Mixture(told.stream()
                .map(part -> new Part(part.name(), part.colour(), part.share() / shares))
                .toList());
    }

    /** What it looks like from afar: light adds up, so linear sRGB is averaged (IEC 61966-2-1). */
    public String colour() {
        double[] light = new double[3];
        for (Part part : parts) {
            for (int i = 0; i < light.length; i++) {
                light[i] += part.share() * Colours.linear(part.colour(), 1 + 2 * i);
            }
        }
        return "#%02x%02x%02x"
                .formatted(Colours.eightBit(light[0]), Colours.eightBit(light[1]), Colours.eightBit(light[2]));
    }
}
