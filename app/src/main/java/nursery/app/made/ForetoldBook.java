package nursery.app.made;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import nursery.app.cups.CupBegun;
import nursery.app.floor.Floors;
import nursery.app.made.ForetoldMapper.ItemRow;
import nursery.app.materials.MoneyBook;
import nursery.app.platform.Published;
import nursery.core.floor.CupNow;
import nursery.core.worth.CupCost;
import nursery.core.worth.CupCost.From;
import nursery.core.worth.CupCost.Item;
import nursery.core.worth.Foretold;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;

/** Keeps what a cup was expected to cost when work on it began, and holds it against what it costs. */
@Published
@Service
public class ForetoldBook {

    private static final Logger LOG = LoggerFactory.getLogger(ForetoldBook.class);

    private final ForetoldMapper mapper;
    private final CostBook costs;
    private final MoneyBook money;
    private final Floors floors;

    ForetoldBook(ForetoldMapper mapper, CostBook costs, MoneyBook money, Floors floors) {
        this.mapper = mapper;
        this.costs = costs;
        this.money = money;
        this.floors = floors;
    }

    /** A forecast that cannot be made must not lose the entry it is made for. */
    @EventListener
    void begun(CupBegun begun) {
        try {
            floors.cup(begun.code()).ifPresent(this::keep);
        } catch (RuntimeException e) {
            LOG.warn("What {} will cost could not be foretold", begun.code(), e);
        }
    }

    /** What was foretold first stays. */
    public void keep(CupNow cup) {
        mapper.insert(
                cup.cup().id(),
                costs.foretold(cup).items().stream()
                        .map(item -> new ItemRow(
                                item.from().name(),
                                item.of(),
                                item.amount().orElse(null),
                                item.quantity(),
                                item.unit()))
                        .toList());
    }

    /** Thing by thing what was foretold and what it comes to; nothing if nothing was foretold. */
    Optional<Foretold> against(CupNow cup, CupCost now) {
        List<Item> then = then(cup);
        return then.isEmpty()
                ? Optional.empty()
                : Optional.of(Foretold.against(then, now.items(), money.ways().digits()));
    }

    /** How much of a part was foretold of each of some cups, in its unit; nothing of one of which it was not. */
    Map<Long, OptionalDouble> quantities(List<Long> cups, From from) {
        return cups.isEmpty()
                ? Map.of()
                : mapper.quantities(cups, from.name()).stream()
                        .collect(Collectors.toMap(
                                ForetoldMapper.QuantityRow::cupId, row -> OptionalDouble.of(row.quantity())));
    }

    private List<Item> then(CupNow cup) {
        return mapper.of(cup.cup().id()).stream()
                .map(row -> new Item(
                        From.valueOf(row.part()),
                        row.what(),
                        Optional.ofNullable(row.amount()),
                        row.quantity(),
                        row.unit()))
                .toList();
    }
}
