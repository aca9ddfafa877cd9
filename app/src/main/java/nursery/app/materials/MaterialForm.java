package nursery.app.materials;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import nursery.app.platform.FormReader;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;

/** Reads a material and a lot from a form or from a row of a file. */
final class MaterialForm {

    private static final int LONGEST_PLACE = 80;
    static final int LONGEST_LOT = 60;
    private static final double TEN_YEARS_BACK = 3650;
    private static final double LEAST = 0.01;
    private static final double MOST = 1_000_000;

    private MaterialForm() {}

    /** A lot as it was typed. */
    record LotTyped(
            String lot, double amount, Optional<BigDecimal> price, LocalDate boughtOn, Optional<LocalDate> openedOn) {}

    /** @throws InvalidInput with everything that is wrong */
    static Material material(long id, FormReader reader, List<Material.Part> mix, LengthUnit unit) {
        String name = reader.line("name", "The name", Material.LONGEST_NAME, true);
        Optional<MaterialKind> kind = reader.choice("kind", "What it is", MaterialKind.class);
        Optional<Material.Film> film = kind.filter(MaterialKind.VINYL::equals).isPresent()
                ? reader.choice("film", "The sort of vinyl", Material.Film.class)
                : Optional.empty();
        OptionalDouble flake = reader.optionalNumber("flakeMm");
        OptionalDouble width = reader.optionalQuantity("widthMm", unit);
        OptionalDouble lasts = reader.optionalNumber("lastsDays");
        OptionalDouble lead = reader.optionalNumber("leadDays");
        String place = reader.line("place", "Where it lies", LONGEST_PLACE, false);
        String colour = reader.raw("colour").toLowerCase(Locale.ROOT);
        reader.faults().throwIfAny();
        return new Material(
                id,
                name,
                kind.orElseThrow(),
                colour.isEmpty() ? "#888888" : colour,
                flake,
                film,
                width,
                lasts.isPresent() ? OptionalInt.of((int) Math.round(lasts.getAsDouble())) : OptionalInt.empty(),
                (int) Math.round(lead.orElse(7)),
                place,
                mix);
    }

    /** @throws InvalidInput with everything that is wrong */
    static LotTyped lot(FormReader reader, LocalDate today, MaterialKind kind, Asks asks) {
        double amount = asks.amount(reader, "amount", "The amount", kind.measure(), MOST);
        Optional<BigDecimal> price = reader.money("price", "What was paid");
        LocalDate bought = reader.date("bought", "The day it was bought").orElse(today);
        Optional<LocalDate> opened = reader.date("opened", "The day it was opened");
        reader.faults()
                .require(
                        !bought.isAfter(today) && bought.isAfter(today.minusDays((long) TEN_YEARS_BACK)),
                        "bought",
                        "It was bought on %s: enter a day of the last ten years.".formatted(bought));
        reader.faults()
                .require(
                        opened.filter(day -> day.isAfter(today)).isEmpty(),
                        "opened",
                        "It was opened on %s, which is to come."
                                .formatted(opened.map(String::valueOf).orElse("")));
        String lot = reader.line("lot", "The lot", LONGEST_LOT, false);
        reader.faults().require(!(amount < LEAST), "amount", "That is hardly anything: look at the amount again.");
        reader.faults().throwIfAny();
        return new LotTyped(lot.isEmpty() ? bought.toString() : lot, amount, price, bought, opened);
    }

    /** A material as its form shows it. */
    static Map<String, String> filled(Material material, LengthUnit unit) {
        Map<String, String> filled = new HashMap<>();
        filled.put("name", material.name());
        filled.put("kind", material.kind().name());
        filled.put("colour", material.colour());
        material.flakeMm().ifPresent(size -> filled.put("flakeMm", Numbers.show(size)));
        material.film().ifPresent(film -> filled.put("film", film.name()));
        material.widthMm().ifPresent(width -> filled.put("widthMm", unit.writeNumber(width)));
        material.lastsDays().ifPresent(days -> filled.put("lastsDays", "" + days));
        filled.put("leadDays", "" + material.leadDays());
        filled.put("place", material.place());
        return filled;
    }
}
