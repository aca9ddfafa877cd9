package nursery.app.picture;

import java.util.ArrayList;
import java.util.List;
import nursery.app.platform.Published;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;

/**
 * A material as a small drawing: a mix in its shares, flakes as large as they are, a sheet with a turned corner, a drop
 * for what is wet, a dashed edge for what comes off again.
 *
 * @param flakes of glitter and mica, as one path; empty if it has none
 */
@Published
public record Swatch(List<Stripe> stripes, String flakes, boolean isSheet, boolean comesOff, boolean isWet) {

    private static final double EDGE = 44;
    private static final int FLAKES = 23;
    /** Fine up to 0.3 mm, chunky from 0.8 mm; from memory. */
    private static final double FINE_MM = 0.3;

    private static final double CHUNKY_MM = 0.8;

    /** A part of a mix, as wide as its share. */
    public record Stripe(double x, double width, String colour) {}

    public static Swatch of(Material material) {
        List<Stripe> stripes = new ArrayList<>();
        double x = 0;
        for (Material.Part part : material.mix()) {
            stripes.add(new Stripe(x, EDGE * part.share(), part.colour()));
            x += EDGE * part.share();
        }
        if (stripes.isEmpty()) {
            stripes.add(new Stripe(0, EDGE, material.colour()));
        }
        boolean glitters = material.kind() == MaterialKind.GLITTER || material.kind() == MaterialKind.MICA;
        return new Swatch(
                stripes,
                glitters ? flakes(material.flakeMm().orElse(0)) : "",
                material.kind().isCut(),
                material.isRemovable(),
                material.kind().measure() == MaterialKind.Measure.ML);
    }

    /** Strewn evenly, the same at every look. */
    private static String flakes(double mm) {
        double half = mm > CHUNKY_MM ? 2.1 : mm > FINE_MM ? 1.4 : 0.9;
        StringBuilder path = new StringBuilder();
        for (int i = 0; i < FLAKES; i++) {
            path.append("M%d %dm%s 0l%s %sl%s %sl-%s %sz"
                    .formatted(
                            (i * 17 + 5) % (int) EDGE,
                            (i * 29 + 3) % (int) EDGE,
                            -half,
                            half,
                            -half,
                            half,
                            half,
                            half,
                            half));
        }
        return path.toString();
    }
}
