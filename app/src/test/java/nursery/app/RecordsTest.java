package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.List;
import java.util.OptionalDouble;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.CupBook;
import nursery.app.cups.LogBook;
import nursery.app.floor.Floors;
import nursery.app.room.RoomBook;
import nursery.app.settings.ShopBook;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;
import nursery.core.cup.Straight;
import nursery.core.cup.Turned;
import nursery.core.cure.RoomReading;
import nursery.core.floor.CupNow;
import nursery.core.floor.Ways;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.QuietHours;
import nursery.core.measure.Clock;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.VolumeUnit;
import nursery.core.resin.Losses;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.School;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.dao.DataIntegrityViolationException;

/** What the mappers write to the real MariaDB comes back as it was. */
@ExtendWith(ShopUnderTest.class)
class RecordsTest {

    private static Running shop;
    private static ShelfBook shelf;
    private static CupBook cups;
    private static LogBook log;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        shelf = running.bean(ShelfBook.class);
        cups = running.bean(CupBook.class);
        log = running.bean(LogBook.class);
    }

    private static String startCup(String name, School... schools) {
        long blank = shop.shelf().blanks().stream()
                .findFirst()
                .map(found -> found.id())
                .orElseGet(() -> shelf.addBlank(
                        "slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20))));
        long resin = shop.shelf().resins().stream()
                .filter(found -> found.name().equals(StartingProfile.REGULAR.title()))
                .findFirst()
                .orElseThrow()
                .id();
        return shop.start(name, resin, shop.clock().instant(), School.NEXT_DAY, School.SEAL_ALWAYS);
    }

    @Test
    void aTurnedBlankComesBackStationByStation() {
        Blank plump = new Blank(
                new Turned(List.of(new Station(0, 205), new Station(48.5, 288.25), new Station(122, 240))),
                false,
                5,
                4,
                30,
                OptionalDouble.empty());
        long id = shelf.addBlank("plump", plump);
        assertThat(shop.shelf().blank(id))
                .hasValueSatisfying(found -> assertThat(found.blank()).isEqualTo(plump));
    }

    @Test
    void theStartingProfilesComeBackAsTheyWereWritten() {
        for (StartingProfile profile : StartingProfile.values()) {
            Resin found = shop.shelf().resins().stream()
                    .filter(resin -> resin.name().equals(profile.title()))
                    .findFirst()
                    .orElseThrow();
            assertThat(found.label()).isEqualTo(profile.label());
            assertThat(found.copy().source()).contains("Common practice");
        }
    }

    @Test
    void momentsSurviveTheHourThatComesTwice() {
        RoomBook room = shop.bean(RoomBook.class);
        Instant first = Instant.parse("2026-10-25T00:30:00.125Z");
        Instant second = Instant.parse("2026-10-25T01:30:00.250Z");
        room.add(new RoomReading(first, 15), "Mira");
        room.add(new RoomReading(second, 17), "Mira");
        assertThat(shop.floor().air().course().temperatureCAt(first)).isEqualTo(15);
        assertThat(shop.floor().air().course().temperatureCAt(second)).isEqualTo(17);
        assertThat(shop.sql()
                        .queryForList(
                                "SELECT CAST(taken_at AS CHAR) FROM room_reading ORDER BY taken_at", String.class))
                .containsExactly("2026-10-25 00:30:00.125", "2026-10-25 01:30:00.250");
    }

    @Test
    void aCupKeepsItsPlanItsSchoolsAndItsLog() {
        String code = startCup("Depot cream 🚋", School.NEXT_DAY, School.SEAL_ALWAYS);
        Instant at = shop.clock().instant();
        log.add(code, new LogEntry.StepDone(Mark.unnumbered(at, at, "Mira", "scuffed well ✨"), 1), false);
        CupNow cup = shop.cup(code);
        assertThat(cup.cup().about().name()).isEqualTo("Depot cream 🚋");
        assertThat(cup.cup().promise().dueAt())
                .contains(LocalDate.of(2026, 3, 20)
                        .atStartOfDay(shop.floor().ways().zone())
                        .toInstant());
        assertThat(cup.cup().plan())
                .isEqualTo(shop.glitterCup("", cup.cup().resins().base().id(), School.NEXT_DAY, School.SEAL_ALWAYS)
                        .plan());
        assertThat(cup.cup().log()).singleElement().isInstanceOfSatisfying(LogEntry.StepDone.class, entry -> {
            assertThat(entry.mark().happenedAt()).isEqualTo(at);
            assertThat(entry.mark().note()).isEqualTo("scuffed well ✨");
        });
        assertThat(shop.floor().cups()).extracting(found -> found.cup().code()).contains(code);
    }

    @Test
    void codesFollowEachOtherAndAreNeverGivenTwice() {
        String first = startCup("one");
        String second = startCup("two");
        assertThat(first).matches("[A-Z]-\\d\\d");
        assertThat(Integer.parseInt(second.substring(2))).isEqualTo(Integer.parseInt(first.substring(2)) + 1);
    }

    @Test
    void theShopsWaysAreKept() {
        ShopBook shops = shop.bean(ShopBook.class);
        QuietHours quiet = new QuietHours(LocalTime.of(21, 15), LocalTime.of(7, 0), ZoneId.of("Pacific/Auckland"));
        Ways imperial = new Ways(
                LengthUnit.IN,
                VolumeUnit.FL_OZ,
                TemperatureUnit.F,
                quiet,
                new Losses(2, 0.5),
                OptionalDouble.of(7.5),
                Clock.H12,
                DayOfWeek.SUNDAY);
        shops.save(imperial);
        shops.save(imperial);
        assertThat(shop.bean(Floors.class).ways()).isEqualTo(imperial);
    }

    @Test
    void theDatabaseRefusesWhatBelongsToNothing() {
        assertThatThrownBy(
                        () -> shop.sql()
                                .update(
                                        """
                INSERT INTO log_entry (cup_id, kind, happened_at, recorded_at, recorded_by, note) VALUES (987654,
                  'NOTED', NOW(), NOW(), 'x', 'x')"""))
                .isInstanceOf(DataIntegrityViolationException.class);
        assertThat(shop.sql()
                        .queryForList(
                                "SELECT DISTINCT engine FROM information_schema.tables WHERE table_schema = DATABASE()",
                                String.class))
                .containsExactly("InnoDB");
        assertThat(shop.sql().queryForObject("SELECT @@global.bind_address", String.class))
                .isEqualTo("127.0.0.1");
        assertThat(shop.sql().queryForObject("SELECT @@global.time_zone", String.class))
                .isEqualTo("+00:00");
    }
}
