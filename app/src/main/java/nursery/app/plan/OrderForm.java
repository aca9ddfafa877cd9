package nursery.app.plan;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import nursery.app.floor.Floors;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.app.techniques.ShelvedTechnique;
import nursery.app.techniques.TechniqueBook;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Cup;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.measure.Numbers;
import nursery.core.plan.Order;
import nursery.core.resin.Resin;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import org.springframework.stereotype.Component;

/** Reads an order out of a form or a row of a file: things may be named by their number or by what they are called. */
@Component
class OrderForm {

    private static final int LONGEST_NAME = 80;

    static final int MOST_CUPS = 60;
    private static final String PAINT = "#1f3a5f";
    private static final String GLITTER = "#3f7fbf";

    private final Floors floors;
    private final TechniqueBook techniques;

    OrderForm(Floors floors, TechniqueBook techniques) {
        this.floors = floors;
        this.techniques = techniques;
    }

    /** @return the order; empty if the reader has found faults */
    Optional<Order> read(FormReader reader) {
        Show show = floors.show();
        Shelf shelf = floors.shelf();
        String name = reader.line("name", "The name", LONGEST_NAME, false);
        String madeFor = reader.line("madeFor", "Whom it is for", LONGEST_NAME, false);
        int count = (int) whole(reader, "count", "How many", 1, MOST_CUPS);
        int matters = reader.raw("matters").isEmpty()
                ? 1
                : (int) whole(reader, "matters", "How much it matters", 1, Cup.Promise.MOST_MATTERS);
        Optional<LocalDate> due = reader.date("due", "The due date");
        due.ifPresent(day -> reader.faults()
                .require(
                        !day.isBefore(show.today()),
                        "due",
                        "%s is in the past: choose today or later, or leave it empty.".formatted(show.date(day))));
        Optional<ShelvedTechnique> technique = find(
                reader,
                "technique",
                "technique",
                techniques.all(),
                one -> one.technique().name(),
                ShelvedTechnique::key);
        Optional<ShelfBlank> blank =
                find(reader, "blank", "blank", shelf.blanks(), ShelfBlank::name, one -> Long.toString(one.id()));
        Optional<Resin> base =
                find(reader, "resin", "resin", shelf.resins(), Resin::name, one -> Long.toString(one.id()));
        Optional<Resin> last = reader.raw("last").isEmpty()
                ? base
                : find(reader, "last", "resin", shelf.resins(), Resin::name, one -> Long.toString(one.id()));
        return reader.faults().none()
                ? Optional.of(order(
                        name,
                        madeFor,
                        count,
                        technique.orElseThrow().technique(),
                        blank.orElseThrow(),
                        new Cup.Resins(base.orElseThrow(), last.orElseThrow()),
                        due,
                        matters))
                : Optional.empty();
    }

    private Order order(
            String name,
            String madeFor,
            int count,
            Technique technique,
            ShelfBlank blank,
            Cup.Resins resins,
            Optional<LocalDate> due,
            int matters) {
        Cup.About about = new Cup.About(
                name.isEmpty() ? technique.name() : name, madeFor, technique.name(), blank.name(), PAINT, GLITTER);
        return new Order(
                about,
                count,
                blank.id(),
                blank.blank(),
                resins,
                Schools.of(),
                floors.hands().on(technique.plan(Schools.of(), Map.of())),
                due,
                matters);
    }

    /** An order as it was kept with the plan proposed for it; what has gone from the shelf since is a fault. */
    Order again(WishRow row) {
        String technique = WishRow.needed(row.technique());
        Shelf shelf = floors.shelf();
        ShelvedTechnique found = techniques.all().stream()
                .filter(one -> one.technique().name().equals(technique))
                .findFirst()
                .orElseThrow(() -> new InvalidInput(List.of(new Fault(
                        "technique",
                        "No technique is called “%s” any more: take the order again.".formatted(technique)))));
        Cup.Resins resins = new Cup.Resins(
                WishRow.still(row.resinId(), shelf::resin, "resin"),
                WishRow.still(row.lastResinId(), shelf::resin, "resin"));
        return order(
                WishRow.needed(row.name()),
                WishRow.needed(row.madeFor()),
                WishRow.needed(row.number()),
                found.technique(),
                WishRow.still(row.blankId(), shelf::blank, "blank"),
                resins,
                Optional.ofNullable(row.day()),
                WishRow.needed(row.matters()));
    }

    private static double whole(FormReader reader, String field, String what, int low, int high) {
        double value = reader.number(field, what);
        if (!Double.isNaN(value)) {
            reader.faults()
                    .require(
                            value == Math.rint(value) && value >= low && value <= high,
                            field,
                            "%s %s is not a whole number from %d to %d."
                                    .formatted(what, Numbers.show(value), low, high));
        }
        return value;
    }

    private static <T> Optional<T> find(
            FormReader reader,
            String field,
            String what,
            List<T> all,
            Function<T, String> name,
            Function<T, String> key) {
        String wanted = reader.raw(field);
        Optional<T> found = all.stream()
                .filter(one -> key.apply(one).equals(wanted)
                        || name.apply(one).toLowerCase(Locale.ROOT).equals(wanted.toLowerCase(Locale.ROOT)))
                .findFirst();
        reader.faults()
                .require(
                        found.isPresent(),
                        field,
                        wanted.isEmpty()
                                ? "The %s is missing.".formatted(what)
                                : "No %s is called “%s”: there %s %s."
                                        .formatted(
                                                what,
                                                wanted,
                                                all.size() == 1 ? "is" : "are",
                                                String.join(
                                                        ", ",
                                                        all.stream()
                                                                .map(name)
                                                                .limit(20)
                                                                .toList())));
        return found;
    }
}
