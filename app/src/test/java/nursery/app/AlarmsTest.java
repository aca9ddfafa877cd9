package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.StringReader;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.stream.Collectors;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.LogBook;
import nursery.app.room.RoomBook;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomReading;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.log.Spindle;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/**
 * The calendar feed as a phone reads it, the banner, and the day's list. The feed is parsed by a library, not by us.
 */
@ExtendWith(ShopUnderTest.class)
class AlarmsTest {

    private static Running shop;
    private static Tablet tablet;
    private String code;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
    }

    /**
     * A cup whose second coat can go straight on from 10:00 to 12:00, label times at 22 °C; quiet hours 22:30 to 06:30.
     */
    @BeforeEach
    void aFloodedCup() {
        shop.empty();
        shop.settle("UTC");
        ShelfBook shelf = shop.bean(ShelfBook.class);
        shelf.addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        long regular = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
        shop.clock().set(Instant.parse("2026-03-02T06:00:00Z"));
        code = shop.start("Winter sky", regular, shop.clock().instant().minus(Duration.ofHours(6)));
        LogBook log = shop.bean(LogBook.class);
        for (int step = 1; step <= 5; step++) {
            boolean pour = step == 3 || step == 5;
            Instant at = step == 5
                    ? shop.clock().instant()
                    : shop.clock().instant().minus(Duration.ofMinutes(360 - 40 * step));
            Mark mark = Mark.unnumbered(at, at, "Mira", "");
            Optional<Spindle> spindle =
                    step == 5 ? Optional.of(shop.shelf().spindles().get(0)) : Optional.empty();
            log.add(
                    code,
                    pour
                            ? new LogEntry.Poured(
                                    mark,
                                    step,
                                    20,
                                    spindle,
                                    Optional.of(
                                            Pot.of(shop.cup(code).cup().resins().base(), OptionalLong.empty())))
                            : new LogEntry.StepDone(mark, step),
                    true);
        }
    }

    private static String address() {
        return text(tablet.send("/alarms/feeds", typed()))
                .replaceAll("(?s).*<code>http://[^/]+(/alarms/feed/[0-9a-f]{48}\\.ics)</code>.*", "$1");
    }

    private static Map<String, VEvent> read(String address) throws Exception {
        MvcTestResult answer = tablet.get(address);
        assertThat(answer).hasStatus(200).hasContentType("text/calendar;charset=UTF-8");
        Calendar calendar = new CalendarBuilder()
                .build(new StringReader(answer.getResponse().getContentAsString()));
        assertThat(calendar.validate().hasErrors()).isFalse();
        List<VEvent> events = calendar.getComponents("VEVENT");
        return events.stream()
                .collect(Collectors.toMap(event -> event.getUid().orElseThrow().getValue(), event -> event));
    }

    private static Instant start(VEvent event) {
        return Instant.from(event.getDateTimeStart().getDate());
    }

    private static int sequence(VEvent event) {
        return event.getSequence().getSequenceNo();
    }

    @Test
    void aPhoneReadsWhatOpensClosesAndMayStop() throws Exception {
        Map<String, VEvent> events = read(address());
        assertThat(events)
                .containsOnlyKeys(
                        code + "-step-6-opens@nursery.invalid",
                        code + "-step-6-closes@nursery.invalid",
                        events.keySet().stream()
                                .filter(uid -> uid.contains("-spindle-"))
                                .findFirst()
                                .orElseThrow());
        VEvent opens = events.get(code + "-step-6-opens@nursery.invalid");
        assertThat(start(opens)).as("P14: 4 h after the coat").isEqualTo(Instant.parse("2026-03-02T10:00:00Z"));
        assertThat(opens.getSummary().getValue()).isEqualTo(code + ": Second coat");
        assertThat(opens.getAlarms()).singleElement().satisfies(bell -> assertThat(bell.toString())
                .contains("TRIGGER;VALUE=DATE-TIME:20260302T100000Z")
                .contains("ACTION:DISPLAY"));
    }

    @Test
    void aWindowThatMovesKeepsItsNameAndCountsOn() throws Exception {
        String address = address();
        String uid = code + "-step-6-opens@nursery.invalid";
        VEvent before = read(address).get(uid);
        shop.clock().forward(Duration.ofMinutes(30));
        shop.bean(RoomBook.class).add(new RoomReading(shop.clock().instant(), 15), "sensor");
        VEvent after = read(address).get(uid);
        assertThat(start(after)).isAfter(start(before));
        assertThat(sequence(after)).isGreaterThan(sequence(before));
    }

    @Test
    void theAddressIsSecretAndCanBeRevoked() throws Exception {
        String address = address();
        assertThat(read(address)).isNotEmpty();
        assertThat(tablet.page("/alarms")).doesNotContain(address).contains("read 06:00");
        assertThat(tablet.send(
                        "/alarms/feeds/" + shop.sql().queryForObject("SELECT id FROM calendar_feed", Long.class)
                                + "/revoke",
                        typed()))
                .hasStatus(302);
        assertThat(tablet.get(address)).hasStatus(404);
        assertThat(tablet.get("/alarms/feed/" + "0".repeat(48) + ".ics")).hasStatus(404);
    }

    @Test
    void aBannerStandsWhenSomethingIsDueAndNotInTheQuietHours() {
        assertThat(tablet.page("/alarms/due")).doesNotContain("Second coat");
        shop.clock().set(Instant.parse("2026-03-02T10:05:00Z"));
        assertThat(tablet.page("/alarms/due"))
                .contains(code + ": Second coat")
                .contains("may stop")
                .doesNotContain("closes");
        shop.clock().set(Instant.parse("2026-03-02T22:20:00Z"));
        assertThat(tablet.page("/alarms/due")).contains("Second coat closes").contains("until Tue 06:00");
        shop.sql().update("UPDATE shop SET quiet_from = '22:00', quiet_until = '23:00'");
        assertThat(tablet.page("/alarms/due")).doesNotContain("Second coat");
    }

    @Test
    void theDayIsListedAndPrinted() {
        assertThat(tablet.page("/alarms"))
                .contains("10:00")
                .contains(code + ": Second coat")
                .contains("If missed: Let it harden");
        assertThat(tablet.page("/alarms/day"))
                .contains("Tue 05:30")
                .contains("Second coat closes")
                .contains("done");
    }

    @Test
    void whatIfTheRoomWereColderAWarmShelfOrAFastResin() {
        assertThat(tablet.page("/cups/" + code + "/what-if?temperature=12&shelf=0"))
                .contains("12 °C")
                .contains("later")
                .doesNotContain("sooner");
        assertThat(tablet.page("/cups/" + code + "/what-if?temperature=22&shelf=3"))
                .contains("sooner")
                .contains("after 3 h on the shelf");
        long fast = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Fast"))
                .findFirst()
                .orElseThrow()
                .id();
        assertThat(tablet.page("/cups/" + code + "/what-if?temperature=22&resin=" + fast))
                .contains("08:00")
                .contains("2 h 00 min sooner");
        assertThat(tablet.page("/cups/" + code + "/what-if?temperature=hot&shelf=900"))
                .contains("is not a number")
                .contains("The hours on the shelf is 900 h");
        assertThat(tablet.get("/cups/Z-99/what-if?temperature=20")).hasStatus(404);
    }

    private MvcTestResult touch(String touch) {
        return tablet.send("/cups/" + code + "/log", typed("what", "TOUCHED", "touch", touch, "when", "0", "note", ""));
    }

    /** Sanded to dust at 4 h already, five times: this resin is faster here than its label, which says 8 h. */
    @Test
    void touchesTeachTheResinsSpeedWhichIsTakenOverAndGivenBack() {
        long regular = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
        String page = "/shelf/resins/" + regular + "/learned";
        assertThat(tablet.page(page)).contains("No touch is logged yet");
        Instant byLabel = sandable();
        shop.clock().set(Instant.parse("2026-03-02T10:00:00Z"));
        for (int i = 0; i < 5; i++) {
            assertThat(touch("SANDS_TO_DUST")).hasStatus(302);
        }
        assertThat(text(touch("MOIST"))).contains("choose one of those offered");
        assertThat(tablet.page(page)).contains("5 touches").contains("Faster than its label");
        assertThat(tablet.page("/cups/" + code)).contains("Felt: sands to dust");
        assertThat(sandable()).as("nothing changes before the maker says so").isEqualTo(byLabel);
        assertThat(tablet.send(page, typed("decide", "take"))).hasStatus(302);
        assertThat(sandable()).isBefore(byLabel.minus(Duration.ofMinutes(60)));
        assertThat(tablet.page(page)).contains("Taken over by Mira");
        assertThat(tablet.send(page, typed("decide", "label"))).hasStatus(302);
        assertThat(sandable()).isEqualTo(byLabel);
    }

    private Instant sandable() {
        return shop.cup(code).state().newestCoat().orElseThrow().times().sandableFrom();
    }
}
