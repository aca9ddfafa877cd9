package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.LogBook;
import nursery.app.cups.NotLogged;
import nursery.app.floor.Floors;
import nursery.app.platform.Show;
import nursery.app.room.RoomBook;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.CoatMoment;
import nursery.core.cure.RoomReading;
import nursery.core.floor.CupNow;
import nursery.core.log.LogEntry;
import nursery.core.log.Spindle;
import nursery.core.plan.PlannedStep;
import nursery.core.resin.Densities;
import nursery.core.resin.Label;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;
import nursery.core.resin.Pace;
import nursery.core.resin.PotLife;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.technique.School;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where several screens answer one question, they give one answer. Each question has its test here. */
@ExtendWith(ShopUnderTest.class)
class OneAnswerTest {

    private static Running shop;
    private static Tablet tablet;
    private static LogBook log;
    private long resin;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
        log = running.bean(LogBook.class);
    }

    @BeforeEach
    void aBlank() {
        shop.empty();
        shop.settle("UTC");
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        resin = shop.shelf().resins().stream()
                .filter(found -> found.name().startsWith("Regular"))
                .findFirst()
                .orElseThrow()
                .id();
    }

    private static Instant now() {
        return shop.clock().instant();
    }

    /** A cup with so many of its first four steps done, its adhesive spread this noon. */
    private String cup(int steps, School... schools) {
        String code = shop.start("Winter sky", resin, now().minus(Duration.ofHours(8)), schools);
        for (int step = 1; step <= steps; step++) {
            log.add(
                    code,
                    shop.entry(
                            code, step, now().minus(Duration.ofMinutes(460 - 80L * step - (step == 4 ? -70 : 0))), 1),
                    true);
        }
        return code;
    }

    private static String in(String page, String pattern) {
        Matcher found =
                Pattern.compile(pattern).matcher(page.replaceAll("<[^>]*>", " ").replaceAll("\\s+", " "));
        assertThat(found.find()).as(pattern).isTrue();
        return found.group(1);
    }

    private static Show show() {
        return shop.bean(Floors.class).show();
    }

    private static LogEntry poured(String code, Instant at, Spindle spindle) {
        LogEntry.Poured plain = (LogEntry.Poured) shop.entry(code, 5, at, 20);
        return new LogEntry.Poured(plain.mark(), plain.step(), 20, Optional.of(spindle), plain.pot());
    }

    /**
     * A coat of the day before yesterday that is logged only now: the cup that turns there since yesterday stays where
     * it is, unasked, and its history is its own.
     */
    @Test
    void aPourLoggedLateTakesNobodyOffTheTurner() {
        Spindle spindle = shop.floor().shelf().spindles().get(0);
        String early = cup(4);
        shop.clock().forward(Duration.ofHours(8));
        Instant pouredEarly = now();
        shop.clock().forward(Duration.ofHours(16));
        String late = cup(4);
        shop.clock().forward(Duration.ofHours(8));
        log.add(late, poured(late, now(), spindle), true);
        shop.clock().forward(Duration.ofHours(1));
        int entries = shop.cup(late).cup().log().size();

        log.add(early, poured(early, pouredEarly, spindle), false);

        assertThat(shop.cup(late).cup().log()).hasSize(entries);
        assertThat(shop.cup(late).state().hold())
                .hasValueSatisfying(hold -> assertThat(hold.spindle()).isEqualTo(spindle));
        assertThat(shop.cup(early).state().hold()).isEmpty();
        assertThat(shop.cup(early).state().coats()).hasSize(2);
    }

    /** Who turns there at the time of the pour is asked about, and goes only when that is confirmed. */
    @Test
    void whoTurnsThereAtTheTimeIsAskedAbout() {
        Spindle spindle = shop.floor().shelf().spindles().get(0);
        String first = cup(4);
        String second = cup(4);
        shop.clock().forward(Duration.ofHours(8));
        log.add(first, poured(first, now(), spindle), true);
        shop.clock().forward(Duration.ofMinutes(30));
        assertThatThrownBy(() -> log.add(second, poured(second, now(), spindle), false))
                .isInstanceOf(NotLogged.class);
        assertThat(shop.cup(first).state().hold()).isPresent();
        log.add(second, poured(second, now(), spindle), true);
        assertThat(shop.cup(first).state().hold()).isEmpty();
    }

    /** Odd ratios as well. */
    @ParameterizedTest
    @ValueSource(strings = {"1:1", "2:1", "3:1", "5:2"})
    void howMuchToMixForACoat(String ratio) {
        Label regular = StartingProfile.REGULAR.label();
        Label label = new Label(
                MixRatio.parse(ratio),
                regular.times(),
                regular.referenceC(),
                regular.activationKjPerMol(),
                Optional.of(new Densities(1.15, 0.97)),
                regular.viscosity(),
                regular.potLifeMin(),
                regular.tolerancePercent());
        resin = shop.bean(ShelfBook.class).addResin("Harbour light", label, "From the label.");
        String code = cup(4);
        shop.clock().set(Instant.parse("2026-03-02T18:05:00Z"));
        CupNow cup = shop.cup(code);
        Resin harbour = shop.shelf().resin(resin).orElseThrow();
        double share = shop.shareMl(code);
        Mix mix = shop.floor().sheet(cup.cup(), harbour, share).mix();
        String lines = "A to %s, then B to %s"
                .formatted(show().volume(mix.partAMl()), show().volume(mix.totalMl()))
                .replace('\u00a0', ' ');

        assertThat(tablet.page("/cups/" + code)).as("the cup's page").contains(lines);
        assertThat(tablet.page("/mix")).as("the mixing bench").contains(lines);
        String day =
                "" + shop.plan().of(code).get(0).begins().atZone(ZoneOffset.UTC).toLocalDate();
        assertThat(in(tablet.page("/plan/today?day=" + day), "Mix ([\\d.]+ ml) of Harbour light"))
                .as("the day's list")
                .isEqualTo(show().volume(mix.totalMl()).replace('\u00a0', ' '));
        assertThat(tablet.page("/board").replaceAll("<[^>]*>", ""))
                .as("the bench")
                .contains(show().volume(share).replace('\u00a0', ' ') + " on the cup");
        assertThat(shop.floor().mixedFor(cup.cup(), harbour, share))
                .as("what a direct pour draws")
                .isEqualTo(mix);
    }

    @Test
    void whatTurnsAndWhatHangs() {
        String hung = cup(2, School.HANG);
        String turned = cup(2, School.TURN);
        for (PlannedStep step : shop.plan().steps()) {
            boolean turns = shop.cup(step.cup()).cup().turns(step.step());
            assertThat(step.turns().isPresent())
                    .as(step.cup() + ": " + step.step().title())
                    .isEqualTo(turns);
        }
        CupNow hangs = shop.cup(hung);
        CupNow turns = shop.cup(turned);
        assertThat(shop.floor().spindleFor(hangs)).isEmpty();
        Spindle free = shop.floor().spindleFor(turns).orElseThrow();
        assertThat(checkedSpindle(hung)).as("its page").isEmpty();
        assertThat(checkedSpindle(turned)).isEqualTo("" + free.id());
        assertThat(shop.plan().of(turned).get(0).turns().orElseThrow().spindle())
                .as("the plan")
                .isEqualTo(free);
    }

    private static String checkedSpindle(String code) {
        Matcher found =
                Pattern.compile("name=\"spindle\" value=\"(\\d*)\" checked").matcher(tablet.page("/cups/" + code));
        assertThat(found.find()).isTrue();
        return found.group(1);
    }

    @Test
    void whereACupTurnsWhoseScuffingWasForgotten() {
        String code = cup(4);
        log.add(code, shop.entry(code, 5, now(), 20), true);
        shop.clock().forward(Duration.ofHours(30));
        String page = tablet.page("/cups/" + code);
        assertThat(page).contains("Scuff, then second coat", "Poured without scuffing");
        String spindle = ""
                + shop.floor()
                        .spindleFor(shop.cup(code))
                        .or(() -> shop.floor().freeSpindles().stream().findFirst())
                        .orElseThrow()
                        .id();
        Map<String, String> pour = typed(
                "what",
                "POURED",
                "step",
                "6",
                "when",
                "0",
                "amount",
                "20",
                "spindle",
                spindle,
                "note",
                "",
                "confirmed",
                "on",
                "why",
                "forgot");
        assertThat(tablet.send("/cups/" + code + "/log", pour)).hasStatus(302);
        assertThat(shop.cup(code).state().hold())
                .map(hold -> "" + hold.spindle().id())
                .contains(spindle);
    }

    @Test
    void whenACupIsReady() {
        String code = cup(4);
        CupNow cup = shop.cup(code);
        Instant ready =
                shop.bean(Floors.class).standing(shop.floor()).readyAt(cup).orElseThrow();
        String words = show().at(ready);
        assertThat(in(
                        tablet.page("/cups/" + code),
                        "Ready, at full cure, ((?:[A-Z][a-z]{2} )?(?:\\d+ [A-Z][a-z]{2} )?[\\d:]+)"))
                .as("its page")
                .isEqualTo(words);
        assertThat(in(tablet.page("/plan/cup/" + code), "Ready, at full cure, ([^.]+)\\."))
                .as("its place in the plan")
                .isEqualTo(words);
        assertThat(in(tablet.page("/plan"), "ready ([A-Z][a-z]{2} [^ ]+(?: [A-Z][a-z]{2})?(?: [\\d:]+)?)"))
                .as("the plan")
                .startsWith(words);
        // Not before the full cure of its last coat, 72 h by the label in a room as the label has it.
        Instant lastPour = shop.plan().of(code).stream()
                .filter(step -> step.step().kind().isPour())
                .reduce((a, b) -> b)
                .orElseThrow()
                .at();
        assertThat(Duration.between(lastPour, ready)).isCloseTo(Duration.ofHours(72), Duration.ofMinutes(1));
    }

    @Test
    void aFinishedCupIsReadyWhenItsOwnCoatsAre() {
        String code = cup(4);
        for (int step = 5; step <= 9; step++) {
            shop.clock().forward(Duration.ofHours(24));
            log.add(code, shop.entry(code, step, now(), 15), true);
        }
        CupNow cup = shop.cup(code);
        Instant full = cup.state().fullCureAt().orElseThrow();
        assertThat(cup.state().isFinished()).isTrue();
        assertThat(shop.bean(Floors.class).standing(shop.floor()).readyAt(cup)).contains(full);
        assertThat(tablet.page("/cups/" + code)).contains(show().at(full));
        assertThat(tablet.page("/board")).contains(show().at(full));
    }

    /** Learned: half as fast as its label. The cup, a what-if in the same room, and a new cup's plan all go by it. */
    @Test
    void byWhichLabelACoatCures() {
        String code = cup(4);
        log.add(code, shop.entry(code, 5, now(), 20), true);
        shop.bean(RoomBook.class).add(new RoomReading(now(), 22), "Mira");
        Label printed = shop.shelf().resin(resin).orElseThrow().copy().printed();
        shop.bean(ShelfBook.class)
                .learned(resin, Optional.of(new Resin.Found(0.5, printed.activationKjPerMol(), 12)), "Mira");

        Label learned = shop.shelf().resin(resin).orElseThrow().label();
        assertThat(learned.times().sandableFromH())
                .isEqualTo(2 * printed.times().sandableFromH());
        assertThat(PotLife.statedMin(learned))
                .as("what the pot does was not learned")
                .isEqualTo(PotLife.statedMin(printed));
        CupNow cup = shop.cup(code);
        Instant sandable = cup.state().newestCoat().orElseThrow().times().at(CoatMoment.SANDABLE);
        assertThat(Duration.between(now(), sandable))
                .isCloseTo(Duration.ofMinutes(Math.round(60 * learned.times().sandableFromH())), Duration.ofMinutes(1));
        String whatIf =
                tablet.page("/cups/" + code + "/what-if?temperature=22&shelf=0").replace("Sooner or later", "");
        assertThat(whatIf).contains("the same", show().at(sandable)).doesNotContain("later", "sooner");
        assertThat(cup.cup().labelFor(cup.cup().step(6))).isEqualTo(learned);
        String next = code(tablet.send("/cups/new", newCup()));
        assertThat(shop.cup(next).cup().labelFor(shop.cup(next).cup().step(5))).isEqualTo(learned);
    }

    private Map<String, String> newCup() {
        return typed(
                "name",
                "Meteor",
                "madeFor",
                "",
                "technique",
                "one-colour-glitter",
                "blank",
                "" + shop.shelf().blanks().get(0).id(),
                "base",
                "" + resin,
                "last",
                "" + resin,
                "due",
                "",
                "paint",
                "#112233",
                "glitter",
                "#445566",
                "started",
                "now",
                "count",
                "1");
    }

    private static String code(org.springframework.test.web.servlet.assertj.MvcTestResult started) {
        assertThat(started).as(text(started).replaceAll("(?s).*problems", "")).hasStatus(302);
        return shop.floor().cups().get(shop.floor().cups().size() - 1).code();
    }

    @Test
    void howLongAMixIsStirred() {
        String code = cup(4);
        shop.clock().set(Instant.parse("2026-03-02T18:05:00Z"));
        assertThat(tablet.page("/mix"))
                .as("the sheet's clock")
                .contains("%.0f min to mix".formatted(Pace.USUAL_MIXING_MIN));
        String mix = String.valueOf(tablet.send("/mix", typed("resin", "" + resin, "pick-" + code, "on"))
                .getResponse()
                .getRedirectedUrl());
        assertThat(tablet.send(mix + "/mixed", typed("partA", "12.5", "partB", "12.5")))
                .hasStatus(302);
        Matcher timers = Pattern.compile("data-seconds=\"(\\d+)\"")
                .matcher(tablet.page(mix).replaceAll("(?s)^.*?-stir\"", "").replaceAll("(?s)</ol>.*", ""));
        assertThat(timers.results()
                        .mapToInt(found -> Integer.parseInt(found.group(1)))
                        .sum())
                .as("the guide's timers")
                .isEqualTo((int) (60 * Pace.USUAL_MIXING_MIN));
    }

    /** P45: what is wiped or sprayed on one cup and a torch on another meet. */
    @Test
    void solventOnOneCupIsSaidWhereAnotherIsTorched() {
        String coated = cup(4);
        String painted = cup(1);
        log.add(painted, shop.entry(painted, 2, now().minus(Duration.ofMinutes(2)), 1), true);
        assertThat(tablet.page("/cups/" + coated))
                .contains("No flame yet.")
                .contains("Paint the base colour on " + painted + " left solvent in the air until");
        assertThat(tablet.page("/cups/" + painted)).doesNotContain("No flame yet.");
        shop.clock().forward(Duration.ofMinutes(9));
        assertThat(tablet.page("/cups/" + coated)).doesNotContain("No flame yet.");
    }
}
