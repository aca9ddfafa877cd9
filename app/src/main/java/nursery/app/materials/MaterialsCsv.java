package nursery.app.materials;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.materials.MaterialBook.Stocked;
import nursery.app.platform.CsvRows;
import nursery.app.platform.CsvText;
import nursery.app.platform.FormReader;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.stock.Lot;
import nursery.core.stock.Material;
import nursery.core.stock.MaterialKind;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.jspecify.annotations.Nullable;

/** Materials as a table: a row for each lot, or for a material that has none. Lengths are in millimetres. */
final class MaterialsCsv {

    static final int MOST_ROWS = 10_000;

    private static final List<String> COLUMNS = List.of(
            "name",
            "kind",
            "colour",
            "flake mm",
            "film",
            "width mm",
            "lasts days",
            "lead days",
            "place",
            "lot",
            "amount",
            "unit",
            "price",
            "bought",
            "opened",
            "left");
    private static final Map<String, String> HEADINGS = Map.ofEntries(
            Map.entry("name", "name"),
            Map.entry("material", "name"),
            Map.entry("kind", "kind"),
            Map.entry("colour", "colour"),
            Map.entry("color", "colour"),
            Map.entry("flake mm", "flakeMm"),
            Map.entry("film", "film"),
            Map.entry("width mm", "widthMm"),
            Map.entry("lasts days", "lastsDays"),
            Map.entry("lead days", "leadDays"),
            Map.entry("place", "place"),
            Map.entry("lot", "lot"),
            Map.entry("amount", "amount"),
            Map.entry("price", "price"),
            Map.entry("bought", "bought"),
            Map.entry("opened", "opened"));

    private MaterialsCsv() {}

    /** A row as it was understood. */
    record Read(Material material, Optional<MaterialForm.LotTyped> lot) {}

    /** @throws InvalidInput with every bad row; then none is taken */
    static List<Read> read(String text, LocalDate today) {
        List<Read> read = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        for (CsvRows.Row row : CsvRows.read(text, HEADINGS, List.of("name", "kind"), MOST_ROWS, "materials")) {
            Map<String, String> typed = new HashMap<>(row.typed());
            typed.computeIfPresent(
                    "kind",
                    (key, word) -> MaterialKind.named(word).map(Enum::name).orElse(word));
            typed.computeIfPresent("film", (key, word) -> word.isBlank() ? "" : film(word));
            try {
                Material material = MaterialForm.material(0, new FormReader(typed), List.of(), LengthUnit.MM);
                Optional<MaterialForm.LotTyped> lot = typed.getOrDefault("amount", "")
                                .isBlank()
                        ? Optional.empty()
                        : Optional.of(MaterialForm.lot(new FormReader(typed), today, material.kind(), Asks.BASE));
                read.add(new Read(material, lot));
            } catch (InvalidInput e) {
                e.faults().forEach(fault -> faults.add(row.told(fault)));
            }
        }
        if (!faults.isEmpty()) {
            throw new InvalidInput(faults);
        }
        return read;
    }

    private static String film(String word) {
        String plain = word.strip().toUpperCase(Locale.ROOT);
        return plain.contains(",") ? plain.substring(0, plain.indexOf(',')) : plain;
    }

    /** @param priced whether whoever asks may see what was paid */
    static String write(List<Stocked> shelf, boolean priced) {
        StringWriter text = new StringWriter();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(COLUMNS);
            for (Stocked stocked : shelf) {
                for (Lot lot : stocked.lots()) {
                    csv.printRecord(row(stocked.material(), lot, priced));
                }
                if (stocked.lots().isEmpty()) {
                    csv.printRecord(row(stocked.material(), null, priced));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static List<String> row(Material material, @Nullable Lot lot, boolean priced) {
        List<String> row = new ArrayList<>(List.of(
                CsvText.safe(material.name()),
                material.kind().word(),
                material.colour(),
                number(material.flakeMm()),
                material.film()
                        .map(film -> film.name().toLowerCase(Locale.ROOT))
                        .orElse(""),
                number(material.widthMm()),
                material.lastsDays().isPresent() ? "" + material.lastsDays().getAsInt() : "",
                "" + material.leadDays(),
                CsvText.safe(material.place())));
        row.addAll(
                lot == null
                        ? List.of("", "", material.kind().measure().symbol(), "", "", "", "")
                        : List.of(
                                CsvText.safe(lot.lot()),
                                Numbers.show(lot.amount()),
                                material.kind().measure().symbol(),
                                priced ? lot.price().map(Money::plain).orElse("") : "",
                                lot.boughtOn().toString(),
                                lot.openedOn().map(LocalDate::toString).orElse(""),
                                Numbers.show(lot.left())));
        return row;
    }

    private static String number(OptionalDouble value) {
        return value.isPresent() ? Numbers.show(value.getAsDouble()) : "";
    }
}
