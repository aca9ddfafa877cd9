package nursery.app.demo;

import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.Stream;
import nursery.app.cups.CupBook;
import nursery.app.materials.MaterialBook;
import nursery.app.materials.MaterialBook.Stocked;
import nursery.app.materials.Money;
import nursery.app.materials.MoneyBook;
import nursery.core.log.Cup;
import nursery.core.stock.Colours;
import nursery.core.stock.Material;
import nursery.core.stock.Material.Film;
import nursery.core.stock.MaterialKind;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** The demo's materials, all invented, and what its cups are made of. */
@Component
@ConditionalOnProperty("nursery.demo")
class DemoMaterials {

    private final MaterialBook materials;
    private final MoneyBook money;
    private final CupBook cups;

    DemoMaterials(MaterialBook materials, MoneyBook money, CupBook cups) {
        this.materials = materials;
        this.money = money;
        this.cups = cups;
    }

    void onTheShelf(Instant now) {
        LocalDate today = LocalDate.ofInstant(now, ZoneOffset.UTC);
        glitter("Night blue fine", "#3b5fb5", 0.2, "drawer 1", today, "G-104", 180, "14.20");
        glitter("Old brass fine", "#c89b3c", 0.2, "drawer 1", today, "G-109", 240, "16.90");
        glitter("Moss chunky", "#7a9a4a", 1.2, "drawer 2", today, "G-117", 180, "15.60");
        glitter("Tram red chunky", "#b5402f", 1.0, "drawer 2", today, "G-121", 120, "11.10");
        glitter("Comet silver", "#d5dade", 0.4, "drawer 1", today, "G-098", 150, "12.40");
        long mixed = materials.add(new Material(
                0,
                "The jar of leftovers",
                MaterialKind.GLITTER,
                "#8f8a6a",
                OptionalDouble.of(0.6),
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalInt.empty(),
                0,
                "under the bench",
                List.of(
                        new Material.Part("Night blue fine", "#3b5fb5", 0.45),
                        new Material.Part("Old brass fine", "#c89b3c", 0.35),
                        new Material.Part("Moss chunky", "#7a9a4a", 0.20))));
        materials.addLot(mixed, "what fell", 38, Optional.empty(), today.minusDays(20), Optional.empty(), "Mira");
        blanks("20 oz slim", today, "K-20", 25, "115.00");
        blanks("12 oz slim", today, "K-12", 25, "97.50");
        paint("Midnight", "#16213f", today, "P-31", 350, "7.90");
        paint("Tram green", "#24523f", today, "P-33", 350, "7.90");
        paint("Seed-packet cream", "#e8dcc0", today, "P-36", 350, "7.90");
        paint("Oxide red", "#7a2e1d", today, "P-40", 236, "5.40");
        vinyl("Cream permanent", "#f1e7cf", Film.PERMANENT, today, "V-12", 9300, "8.40");
        vinyl("Brass metallic", "#c8a042", Film.METALLIC, today, "V-15", 4650, "9.80");
        vinyl("Signal pink removable", "#ff4fa0", Film.REMOVABLE, today, "V-18", 9300, "6.90");
        plain("Brush-on sealer", MaterialKind.SEALER, "#cfd8d2", today, "S-7", 240, "12.50", 900);
        plain("Craft glue, matte", MaterialKind.ADHESIVE, "#e9e5d8", today, "A-3", 475, "11.90", 120);
        plain("Alcohol ink, teal", MaterialKind.INK, "#1f8a8a", today, "I-5", 15, "4.80", 60);
        plain("Water-slide sheets, clear", MaterialKind.WATER_SLIDE, "#eef2f2", today, "W-2", 6200, "14.00", 30);
        plain("Copper leaf", MaterialKind.FOIL, "#b87333", today, "F-1", 4900, "9.50", 200);
        plain("Pearl mica", MaterialKind.MICA, "#e6e1ee", today, "M-4", 25, "5.20", 90);
        plain("Wet-and-dry 220 to 800", MaterialKind.SANDPAPER, "#5c5a55", today, "2026", 60, "13.80", 40);
        plain("Nitrile gloves, pairs", MaterialKind.GLOVES, "#3a74b8", today, "N-50", 150, "11.50", 30);
        plain("Cup boxes", MaterialKind.PACKAGING, "#b08d57", today, "B-20", 60, "33.00", 45);
        Money ways = money.ways();
        money.save(new Money(
                ways.currency(),
                new BigDecimal("18"),
                new BigDecimal("45"),
                new BigDecimal("6.5"),
                new BigDecimal("0.30"),
                new BigDecimal("0.50")));
    }

