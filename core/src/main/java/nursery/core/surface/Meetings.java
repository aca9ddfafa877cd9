package nursery.core.surface;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.resin.LabelTimes;

/** The table as a reader sees it: every kind of doing, laid on every kind of layer by itself. */
public final class Meetings {

    /** What asks for more care, so that all there is to ask is shown. */
    private static final How WITH_CARE = new How(
            How.Sealer.AEROSOL,
            How.Cleaner.ACETONE,
            How.Heat.TORCH,
            How.Grain.COARSE,
            false,
            How.Vinyl.METALLIC,
            0,
            false,
            false,
            false,
            false,
            How.Ratio.RIGHT);

    private Meetings() {}

    /**
     * Doings that ask for the same.
     *
     * @param on what is asked on each kind of layer, where anything is
     */
    public record Alike(List<Doing> doings, Map<Lay, List<Bound>> on) {}

    /**
     * All of the table.
     *
     * @param times the ages of the resin that lies there
     */
    public static List<Alike> all(LabelTimes times) {
        Map<Map<Lay, List<Bound>>, List<Doing>> alike = new LinkedHashMap<>();
        for (Doing doing : Doing.values()) {
            alike.computeIfAbsent(of(doing, times), asked -> new ArrayList<>()).add(doing);
        }
        return alike.entrySet().stream()
                .map(entry -> new Alike(entry.getValue(), entry.getKey()))
                .toList();
    }

    private static Map<Lay, List<Bound>> of(Doing doing, LabelTimes times) {
        Map<Lay, List<Bound>> asked = new LinkedHashMap<>();
        Optional<LabelTimes> label = doing.isPour() ? Optional.of(times) : Optional.empty();
        Work next = new Work(3, doing, How.USUAL, Place.ALL, label);
        for (Lay lay : Lay.values()) {
            List<Bound> bounds = Table.bounds(next, under(lay, times), List.of()).stream()
                    // What is under the glitter is asked about with the glitter, and else is no layer of this row.
                    .filter(bound -> bound.work() != 1 || lay == Lay.GLITTER)
                    .toList();
            if (!bounds.isEmpty()) {
                asked.put(lay, bounds);
            }
        }
        return asked;
    }

    private static Surface under(Lay lay, LabelTimes times) {
        Surface ground = Surface.of(lay != Lay.STEEL);
        if (lay == Lay.STEEL || lay == Lay.FACTORY_COAT) {
            return ground;
        }
        if (lay == Lay.GLITTER) {
            ground = ground.after(Work.of(1, Doing.GLUE, WITH_CARE, Optional.empty()));
        }
        Doing by = Arrays.stream(Doing.values())
                .filter(doing -> Lay.of(doing).filter(lay::equals).isPresent())
                .findFirst()
                .orElseThrow();
        return ground.after(new Work(2, by, WITH_CARE, Place.ALL, by.isPour() ? Optional.of(times) : Optional.empty()));
    }
}
