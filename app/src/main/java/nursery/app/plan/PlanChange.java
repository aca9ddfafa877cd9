package nursery.app.plan;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import nursery.app.platform.Show;
import nursery.app.plan.PlanMapper.ChangeRow;
import nursery.core.plan.DayHours;
import nursery.core.plan.Pin;
import nursery.core.plan.PlanCup;
import nursery.core.plan.Workshop;

/**
 * Something a maker wants otherwise than the plan has it.
 *
 * @param cup    whose step it is, or which cup
 * @param number the step's number; or how much the cup matters
 * @param at     where a step is pinned
 * @param day    on which day the hours are others
 * @param hours  these hours, empty to be away
 * @param order  cups that are wanted
 */
record PlanChange(Kind kind, String cup, int number, Optional<Instant> at, Optional<LocalDate> day, String hours, Optional<Order> order) {

    /** What is wanted. */
    enum Kind { PIN, UNPIN, HOURS, MATTERS, SPINDLE, ORDER }

    static PlanChange pin(String cup, int step, Instant at) {
        return new PlanChange(Kind.PIN, cup, step, Optional.of(at), Optional.empty(), "", Optional.empty());
    }

    static PlanChange unpin(String cup, int step) {
        return new PlanChange(Kind.UNPIN, cup, step, Optional.empty(), Optional.empty(), "", Optional.empty());
    }

    static PlanChange hours(LocalDate day, DayHours hours) {
        return new PlanChange(Kind.HOURS, "", 0, Optional.empty(), Optional.of(day), hours.written(), Optional.empty());
    }

    static PlanChange matters(String cup, int matters) {
        return new PlanChange(Kind.MATTERS, cup, matters, Optional.empty(), Optional.empty(), "", Optional.empty());
    }

    static PlanChange spindle() {
        return new PlanChange(Kind.SPINDLE, "", 1, Optional.empty(), Optional.empty(), "", Optional.empty());
    }

    static PlanChange order(Order order) {
        return new PlanChange(Kind.ORDER, "", order.count(), Optional.empty(), Optional.empty(), "", Optional.of(order));
    }

    /** @param orders reads an order as it was written */
    static PlanChange of(ChangeRow row, Function<String, Order> orders) {
        Optional<Order> order = row.ordered().isEmpty() ? Optional.empty() : Optional.of(orders.apply(row.ordered()));
        return new PlanChange(Kind.valueOf(row.kind()), row.cup(), row.number(), Optional.ofNullable(row.at()), Optional.ofNullable(row.day()), row.hours(), order);
    }

    ChangeRow row() {
        return new ChangeRow(kind.name(), cup, number, at.orElse(null), day.orElse(null), hours, order.map(Order::written).orElse(""));
    }

    /** The workshop as it would be. */
    Workshop in(Workshop shop) {
        return switch (kind) {
            case PIN -> {
                List<Pin> pins = new ArrayList<>(without(shop));
                pins.add(new Pin(cup, number, at.orElseThrow()));
                yield shop.withPins(pins);
            }
            case UNPIN -> shop.withPins(without(shop));
            case HOURS -> shop.with(shop.hours().with(day.orElseThrow(), DayHours.parse(hours)));
            case MATTERS -> shop.withCups(shop.cups().stream().map(one -> one.code().equals(cup) ? new PlanCup(cup, one.file(), one.base(), one.last(), one.dueAt(), number) : one).toList());
            case SPINDLE -> shop.withMoreSpindles(number);
            case ORDER -> {
                List<PlanCup> cups = new ArrayList<>(shop.cups());
                long wanted = cups.stream().filter(one -> Order.isWanted(one.code())).count();
                for (int i = 1; i <= number; i++) {
                    cups.add(order.orElseThrow().planned(wanted + i, shop));
                }
                yield shop.withCups(cups);
            }
        };
    }

    private List<Pin> without(Workshop shop) {
        return shop.pins().stream().filter(pin -> !(pin.cup().equals(cup) && pin.step() == number)).toList();
    }

    String words(Show show) {
        return switch (kind) {
            case PIN -> "%s is pinned to %s".formatted(cup, show.at(at.orElseThrow()));
            case UNPIN -> "%s is not pinned any more".formatted(cup);
            case HOURS -> hours.isEmpty() ? "away on %s".formatted(show.date(day.orElseThrow())) : "at the bench on %s, %s".formatted(show.date(day.orElseThrow()), hours);
            case MATTERS -> number > 1 ? "%s comes before what matters less".formatted(cup) : "%s is an ordinary cup".formatted(cup);
            case SPINDLE -> "one more spindle";
            case ORDER -> "%d new %s, %s".formatted(number, number == 1 ? "cup" : "cups", order.orElseThrow().name());
        };
    }
}