    private void glitter(
            String name,
            String colour,
            double flake,
            String place,
            LocalDate today,
            String lot,
            double g,
            String paid) {
        add(
                new Material(
                        0,
                        name,
                        MaterialKind.GLITTER,
                        colour,
                        OptionalDouble.of(flake),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        OptionalInt.empty(),
                        7,
                        place,
                        List.of()),
                today.minusDays(120),
                lot,
                g,
                paid);
    }

    private void blanks(String name, LocalDate today, String lot, double pieces, String paid) {
        plain(name, MaterialKind.BLANK, "#b9c0c4", today, lot, pieces, paid, 100);
    }

    private void paint(String name, String colour, LocalDate today, String lot, double ml, String paid) {
        add(thing(name, MaterialKind.PAINT, colour, Optional.empty(), "booth"), today.minusDays(95), lot, ml, paid);
    }

    private void vinyl(String name, String colour, Film film, LocalDate today, String lot, double cm2, String paid) {
        add(thing(name, MaterialKind.VINYL, colour, Optional.of(film), "rack"), today.minusDays(80), lot, cm2, paid);
    }

    private void plain(
            String name,
            MaterialKind kind,
            String colour,
            LocalDate today,
            String lot,
            double amount,
            String paid,
            int daysAgo) {
        add(thing(name, kind, colour, Optional.empty(), "shelf"), today.minusDays(daysAgo), lot, amount, paid);
    }

    private static Material thing(String name, MaterialKind kind, String colour, Optional<Film> film, String place) {
        return new Material(
                0,
                name,
                kind,
                colour,
                OptionalDouble.empty(),
                film,
                kind == MaterialKind.VINYL ? OptionalDouble.of(305) : OptionalDouble.empty(),
                OptionalInt.empty(),
                7,
                place,
                List.of());
    }

    private void add(Material material, LocalDate bought, String lot, double amount, String paid) {
        long id = materials.add(material);
        materials.addLot(
                id, lot, amount, Optional.of(new BigDecimal(paid)), bought, Optional.of(bought.plusDays(3)), "Mira");
    }

    /**
     * Names for each step what lies nearest to the cup's colours; a meadow is red, brass and moss, from the rim down.
     */
    void dress(Cup cup) {
        Map<Integer, List<Stocked>> offered = materials.offered(cup.plan());
        Map<Integer, List<Long>> first = new LinkedHashMap<>();
        for (PlanStep step : cup.plan()) {
            List<Material> here = offered.getOrDefault(step.number(), List.of()).stream()
                    .map(Stocked::material)
                    .toList();
            if (step.kind() == StepKind.GLITTER && cup.about().name().equals("Poppy field")) {
                List<Material> meadow = Stream.of("Tram red chunky", "Old brass fine", "Moss chunky")
                        .flatMap(name -> here.stream().filter(one -> one.name().equals(name)))
                        .toList();
                first.put(step.number(), meadow.stream().map(Material::id).toList());
                cups.recolour(
                        cup.code(),
                        Optional.empty(),
                        meadow.stream().map(Material::colour).toList());
            } else {
                nearest(cup, step, here).ifPresent(material -> first.put(step.number(), List.of(material.id())));
            }
        }
        materials.chooseFirst(cup.id(), first);
    }

    private static Optional<Material> nearest(Cup cup, PlanStep step, List<Material> offered) {
        String wanted = step.kind().title().contains("Glitter")
                ? cup.about().glitter()
                : cup.about().paint();
        return MaterialKind.usedBy(step.kind()).stream()
                .filter(kind -> kind != MaterialKind.TRANSFER_FILM)
                .findFirst()
                .flatMap(kind -> offered.stream()
                        .filter(material -> material.kind() == kind && !material.isRemovable())
                        .min(Comparator.comparingDouble(material -> Colours.distance(material.colour(), wanted))));
    }
}
