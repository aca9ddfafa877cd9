package nursery.app.plan;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.LongFunction;
import nursery.core.floor.Shelf;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.DayHours;
import nursery.core.plan.Order;
import nursery.core.plan.Wish;
import org.jspecify.annotations.Nullable;

/**
 * A wish as its table keeps it: each kind fills the columns it has a use for.
 *
 * @param cup whose step it is, or which cup, by its code
 * @param number how many, or how much
 */
record WishRow(
        String kind,
        @Nullable String cup,
        @Nullable Integer step,
        @Nullable Integer number,
        @Nullable Instant at,
        @Nullable LocalDate day,
        @Nullable String hours,
        @Nullable Long resinId,
        @Nullable Long lastResinId,
        @Nullable String name,
        @Nullable String madeFor,
        @Nullable String technique,
        @Nullable Long blankId,
        @Nullable Integer matters) {

    static WishRow of(Wish wish) {
        return switch (wish.kind()) {
            case PIN -> step(wish, ((Wish.Pinned) wish).cup(), ((Wish.Pinned) wish).step(), ((Wish.Pinned) wish).at());
            case UNPIN -> step(wish, ((Wish.Unpinned) wish).cup(), ((Wish.Unpinned) wish).step(), null);
            case COAT_LESS -> step(wish, ((Wish.CoatLess) wish).cup(), ((Wish.CoatLess) wish).step(), null);
            case HOURS ->
                new WishRow(
                        wish.kind().name(),
                        null,
                        null,
                        null,
                        null,
                        ((Wish.Hours) wish).day(),
                        ((Wish.Hours) wish).hours().written(),
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null);
            case MATTERS -> number(wish, ((Wish.Matters) wish).cup(), ((Wish.Matters) wish).matters());
            case SPINDLE -> number(wish, null, ((Wish.MoreSpindles) wish).count());
            case OTHER_RESIN -> otherResin((Wish.OtherResin) wish);
            case ORDER -> ordered(((Wish.Ordered) wish).order());
        };
    }

    private static WishRow step(Wish wish, String cup, int step, @Nullable Instant at) {
        return new WishRow(
                wish.kind().name(), cup, step, null, at, null, null, null, null, null, null, null, null, null);
    }

    private static WishRow number(Wish wish, @Nullable String cup, int number) {
        return new WishRow(
                wish.kind().name(), cup, null, number, null, null, null, null, null, null, null, null, null, null);
    }

    private static WishRow otherResin(Wish.OtherResin wish) {
        return new WishRow(
                wish.kind().name(),
                wish.cup(),
                null,
                null,
                null,
                null,
                null,
                wish.resin().id(),
                null,
                null,
                null,
                null,
                null,
                null);
    }

    private static WishRow ordered(Order order) {
        return new WishRow(
                Wish.Kind.ORDER.name(),
                null,
                null,
                order.count(),
                null,
                order.due().orElse(null),
                null,
                order.resins().base().id(),
                order.resins().last().id(),
                order.about().name(),
                order.about().madeFor(),
                order.about().technique(),
                order.blankId(),
                order.matters());
    }

    /** @param orders reads an order again: its technique may have changed since, or gone */
    Wish wish(Shelf shelf, Function<WishRow, Order> orders) {
        return switch (Wish.Kind.valueOf(kind)) {
            case PIN -> new Wish.Pinned(needed(cup), needed(step), needed(at));
            case UNPIN -> new Wish.Unpinned(needed(cup), needed(step));
            case COAT_LESS -> new Wish.CoatLess(needed(cup), needed(step));
            case HOURS -> new Wish.Hours(needed(day), DayHours.parse(needed(hours)));
            case MATTERS -> new Wish.Matters(needed(cup), needed(number));
            case SPINDLE -> new Wish.MoreSpindles(needed(number));
            case OTHER_RESIN -> new Wish.OtherResin(needed(cup), still(resinId, shelf::resin, "resin"));
            case ORDER -> new Wish.Ordered(orders.apply(this));
        };
    }

    /** @throws InvalidInput if what was asked for has been taken off the shelf since */
    static <T> T still(@Nullable Long id, LongFunction<Optional<T>> shelf, String what) {
        return Optional.ofNullable(id)
                .flatMap(shelf::apply)
                .orElseThrow(() -> new InvalidInput(List.of(new Fault(
                        what,
                        "The %s this was asked with is no longer on the shelf: drop it and ask again."
                                .formatted(what)))));
    }

    static <T> T needed(@Nullable T value) {
        return Optional.ofNullable(value)
                .orElseThrow(() -> new IllegalStateException("A wish lacks what its kind needs."));
    }
}
