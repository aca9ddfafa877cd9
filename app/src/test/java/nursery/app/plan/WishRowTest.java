package nursery.app.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.floor.Shelf;
import nursery.core.log.Cup;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.DayHours;
import nursery.core.plan.Order;
import nursery.core.plan.Wish;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.Schools;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A wish is kept as its table has it, and comes back as it was. */
class WishRowTest {

    private static final Resin RESIN = Resin.of(7, "Harbour light", StartingProfile.REGULAR.label());
    private static final Shelf SHELF = new Shelf(List.of(RESIN), List.of(), List.of(), List.of());
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    private static final Order ORDER = new Order(
            new Cup.About("Tram bell", "Heritage tram society", "Waves", "20 oz slim", "#112233", "#445566"),
            3,
            5,
            SLIM,
            new Cup.Resins(RESIN, RESIN),
            Schools.of(),
            List.of(),
            Optional.of(LocalDate.of(2026, 4, 10)),
            3);

    static Stream<Wish> wishes() {
        return Stream.of(
                new Wish.Pinned("A-01", 5, Instant.parse("2026-03-02T18:00:00Z")),
                new Wish.Unpinned("A-01", 5),
                new Wish.Hours(LocalDate.of(2026, 3, 4), DayHours.parse("19:00-21:30")),
                new Wish.Hours(LocalDate.of(2026, 3, 4), DayHours.parse("")),
                new Wish.Matters("A-02", 9),
                new Wish.MoreSpindles(2),
                new Wish.Ordered(ORDER),
                new Wish.OtherResin("A-01", RESIN),
                new Wish.CoatLess("A-01", 6));
    }

    @ParameterizedTest
    @MethodSource("wishes")
    void aWishComesBackAsItWas(Wish wish) {
        WishRow row = WishRow.of(wish);
        assertThat(row.wish(SHELF, again -> ORDER)).isEqualTo(wish);
        assertThat(row.kind()).isEqualTo(wish.kind().name());
    }

    @Test
    void everyKindIsTried() {
        assertThat(wishes().map(Wish::kind).distinct()).containsExactlyInAnyOrder(Wish.Kind.values());
    }

    @Test
    void whatHasGoneFromTheShelfIsNamed() {
        WishRow row = WishRow.of(new Wish.OtherResin("A-01", RESIN));
        Shelf bare = new Shelf(List.of(), List.of(), List.of(), List.of());
        assertThatThrownBy(() -> row.wish(bare, again -> ORDER))
                .isInstanceOf(InvalidInput.class)
                .hasMessageContaining("no longer on the shelf");
    }
}
