package nursery.core.surface;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import nursery.core.technique.Figures;

/**
 * What a hand would touch on one part of a cup at a moment.
 *
 * @param work the work that laid it; 0 is the blank itself
 * @param condition in what condition it is then: {@code wet} or {@code dry}, a coat's phase, what was done to it since
 */
public record Exposed(Place place, Lay lay, int work, List<String> condition) {

    public Exposed {
        condition = List.copyOf(condition);
    }

    /** All of it, from the base up, what lies on top first. */
    public static List<Exposed> of(Surface surface, Moments moments, Instant at) {
        return surface.met(Place.ALL).stream()
                .map(patch -> of(patch.column().part(), patch.layer(), moments, at))
                .toList();
    }

    private static Exposed of(Place place, Layer layer, Moments moments, Instant at) {
        List<String> condition = new ArrayList<>();
        double now = at.toEpochMilli();
        switch (layer.lay()) {
            case STEEL -> condition.add(layer.isScuffed() ? "scuffed" : "bare");
            case FACTORY_COAT, GLITTER, VINYL, STENCIL, FOIL, MICA, SOOT, SOAP -> {}
            case PAINT -> condition.add(dry(layer, Figures.PAINT_MIN, moments, now));
            case CRAFT_GLUE, FOIL_GLUE -> condition.add(dry(layer, Figures.GLUE_STIFF_MIN, moments, now));
            case SPRAY_GLUE, SEALER -> condition.add(dry(layer, Figures.SEALER_MIN, moments, now));
            case INK -> condition.add(dry(layer, Figures.INK_MIN, moments, now));
            case SLIDE -> condition.add(dry(layer, Figures.SLIDE_MIN, moments, now));
            case FILM, COAT -> {
                condition.add(moments.pour(layer.id())
                        .phaseAt(at)
                        .name()
                        .toLowerCase(Locale.ROOT)
                        .replace('_', '-'));
                if (layer.isScuffed()) {
                    condition.add("scuffed");
                }
                if (layer.isDusty()) {
                    condition.add("dusty");
                }
            }
        }
        layer.last(Work::wetsWithSolvent)
                .filter(wiped -> now < moments.ended(wiped.id(), Figures.FLASH_OFF_MIN))
                .ifPresent(wiped -> condition.add("solvent-wet"));
        return new Exposed(place, layer.lay(), layer.id(), condition);
    }

    private static String dry(Layer layer, double minutes, Moments moments, double now) {
        return now < moments.ended(layer.id(), minutes) ? "wet" : "dry";
    }
}
