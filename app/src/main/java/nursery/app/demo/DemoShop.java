package nursery.app.demo;

import static nursery.core.technique.School.ADHESIVE_GENEROUS;
import static nursery.core.technique.School.NEXT_DAY;
import static nursery.core.technique.School.SCALE;
import static nursery.core.technique.School.TURN;

import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.cups.PlanChanges;
import nursery.app.floor.Floors;
import nursery.app.floor.RoomPlan;
import nursery.app.plan.PlanBook;
import nursery.app.platform.Moments;
import nursery.app.room.RoomBook;
import nursery.app.room.SimulatedThermometer;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.ShelfBook;
import nursery.app.shelf.StockBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;
import nursery.core.cup.Straight;
import nursery.core.cup.Tapered;
import nursery.core.cup.Turned;
import nursery.core.cure.RoomReading;
import nursery.core.cure.Touch;
import nursery.core.floor.Shelf;
import nursery.core.floor.Ways;
import nursery.core.log.LogEntry;
import nursery.core.log.QuietHours;
import nursery.core.plan.DayHours;
import nursery.core.resin.Densities;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.MixRatio;
import nursery.core.resin.Part;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.School;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The demo: a small workshop making cups for an astronomy club's open night, a heritage tram society and a seed-library
 * fair. Everything is invented, and everything is placed relative to now, so that there is always a window open, one
 * closing and one missed.
 */
@Component
@ConditionalOnProperty("nursery.demo")
class DemoShop implements SmartInitializingSingleton {

    private static final String STARS = "Astronomy club, open night";
    private static final String TRAMS = "Heritage tram society";
    private static final String SEEDS = "Seed-library fair";
    /** Days until each is to be handed over. */
    private static final int STARS_IN = 16, TRAMS_IN = 20, SEEDS_IN = 24;
    /** Asked for sooner than it can be cured. */
    private static final int SOON = 4;
    /** The first step of a plan, and where its coats are, in the plan without extra steps. */
    private static final int PREP = 1,
            PAINT = 2,
            ADHESIVE = 3,
            GLITTER = 4,
            FLOOD = 5,
            SECOND = 6,
            SAND = 7,
            FINISHING = 8,
            FINISH = 9;

    private final ShelfBook shelf;
    private final DemoCups cups;
    private final PlanChanges changes;
    private final RoomBook room;
    private final ShopBook shops;
    private final Floors floors;
    private final StockBook stock;
    private final PlanBook plans;
    private final DemoFaults faults;
    private final DemoDesigns designs;
    private final DemoMaterials materials;
    private final DemoPhotos photos;
    private final TransactionTemplate transaction;
    private final Instant now;

    DemoShop(
            ShelfBook shelf,
            DemoCups cups,
            PlanChanges changes,
            RoomBook room,
            ShopBook shops,
            Floors floors,
            StockBook stock,
            PlanBook plans,
            DemoFaults faults,
            DemoDesigns designs,
            DemoMaterials materials,
            DemoPhotos photos,
            TransactionTemplate transaction,
            Moments moments) {
        this.shelf = shelf;
        this.cups = cups;
        this.changes = changes;
        this.room = room;
        this.shops = shops;
        this.floors = floors;
        this.stock = stock;
        this.plans = plans;
        this.faults = faults;
        this.designs = designs;
        this.materials = materials;
        this.photos = photos;
        this.transaction = transaction;
        this.now = moments.now();
    }

    /** Before the first page is answered, and all of it or nothing. */
    @Override
    public void afterSingletonsInstantiated() {
        if (floors.at(now).cups().isEmpty() && floors.archivedCups("", Floors.Left.ANY) == 0) {
            transaction.executeWithoutResult(status -> furnish());
        }
    }

