package nursery.core.plan;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.function.UnaryOperator;
import nursery.core.log.Cup;
import nursery.core.resin.Resin;

/**
 * Something wanted otherwise than it is: by a maker, by an order, or to save a late cup. Nothing of it is done until
 * the plan made for it is kept; until then it only says what the workshop would be.
 */
public sealed interface Wish {

    /** Which of the family it is, to be switched over without a default. */
    Kind kind();

    /** The workshop as it would be. */
    Workshop in(Workshop shop);

    /** All that can be wanted. */
    enum Kind {
        PIN,
        UNPIN,
        HOURS,
        MATTERS,
        SPINDLE,
        ORDER,
        OTHER_RESIN,
        COAT_LESS
    }

    /** A step at a moment of its own. */
    record Pinned(String cup, int step, Instant at) implements Wish {
        @Override
        public Kind kind() {
            return Kind.PIN;
        }

        @Override
        public Workshop in(Workshop shop) {
            List<Pin> pins = new ArrayList<>(without(shop, cup, step));
            pins.add(new Pin(cup, step, at));
            return shop.withPins(pins);
        }
    }

    /** A step wherever it fits. */
    record Unpinned(String cup, int step) implements Wish {
        @Override
        public Kind kind() {
            return Kind.UNPIN;
        }

        @Override
        public Workshop in(Workshop shop) {
            return shop.withPins(without(shop, cup, step));
        }
    }

    /** Other hours at the bench on one day; none to be away. */
    record Hours(LocalDate day, DayHours hours) implements Wish {
        @Override
        public Kind kind() {
            return Kind.HOURS;
        }

        @Override
        public Workshop in(Workshop shop) {
            return shop.with(shop.hours().with(day, hours));
        }
    }

    /** How much an hour late counts for a cup. */
    record Matters(String cup, int matters) implements Wish {
        @Override
        public Kind kind() {
            return Kind.MATTERS;
        }

        @Override
        public Workshop in(Workshop shop) {
            return replaced(
                    shop, cup, one -> one.with(new Cup.Promise(one.promise().dueAt(), matters)));
        }
    }

    /** More spindles than there are. */
    record MoreSpindles(int count) implements Wish {
        @Override
        public Kind kind() {
            return Kind.SPINDLE;
        }

        @Override
        public Workshop in(Workshop shop) {
            return shop.withMoreSpindles(count);
        }
    }

    /** Cups that are ordered. */
    record Ordered(Order order) implements Wish {
        @Override
        public Kind kind() {
            return Kind.ORDER;
        }

        @Override
        public Workshop in(Workshop shop) {
            List<Cup> cups = new ArrayList<>(shop.cups());
            long wanted =
                    cups.stream().filter(one -> Order.isWanted(one.code())).count();
            for (int i = 1; i <= order.count(); i++) {
                cups.add(order.planned(wanted + i, shop));
            }
            return shop.withCups(cups);
        }
    }

    /** A cup's coats to come from another resin; what is poured stays what it is. */
    record OtherResin(String cup, Resin resin) implements Wish {
        @Override
        public Kind kind() {
            return Kind.OTHER_RESIN;
        }

        @Override
        public Workshop in(Workshop shop) {
            return replaced(shop, cup, one -> one.with(new Cup.Resins(resin, resin)));
        }
    }

    /** A cup without one of its coats. */
    record CoatLess(String cup, int step) implements Wish {
        @Override
        public Kind kind() {
            return Kind.COAT_LESS;
        }

        @Override
        public Workshop in(Workshop shop) {
            return replaced(shop, cup, one -> one.find(step).map(one::without).orElse(one));
        }
    }

    /** A workshop with several things otherwise. */
    static Workshop all(List<Wish> wishes, Workshop shop) {
        Workshop changed = shop;
        for (Wish wish : wishes) {
            changed = wish.in(changed);
        }
        return changed;
    }

    private static List<Pin> without(Workshop shop, String cup, int step) {
        return shop.pins().stream()
                .filter(pin -> !(pin.cup().equals(cup) && pin.step() == step))
                .toList();
    }

    private static Workshop replaced(Workshop shop, String cup, UnaryOperator<Cup> change) {
        return shop.withCups(shop.cups().stream()
                .map(one -> one.code().equals(cup) ? change.apply(one) : one)
                .toList());
    }
}
