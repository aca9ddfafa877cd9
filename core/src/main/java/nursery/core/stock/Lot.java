package nursery.core.stock;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import nursery.core.measure.Faults;

/**
 * So much of a material, bought at once.
 *
 * @param lot as printed on it, or the day it was bought
 * @param amount how much it was, in the kind's own measure
 * @param left how much is there by the book; never below 0
 * @param price what was paid for all of it, if it is known
 */
public record Lot(
        long id,
        String lot,
        double amount,
        double left,
        Optional<BigDecimal> price,
        LocalDate boughtOn,
        Optional<LocalDate> openedOn) {

    private static final double CRUMB = 1e-9;

    public Lot {
        Faults faults = new Faults();
        faults.within("amount", "The amount", amount, 0.01, 1e6, "");
        faults.throwIfAny();
        left = Math.max(0, Math.min(amount, left));
        openedOn.ifPresent(opened -> faults.require(
                !opened.isBefore(boughtOn), "openedOn", "It was opened before it was bought: look at both dates."));
        faults.throwIfAny();
    }

    /** So much out of one lot. */
    public record Draw(long lotId, double amount) {}

    /**
     * @param draws from which lot how much
     * @param missing what the lots do not hold by the book; it was used all the same, so the book is wrong by that much
     */
    public record Drawing(List<Draw> draws, double missing) {}

    /** Opened ones first, then what was bought first. */
    public static Drawing draw(List<Lot> lots, double amount, LocalDate on) {
        List<Lot> order = lots.stream()
                .filter(lot -> !lot.boughtOn().isAfter(on))
                .sorted(Comparator.comparing((Lot lot) -> lot.openedOn().isEmpty())
                        .thenComparing(lot -> lot.openedOn().orElse(lot.boughtOn()))
                        .thenComparing(Lot::id))
                .toList();
        List<Draw> draws = new ArrayList<>();
        double missing = amount;
        for (Lot lot : order) {
            double taken = Math.min(missing, lot.left());
            if (taken > CRUMB) {
                draws.add(new Draw(lot.id(), taken));
                missing -= taken;
            }
        }
        return new Drawing(List.copyOf(draws), Math.max(0, missing));
    }

    /** Whether it is past its days, counted from when it was bought. */
    public boolean isOld(int lastsDays, LocalDate today) {
        return lastsDays > 0 && boughtOn.plusDays(lastsDays).isBefore(today);
    }
}
