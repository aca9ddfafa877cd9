package nursery.app.plan;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import nursery.app.platform.FormReader;
import nursery.app.platform.Show;
import nursery.app.shelf.Shelf;
import nursery.app.shelf.ShelfBlank;
import nursery.app.shelf.ShelfResin;
import nursery.app.techniques.ShelvedTechnique;
import nursery.app.techniques.TechniqueBook;
import nursery.core.measure.Numbers;
import nursery.core.plan.PlanCup;
import org.springframework.stereotype.Component;

/** Reads an order out of a form or a row of a file: things may be named by their number or by what they are called. */
@Component
class OrderForm {

    private static final int LONGEST_NAME = 80;

    private final Shelf shelf;
    private final TechniqueBook techniques;

    OrderForm(Shelf shelf, TechniqueBook techniques) {
        this.shelf = shelf;
        this.techniques = techniques;
    }

    /** @return the order; empty if the reader has found faults */
    Optional<Order> read(Map<String, String> typed, FormReader reader, Show show) {
        String name = reader.line("name", "The name", LONGEST_NAME, true);
        String madeFor = reader.line("madeFor", "Whom it is for", LONGEST_NAME, false);
        int count = (int) whole(reader, "count", "How many", 1, Order.MOST_CUPS);
        int matters = reader.raw("matters").isEmpty() ? 1 : (int) whole(reader, "matters", "How much it matters", 1, PlanCup.MOST_MATTERS);
        Optional<LocalDate> due = reader.date("due", "The due date");
        due.ifPresent(day -> reader.faults().require(!day.isBefore(show.today()), "due", "%s is in the past: choose today or later, or leave it empty.".formatted(show.date(day))));
        Optional<ShelvedTechnique> technique = find(reader, "technique", "technique", techniques.all(), one -> one.technique().name(), ShelvedTechnique::key);
        Optional<ShelfBlank> blank = find(reader, "blank", "blank", shelf.blanks(), ShelfBlank::name, one -> Long.toString(one.id()));
        Optional<ShelfResin> base = find(reader, "resin", "resin", shelf.resins(), ShelfResin::name, one -> Long.toString(one.id()));
        Optional<ShelfResin> last = reader.raw("last").isEmpty() ? base : find(reader, "last", "resin", shelf.resins(), ShelfResin::name, one -> Long.toString(one.id()));
        return reader.faults().none() ? Optional.of(new Order(name, madeFor, count, technique.orElseThrow(), blank.orElseThrow(), base.orElseThrow(), last.orElseThrow(), due, matters)) : Optional.empty();
    }

    /** An order as it was written when its plan was proposed; what has gone from the shelf since is a fault. */
    Order again(String written, Show show) {
        Map<String, String> typed = new HashMap<>();
        for (String field : written.split("&")) {
            String[] parts = field.split("=", 2);
            typed.put(parts[0], URLDecoder.decode(parts[1], StandardCharsets.UTF_8));
        }
        FormReader reader = new FormReader(typed);
        Optional<Order> order = read(typed, reader, show);
        reader.faults().throwIfAny();
        return order.orElseThrow();
    }

    private static double whole(FormReader reader, String field, String what, int low, int high) {
        double value = reader.number(field, what);
        if (!Double.isNaN(value)) {
            reader.faults().require(value == Math.rint(value) && value >= low && value <= high, field, "%s %s is not a whole number from %d to %d.".formatted(what, Numbers.show(value), low, high));
        }
        return value;
    }

    private static <T> Optional<T> find(FormReader reader, String field, String what, List<T> all, Function<T, String> name, Function<T, String> key) {
        String wanted = reader.raw(field);
        Optional<T> found = all.stream().filter(one -> key.apply(one).equals(wanted) || name.apply(one).toLowerCase(Locale.ROOT).equals(wanted.toLowerCase(Locale.ROOT))).findFirst();
        reader.faults().require(found.isPresent(), field, wanted.isEmpty() ? "The %s is missing.".formatted(what)
                : "No %s is called “%s”: there %s %s.".formatted(what, wanted, all.size() == 1 ? "is" : "are", String.join(", ", all.stream().map(name).limit(20).toList())));
        return found;
    }
}