    /**
     * Whatever the clock says, somebody has come to the bench an hour ago and stays for some more: today's hours say
     * so, and the quiet ones begin after them.
     */
    private void openTheBench() {
        Ways usual = floors.ways();
        ZoneId zone = usual.zone();
        LocalDateTime came =
                LocalDateTime.ofInstant(now, zone).truncatedTo(ChronoUnit.HOURS).minusHours(1);
        LocalDateTime leaves = came.plusHours(5);
        QuietHours quiet = usual.quiet();
        boolean late = came.toLocalTime().isBefore(quiet.untilExclusive())
                || !leaves.toLocalDate().equals(came.toLocalDate())
                || leaves.toLocalTime().isAfter(quiet.from());
        shops.save(new Ways(
                usual.lengthUnit(),
                usual.volumeUnit(),
                usual.temperatureUnit(),
                late ? new QuietHours(leaves.toLocalTime(), leaves.toLocalTime().plusHours(8), zone) : quiet,
                usual.losses(),
                usual.minutesPerCup(),
                usual.clock(),
                usual.weekStarts()));
        plans.atTheBench(
                came.toLocalDate(), DayHours.parse("%s-%s".formatted(came.toLocalTime(), leaves.toLocalTime())));
    }

    private void furnish() {
        shelf.stockIfEmpty();
        openTheBench();
        readRoom();
        long slim20 = shelf.addBlank("20 oz slim", straight(205, 229.3, 5, 20));
        long slim12 = shelf.addBlank("12 oz slim", straight(155, 207, 5, 12));
        long tapered30 = shelf.addBlank(
                "30 oz tapered", new Blank(new Tapered(200, 220, 310), true, 6, 6, 0, OptionalDouble.of(30)));
        long mug = shelf.addBlank(
                "16 oz mug with handle", new Blank(new Straight(118, 262), true, 5, 0, 34, OptionalDouble.of(16)));
        long plump = shelf.addBlank("15 oz plump", new Blank(plumpOutline(), true, 5, 4, 0, OptionalDouble.of(15)));
        long regular = resin(StartingProfile.REGULAR.title());
        long fast = resin(StartingProfile.FAST.title());
        long slow = shelf.addResin("Lantern Lane slow", slowLabel(), "From the product’s label (an invented product).");
        stock(regular, slow);
        materials.onTheShelf(now);
        starCups(slim20, slim12, tapered30, regular);
        tramCups(mug, tapered30, slim12, regular, fast);
        seedCups(plump, slim20, slow, regular);
        otherTechniques(slim20, slim12, plump, mug, regular, fast);
        Shelf furnished = floors.shelf();
        faults.inThePast(
                now,
                TRAMS,
                furnished.blank(slim12).orElseThrow(),
                furnished.resin(fast).orElseThrow());
        bottle(regular, Part.A, "R-0502", 946, "31.90");
        // A look into the bottles: one is nearly empty.
        stock.bottles().stream()
                .filter(bottle -> bottle.bottle().lot().equals("LL-88"))
                .forEach(bottle -> stock.look(bottle.bottle().id(), 35, "Mira"));
        plans.begin("Mira");
        // Life departs from the plan: a cup still feels rough, and gets a coat more.
        changes.addCoat(floors.at(now).cups().stream()
                .filter(cup -> cup.cup().about().name().equals("Saturn"))
                .findFirst()
                .orElseThrow()
                .code());
        faults.onTheFloor(now);
        designs.onTheShelf(floors.shelf().blanks(), "Mira");
        photos.of("Winter sky", "Mira");
    }

    private void stock(long regular, long slow) {
        bottle(regular, Part.A, "R-0417", 1892, "58.00");
        bottle(regular, Part.B, "H-0419", 1892, "56.00");
        bottle(slow, Part.A, "LL-88", 500, "24.50");
        bottle(slow, Part.B, "LL-89", 250, "14.00");
        Map<String, String> blanks = Map.of(
                "20 oz slim",
                "4.60",
                "12 oz slim",
                "3.90",
                "30 oz tapered",
                "6.80",
                "16 oz mug with handle",
                "5.40",
                "15 oz plump",
                "4.90");
        floors.shelf()
                .blanks()
                .forEach(blank -> stock.setBlankPrice(
                        blank.id(),
                        Optional.ofNullable(blanks.get(blank.name())).map(BigDecimal::new)));
    }

