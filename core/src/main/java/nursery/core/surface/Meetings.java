package nursery.core.surface;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.resin.LabelTimes;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;

/** The table as a reader sees it: every kind of doing, laid on every kind of layer by itself. */
public final class Meetings {

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
        Work next = new Work(3, doing, withCare(doing), Place.ALL, label);
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

    /** What asks for more care, so that all there is to ask is shown. */
    private static How withCare(Doing doing) {
        Fields fields = How.usual(doing).fields();
        return new How(
                fields.with(Fields.Grain.COARSE)
                        .with(doing == Doing.STENCIL ? Fields.Vinyl.PERMANENT : Fields.Vinyl.METALLIC)
                        .with(Grit.UNSAID),
                false,
                false,
                How.Ratio.RIGHT);
    }

    private static Surface under(Lay lay, LabelTimes times) {
        Surface ground = Surface.of(lay != Lay.STEEL);
        if (lay == Lay.STEEL || lay == Lay.FACTORY_COAT) {
            return ground;
        }
        if (lay == Lay.GLITTER) {
            ground = ground.after(Work.of(1, Doing.GLUE));
        }
        Doing by = Arrays.stream(Doing.values())
                .filter(doing -> Lay.of(doing).filter(lay::equals).isPresent())
                .findFirst()
                .orElseThrow();
        return ground.after(
                new Work(2, by, withCare(by), Place.ALL, by.isPour() ? Optional.of(times) : Optional.empty()));
    }
}
