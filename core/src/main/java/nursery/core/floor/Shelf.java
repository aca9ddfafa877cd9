package nursery.core.floor;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nursery.core.log.Spindle;
import nursery.core.resin.Resin;

/**
 * What the maker owns: resins and blanks by name, turners, measuring cups. There is always a resin, a turner and a
 * measuring cup.
 */
public record Shelf(List<Resin> resins, List<ShelfBlank> blanks, List<Turner> turners, List<ShelfCup> measuringCups) {

    public Shelf {
        resins = List.copyOf(resins);
        blanks = List.copyOf(blanks);
        turners = List.copyOf(turners);
        measuringCups = List.copyOf(measuringCups);
    }

    public Optional<Resin> resin(long id) {
        return resins.stream().filter(resin -> resin.id() == id).findFirst();
    }

    public Optional<ShelfBlank> blank(long id) {
        return blanks.stream().filter(blank -> blank.id() == id).findFirst();
    }

    public List<Spindle> spindles() {
        return turners.stream()
                .flatMap(turner -> turner.spindles().stream())
                .sorted(Comparator.comparing(Spindle::id))
                .toList();
    }

    public Optional<Spindle> spindle(long id) {
        return spindles().stream().filter(spindle -> spindle.id() == id).findFirst();
    }

    /** The measuring cup in use. */
    public ShelfCup measuringCupAtHand() {
        return measuringCups.stream().filter(ShelfCup::atHand).findFirst().orElseGet(() -> measuringCups.get(0));
    }

    /** The resin that reaches full cure first. */
    public Optional<Resin> fastest() {
        return resins.stream()
                .min(Comparator.comparing((Resin resin) -> resin.label().times().fullCureH())
                        .thenComparing(Resin::id));
    }
}