    private void bottle(long resin, Part part, String lot, double holdsMl, String price) {
        stock.add(resin, part, lot, holdsMl, "Mira");
        stock.bottles().stream()
                .filter(bottle -> bottle.bottle().lot().equals(lot))
                .forEach(bottle -> stock.setPrice(bottle.bottle().id(), Optional.of(new BigDecimal(price))));
    }

    private void starCups(long slim20, long slim12, long tapered30, long regular) {
        start("Winter sky", STARS, slim20, regular, STARS_IN, "#16213f", "#3b5fb5", 32)
                .toGlitter("Mira", 31, 1)
                .pour(FLOOD, 5.2, 23, 1, "Mira")
                .touch(Touch.STRINGS, 2.3, "Mira")
                .touch(Touch.TACKY, 1.4, "Mira")
                .write();
        start("Meteor shower", STARS, slim12, regular, STARS_IN, "#2a1f3d", "#c9b458", 3)
                .done(PREP, 2.5, "Mira")
                .done(PAINT, 1.6, "Mira")
                .pour(ADHESIVE, 0.2, 1, 0, "Mira")
                .write();
        start("Comet", STARS, slim12, regular, SOON, "#0f2f3a", "#58b7b0", 7)
                .toGlitter("Jonas", 6.5, 1)
                .write();
        start("Saturn", STARS, slim20, regular, STARS_IN, "#4a3420", "#c99a5b", 12)
                .toGlitter("Mira", 11, 1)
                .pour(FLOOD, 4.7, 24, 5, "Mira")
                .touch(Touch.TACKY, 0.9, "Jonas")
                .write();
        start("Milky way", STARS, tapered30, regular, STARS_IN, "#1b1b2b", "#9aa7d9", 30, NEXT_DAY, SCALE)
                .toGlitter("Jonas", 29, 1)
                .pour(FLOOD, 17.2, 27, 0, "Jonas")
                .touch(Touch.GUMS_PAPER, 8.5, "Jonas")
                .touch(Touch.SANDS_TO_DUST, 6, "Jonas")
                .write();
    }

    private void tramCups(long mug, long tapered30, long slim12, long regular, long fast) {
        start("Line 7 green", TRAMS, mug, regular, TRAMS_IN, "#1f5a3a", "#2f8f57", 30)
                .toGlitter("Jonas", 29, 1)
                .pour(FLOOD, 7.1, 24, 2, "Jonas")
                .pour(SECOND, 2.1, 16, 2, "Jonas")
                .write();
        start("Depot cream", TRAMS, tapered30, regular, TRAMS_IN, "#e9dfc0", "#d8c68a", 40)
                .toGlitter("Jonas", 39, 1)
                .pour(FLOOD, 17.6, 26, 3, "Jonas")
                .takenOff(8, "Jonas", "Hung by the window; forgot the second coat.")
                .write();
        start("Level crossing", TRAMS, slim12, regular, TRAMS_IN, "#3b3f46", "#e0b23c", 7)
                .toGlitter("Jonas", 6.6, 1)
                .pour(FLOOD, 1.1, 41, 6, "Jonas")
                .write();
        start("Conductor’s bell", TRAMS, slim12, fast, TRAMS_IN, "#6b1f1f", "#c28a2c", 9)
                .toGlitter("Mira", 8, 1)
                .pour(FLOOD, 1.2, 20, 4, "Mira")
                .write();
    }

    private void seedCups(long plump, long slim20, long slow, long regular) {
        start("Foxglove", SEEDS, plump, regular, SEEDS_IN, "#5d2a57", "#b45aa6", 60)
                .toGlitter("Mira", 59, 1)
                .pour(FLOOD, 54, 20, 0, "Mira")
                .pour(SECOND, 49, 18, 0, "Mira")
                .touch(Touch.FIRM_WITH_PRINT, 44, "Mira")
                .touch(Touch.SANDS_TO_DUST, 42, "Mira")
                .done(SAND, 34, "Mira")
                .pour(FINISHING, 33, 12, 0, "Mira")
                .done(FINISH, 18, "Mira")
                .write();
        start("Runner bean", SEEDS, slim20, slow, SEEDS_IN, "#7c2d20", "#d9573b", 52, ADHESIVE_GENEROUS, TURN)
                .toGlitter("Jonas", 50, 8)
                .pour(FLOOD, 42, 25, 0, "Jonas")
                .pour(SECOND, 36, 20, 0, "Jonas")
                .done(SAND, 15, "Jonas")
                .pour(FINISHING, 13.5, 15, 0, "Jonas")
                .write();
        start("Sunflower", SEEDS, slim20, regular, SEEDS_IN, "#8a5a00", "#f2c230", 3)
                .done(PREP, 2.2, "Mira")
                .done(PAINT, 1.7, "Mira")
                .write();
        start("Marigold", SEEDS, plump, regular, SEEDS_IN, "#a85a00", "#f0a52a", 1)
                .done(PREP, 0.7, "Mira")
                .done(PAINT, 0.35, "Mira")
                .write();
    }

    private void readRoom() {
        // A heated workshop over a week, with a window left open in one night.
        SimulatedThermometer thermometer =
                new SimulatedThermometer(5, floors.ways().zone(), 22.2, 19, Optional.of(ago(17)));
        List<RoomReading> week = new ArrayList<>();
        for (Instant at = ago(7 * 24); !at.isAfter(now); at = at.plus(Duration.ofMinutes(15))) {
            thermometer.read(at).ifPresent(week::add);
        }
        room.add(RoomPlan.BENCH, week, "sensor");
        shelf.addTurner("Old motor", 2.5, 2);
        shelf.addMeasuringCup("Small cup, fine marks", new MeasuringCup(30, 1, 26, 32));
    }

    private Told start(
            String name,
            String madeFor,
            long blank,
            long resin,
            int dueInDays,
            String paint,
            String glitter,
            double hoursAgo,
            School... schools) {
        return start("one-colour-glitter", name, madeFor, blank, resin, dueInDays, paint, glitter, hoursAgo, schools);
    }

    private Told start(
            String technique,
            String name,
            String madeFor,
            long blank,
            long resin,
            int dueInDays,
            String paint,
            String glitter,
            double hoursAgo,
            School... schools) {
        DemoCups.Making making = cups.start(
                new DemoCups.Wanted(
                        technique,
                        name,
                        madeFor,
                        paint,
                        glitter,
                        floors.show().today().plusDays(dueInDays)),
                blank,
                resin,
                ago(hoursAgo),
                schools);
        materials.dress(making.cup());
        return new Told(making);
    }

    /** Told in hours ago. */
    private final class Told {

        private final DemoCups.Making making;

        Told(DemoCups.Making making) {
            this.making = making;
        }

        Told toGlitter(String by, double hoursAgo, double adhesiveMl) {
            return done(PREP, hoursAgo, by)
                    .done(PAINT, hoursAgo - 0.4, by)
                    .pour(ADHESIVE, hoursAgo - 1.5, adhesiveMl, 0, by)
                    .done(GLITTER, hoursAgo - 1.7, by);
        }

        Told done(int step, double hoursAgo, String by) {
            making.done(step, ago(hoursAgo), by);
            return this;
        }

        /** @param spindle its number, or 0 if the cup hangs */
        Told pour(int step, double hoursAgo, double ml, int spindle, String by) {
            making.pour(
                    step,
                    ago(hoursAgo),
                    ml,
                    spindle == 0
                            ? Optional.empty()
                            : Optional.of(floors.shelf().spindles().get(spindle - 1)),
                    by);
            return this;
        }

        Told touch(Touch touch, double hoursAgo, String by) {
            making.touched(touch, ago(hoursAgo), by);
            return this;
        }

        Told takenOff(double hoursAgo, String by, String note) {
            making.tell(LogEntry.takenOff(DemoCups.mark(ago(hoursAgo), by, note)));
            return this;
        }

        void write() {
            making.write();
        }

        /**
         * Follows the plan from its start, each step as soon as it may be done, until so many are done or the present
         * is reached.
         */
        void follow(int steps, String by) {
            making.ahead().stream()
                    .limit(steps)
                    .filter(expected -> expected.at().isBefore(now))
                    .forEach(expected -> making.follow(expected, by));
            making.write();
        }
    }

    private void otherTechniques(long slim20, long slim12, long plump, long mug, long regular, long fast) {
        start("ink-bloom", "Aurora", STARS, slim20, regular, STARS_IN, "#e8edf4", "#4aa58c", 30)
                .follow(8, "Mira");
        start("peekaboo", "Moon phases", STARS, slim12, regular, STARS_IN, "#2b2f48", "#d9d4c0", 26)
                .follow(6, "Jonas");
        start("glow-base-coat", "Glow comet", STARS, slim20, fast, STARS_IN, "#f4f4ee", "#9fe3b0", 9)
                .follow(7, "Mira");
        start("waves", "River line", TRAMS, slim20, fast, TRAMS_IN, "#2f6d8c", "#d8e6ea", 14)
                .follow(10, "Jonas");
        start("smoke-stencil", "Night tram", TRAMS, slim12, fast, SOON, "#efe6d2", "#3a3a3a", 8)
                .follow(6, "Jonas");
        start("wrap-two-days", "Timetable", TRAMS, mug, fast, TRAMS_IN, "#f2e2b8", "#8c2f2f", 5)
                .follow(3, "Mira");
        for (int i = 1; i <= 3; i++) {
            start(
                            "glitter-craft-glue",
                            "Platform clock " + i,
                            TRAMS,
                            slim12,
                            regular,
                            TRAMS_IN,
                            "#12322f",
                            "#cfd8d0",
                            2)
                    .follow(1, "Jonas");
        }
        start("chunky-glitter", "Poppy field", SEEDS, plump, regular, SEEDS_IN, "#7b1e1e", "#d8442f", 22)
                .follow(8, "Mira");
        start("marbled-wrap", "Seed packet", SEEDS, slim20, fast, SEEDS_IN, "#cdb98a", "#6f7f3a", 16)
                .follow(8, "Jonas");
    }

    private Instant ago(double hours) {
        return now.minus(Duration.ofSeconds(Math.round(hours * 3600)));
    }

    private long resin(String name) {
        return floors.shelf().resins().stream()
                .filter(resin -> resin.name().equals(name))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static Blank straight(double heightMm, double circumferenceMm, double rimBareMm, double oz) {
        return new Blank(new Straight(heightMm, circumferenceMm), true, rimBareMm, 0, 0, OptionalDouble.of(oz));
    }

    private static Turned plumpOutline() {
        return new Turned(List.of(
                new Station(0, 205),
                new Station(14, 248),
                new Station(48, 288),
                new Station(78, 280),
                new Station(108, 246),
                new Station(122, 240)));
    }

    private static Label slowLabel() {
        return new Label(
                MixRatio.parse("2:1"),
                new LabelTimes(1, 6, 6, 9, 12, 16, 24, 36, 96),
                24,
                Label.DEFAULT_ACTIVATION_KJ_PER_MOL,
                Optional.of(new Densities(1.12, 0.98)),
                OptionalDouble.of(0.7));
    }
}
