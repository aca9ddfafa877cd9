package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.stream.IntStream;
import nursery.core.cure.Forecast;
import nursery.core.cure.PossibleRooms;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.log.Cup;
import nursery.core.log.QuietHours;
import nursery.core.log.Spindle;
import nursery.core.resin.Label;
import nursery.core.resin.StartingProfile;
import org.hipparchus.special.Erf;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;

/** What a plan is said to hold with, against closed forms where there are some, and against shops that came about. */
class DoubtTest {

    private static final QuietHours NEVER_QUIET =
            new QuietHours(LocalTime.MIDNIGHT, LocalTime.MIDNIGHT, ZoneOffset.UTC);
    private static final Instant NOW = RandomWorkshop.NOW;
    private static final Label LABEL = StartingProfile.REGULAR.label();
    private static final RoomCourse AT_LABEL_SPEED = RoomCourse.steady(22);
    /** Of 500 worlds a share is told to 2.2 points, its error; to twice that nearly always. */
    private static final double ERROR = 0.045;

    private static Doubt.Ranges ranges(double speed, double hands, double lateMin) {
        return new Doubt.Ranges(none(), label -> speed, hands, lateMin);
    }

    /** One room, the one expected. */
    private static PossibleRooms none() {
        return PossibleRooms.asExpected(AT_LABEL_SPEED, NOW);
    }

    private static Workshop shop(List<Cup> cups, String hours) {
        List<Spindle> spindles = IntStream.rangeClosed(1, 4)
                .mapToObj(i -> new Spindle(i, "Spindle " + i))
                .toList();
        return new Workshop(NOW, AT_LABEL_SPEED, BenchHours.daily(DayHours.parse(hours), NEVER_QUIET), spindles, cups);
    }

    /** So many of its four steps are done; the last coat is the third of them. */
    private static Cup cup(String code, int done, Optional<Instant> due) {
        return RandomWorkshop.plainCup(code, done, LABEL, due);
    }

    /** Nothing may be otherwise: every cup is in time or late as the plan has it, and no window is in danger. */
    @Test
    void withoutRangesThePlanIsWhatComes() {
        Workshop shop = RandomWorkshop.of(11, 12, 4);
        WeekPlan plan = Planner.plan(shop, Budget.of(60));
        Doubt doubt = Doubt.of(plan, new Doubt.Ranges(PossibleRooms.asExpected(shop.room(), NOW), label -> 0, 0, 0));
        for (Cup cup : shop.cups()) {
            Instant ready = plan.readyAt().get(cup.code());
            // A room that may come is known by the hour, the plan's own by five minutes.
            for (double chance : new double[] {0.02, 0.98}) {
                assertThat(doubt.readyWith(cup.code(), chance).orElseThrow())
                        .as(cup.code())
                        .isCloseTo(ready, within(Duration.ofMinutes(5)));
            }
            cup.promise().dueAt().ifPresent(due -> assertThat(doubt.inTime(cup))
                    .hasValue(ready.isAfter(due) ? 0.0 : 1.0));
        }
        assertThat(doubt.risks())
                .allMatch(risk -> risk.missed() == 1 && risk.step().missed());
    }

    /**
     * One coat, poured at once, cures in a room at label speed: it is in time if its resin is so fast, and ln speed is
     * normal. Full cure at 72 h: within 84 h with Φ(ln(84/72) / 0.2); never sooner than the label says, however fast.
     */
    @Test
    void aResinsSpeedIsDoubtedAsItsLogarithmIsNormal() {
        Workshop alone = shop(List.of(cup("P-001", 0, Optional.empty())), "00:00-24:00");
        WeekPlan plan = Planner.plan(alone, Budget.of(20));
        PlannedStep last = plan.steps().stream()
                .filter(step -> step.step().kind().isPour())
                .reduce((a, b) -> b)
                .orElseThrow();
        double spread = 0.2;
        // Only the last coat: what comes before has been done, so nothing else can move it.
        Cup poured = cup("P-001", last.step().number() - 1, Optional.empty());
        WeekPlan rest = Planner.plan(shop(List.of(poured), "00:00-24:00"), Budget.of(20));
        Instant at = rest.of("P-001").stream()
                .filter(step -> step.step().kind().isPour())
                .findFirst()
                .orElseThrow()
                .at();
        Doubt doubt = Doubt.of(rest, ranges(spread, 0, 0));
        double full = LABEL.times().fullCureH();
        for (double chance : new double[] {0.2, 0.5, 0.8, 0.9}) {
            double z = Math.sqrt(2) * Erf.erfInv(2 * chance - 1);
            double hours = Math.max(full, full * Math.exp(spread * z));
            Instant said = doubt.readyWith("P-001", chance).orElseThrow();
            double found = Duration.between(at, said).toMinutes() / 60.0;
            assertThat(Math.log(found / hours)).as("with %s", chance).isCloseTo(0, within(0.03));
        }
        Instant due = at.plus(Duration.ofMinutes((long) (84 * 60)));
        Cup promised = cup("P-001", last.step().number() - 1, Optional.of(due));
        WeekPlan again = Planner.kept(rest.placements(), shop(List.of(promised), "00:00-24:00"));
        double expected = 0.5 * (1 + Erf.erf(Math.log(84 / full) / spread / Math.sqrt(2)));
        assertThat(Doubt.of(again, ranges(spread, 0, 0)).inTime(promised).orElseThrow())
                .isCloseTo(expected, within(ERROR));
    }

    /**
     * Up to 30 minutes late four times in five: exponential with a mean of 30 / ln 5. A window that closes 45 minutes
     * after the session begins is missed with exp(-45 ln 5 / 30).
     */
    @Test
    void comingLateMissesAWindowAsOftenAsItIsComeSoLate() {
        // Grips until 12 h after the pour; from 24 h on it must be scuffed. Poured 23 h 15 min before the evening.
        Instant evening = NOW.plus(Duration.ofHours(11));
        WeekPlan plan = Planner.plan(shop(List.of(cup("P-001", 1, Optional.empty())), "18:00-22:00"), Budget.of(50));
        PlannedStep next = plan.of("P-001").stream()
                .filter(PlannedStep::isHandsOn)
                .findFirst()
                .orElseThrow();
        assertThat(next.begins()).isEqualTo(evening);
        Doubt doubt = Doubt.of(plan, ranges(0, 0, 30));
        Optional<Duration> left =
                next.action().window().closesAtExclusive().map(closes -> Duration.between(evening, closes));
        double missed =
                left.map(time -> Math.exp(-time.toMinutes() * Math.log(5) / 30)).orElse(0.0);
        double said = doubt.risks().stream()
                .filter(risk -> risk.step().equals(next))
                .mapToDouble(Doubt.Risk::missed)
                .findFirst()
                .orElse(0);
        assertThat(said).isCloseTo(missed < 0.05 ? 0 : missed, within(ERROR));
    }

    /** The longer the maker's hands may take and the later he comes, the later a cup is ready, never sooner. */
    @Test
    void slowHandsAndLateComersMakeNothingSooner() {
        Workshop shop = shop(
                IntStream.rangeClosed(1, 6)
                        .mapToObj(i -> cup("P-00" + i, 0, Optional.empty()))
                        .toList(),
                "18:00-22:00");
        WeekPlan plan = Planner.plan(shop, Budget.of(60));
        Doubt late = Doubt.of(plan, ranges(0, 0, 60));
        Doubt forEver = Doubt.of(plan, ranges(0, 0, 31 * 24 * 60));
        for (Cup cup : shop.cups()) {
            Instant ready = plan.readyAt().get(cup.code());
            assertThat(late.readyWith(cup.code(), 0.05).orElseThrow()).isAfterOrEqualTo(ready);
            assertThat(late.readyWith(cup.code(), 0.9).orElseThrow()).isAfterOrEqualTo(ready);
            assertThat(forEver.readyWith(cup.code(), 0.9))
                    .as("who may come a month late promises nothing")
                    .isEmpty();
        }
    }

    @Test
    void aCupWithoutAPlaceIsInNoDoubt() {
        Workshop nobody = shop(List.of(cup("P-001", 0, Optional.of(NOW.plus(Duration.ofDays(9))))), "");
        Doubt doubt = Doubt.of(Planner.plan(nobody, Budget.of(5)), ranges(0.2, 0.2, 20));
        assertThat(doubt.inTime(nobody.cups().get(0))).isEmpty();
        assertThat(doubt.readyWith("P-001", 0.9)).isEmpty();
        assertThat(doubt.readyWith("none", 0.9)).isEmpty();
        assertThat(doubt.risks()).isEmpty();
        Workshop empty = shop(List.of(), "18:00-22:00");
        assertThat(Doubt.of(Planner.plan(empty, Budget.of(5)), ranges(0.2, 0.2, 20))
                        .risks())
                .isEmpty();
    }

    /** Another time is only named if less goes wrong then, and there are hands. */
    @Test
    void aBetterTimeIsBetter() {
        List<RoomReading> readings = new ArrayList<>();
        Random random = new Random(4);
        double off = 0;
        for (int i = 0; i < 21 * 48; i++) {
            off = 0.97 * off + 0.25 * random.nextGaussian();
            readings.add(new RoomReading(NOW.minus(Duration.ofMinutes(30L * (21 * 48 - i))), 20 + off));
        }
        RoomCourse history = new RoomCourse(readings);
        Forecast forecast = new Forecast.LikeLastDays(4);
        RoomCourse course = forecast.continuing(history, NOW, ZoneOffset.UTC);
        Workshop shop = RandomWorkshop.of(21, 15, 5);
        shop = new Workshop(NOW, course, shop.hours(), shop.spindles(), shop.cups(), List.of(), shop.horizon());
        WeekPlan plan = Planner.plan(shop, Budget.of(60));
        Doubt doubt = Doubt.of(
                plan,
                new Doubt.Ranges(
                        PossibleRooms.of(course, forecast.spread(history, ZoneOffset.UTC), NOW, NOW, 500, 1),
                        label -> 0.15,
                        0.2,
                        20));
        assertThat(doubt.risks()).isNotEmpty();
        assertThat(doubt.risks()).anyMatch(risk -> risk.better().isPresent());
        BenchHours hours = shop.hours();
        assertThat(doubt.risks()).allSatisfy(risk -> {
            assertThat(risk.missed() >= 0.05 || risk.waits() >= 0.25).isTrue();
            risk.better().ifPresent(other -> {
                assertThat(other.missed()).isLessThanOrEqualTo(risk.missed());
                assertThat(other.missed() + other.waits()).isLessThanOrEqualTo((risk.missed() + risk.waits()) / 2);
                assertThat(hours.benchSpans(NOW, other.at().plus(Duration.ofDays(1))))
                        .anyMatch(span ->
                                !other.at().isBefore(span.from()) && other.at().isBefore(span.untilExclusive()));
            });
        });
    }

    /**
     * Of eight shops promised for just after their plan is ready, some get a plan in which more holds; none a worse
     * one.
     */
    @Test
    void slackIsPutWhereItSaves() {
        int found = 0;
        for (int seed = 5; seed < 13; seed++) {
            Random random = new Random(seed);
            Workshop made = RandomWorkshop.of(seed, 12, 4);
            WeekPlan first = Planner.plan(made, Budget.of(60));
            List<Cup> cups = made.cups().stream()
                    .map(cup -> cup.with(new Cup.Promise(
                            Optional.ofNullable(first.readyAt().get(cup.code()))
                                    .map(ready -> ready.plus(Duration.ofHours(random.nextInt(60)))),
                            1)))
                    .toList();
            WeekPlan plan = Planner.plan(made.withCups(cups), Budget.of(150));
            Doubt.Ranges ranges = new Doubt.Ranges(PossibleRooms.asExpected(made.room(), NOW), label -> 0.2, 0.25, 30);
            Optional<Slack> slack = Slack.find(plan, Doubt.of(plan, ranges), ranges, 0.9, () -> Budget.of(200));
            found += slack.isPresent() ? 1 : 0;
            slack.ifPresent(better -> {
                assertThat(better.holding()).isGreaterThan(better.held());
                assertThat(better.plan().workshop()).isEqualTo(plan.workshop());
                assertThat(better.plan().score().missed())
                        .isLessThanOrEqualTo(plan.score().missed());
                assertThat(better.plan().score().lateMinutes())
                        .isLessThanOrEqualTo(plan.score().lateMinutes());
                assertThat(PlanChecker.faultsOf(better.plan())).isEmpty();
            });
        }
        assertThat(found).isPositive();
    }

    /**
     * Shops that come about: a room with a trend, weekends or cold nights, resins off by 15 %, hands by 20 %, and a
     * maker who comes late. Of what is promised with a chance that part is in time. The plan is carried out by the
     * planner, on the room and the resins as they were and the hours the maker was there.
     */
    @Tag("simulation")
    @Test
    void whatIsPromisedIsKeptAsOftenAsIsSaid() {
        int shops = Integer.getInteger("doubt.shops", 24);
        double[] chances = {0.5, 0.6, 0.7, 0.8, 0.9, 0.95};
        double[] held = new double[chances.length];
        Random random = new Random(Long.getLong("doubt.seed", 20261204));
        int cups = 6;
        for (int number = 0; number < shops; number++) {
            int known = 10 + random.nextInt(20);
            Instant first = NOW.minus(Duration.ofDays(known));
            RoomCourse truth = room(random, first, known + 60, number % 4);
            RoomCourse history = new RoomCourse(truth.readings(first, NOW));
            Forecast forecast = new Forecast.LikeLastDays(4);
            RoomCourse course = forecast.continuing(history, NOW, ZoneOffset.UTC);
            WeekPlan plan = Planner.plan(promising(course, LABEL, cups, BENCH), Budget.of(60));
            Doubt doubt = Doubt.of(
                    plan,
                    new Doubt.Ranges(
                            PossibleRooms.of(course, forecast.spread(history, ZoneOffset.UTC), NOW, NOW, 500, number),
                            label -> 0.15,
                            0.2,
                            20));
            double speed = Math.exp(0.15 * random.nextGaussian());
            Workshop there = promising(
                    truth,
                    LABEL.found(speed, LABEL.activationKjPerMol()),
                    cups,
                    lateTo(plan, 20 / Math.log(5), random));
            Map<String, Instant> ready = Planner.kept(plan.placements(), there).readyAt();
            for (Cup cup : plan.workshop().cups()) {
                for (int i = 0; i < chances.length; i++) {
                    Instant said = doubt.readyWith(cup.code(), chances[i]).orElseThrow();
                    held[i] += ready.get(cup.code()).isAfter(said) ? 0 : 1.0 / shops / cups;
                }
            }
        }
        System.out.printf("Of %d shops held: %s.%n", shops, Arrays.toString(held));
        for (int i = 0; i < chances.length; i++) {
            // The cups of a shop share its room and its resin: the shops are what is counted.
            double error = 2 * Math.sqrt(chances[i] * (1 - chances[i]) / shops);
            assertThat(held[i]).as("said %s", chances[i]).isCloseTo(chances[i], within(0.05 + error));
        }
    }

    private static final BenchHours BENCH = BenchHours.daily(DayHours.parse("18:00-22:00"), NEVER_QUIET);

    private static Workshop promising(RoomCourse room, Label label, int cups, BenchHours hours) {
        List<Spindle> spindles = IntStream.rangeClosed(1, 3)
                .mapToObj(i -> new Spindle(i, "Spindle " + i))
                .toList();
        return new Workshop(
                NOW,
                room,
                hours,
                spindles,
                IntStream.rangeClosed(1, cups)
                        .mapToObj(i -> RandomWorkshop.plainCup("P-00" + i, i % 3, label, Optional.empty()))
                        .toList());
    }

    /** The hours at the bench of one who comes late to each session, exponentially. */
    private static BenchHours lateTo(WeekPlan plan, double meanMin, Random random) {
        BenchHours hours = BENCH;
        for (Session session : plan.sessions()) {
            LocalTime begins = session.begins().atZone(ZoneOffset.UTC).toLocalTime();
            long late = Math.min(200, Math.round(-meanMin * Math.log(1 - random.nextDouble())));
            LocalTime comes = begins.plusMinutes(late);
            if (comes.isAfter(begins) && comes.isBefore(LocalTime.of(22, 0))) {
                hours = hours.with(
                        session.begins().atZone(ZoneOffset.UTC).toLocalDate(),
                        DayHours.parse(comes.withSecond(0).withNano(0) + "-22:00"));
            }
        }
        return hours;
    }

    private static RoomCourse room(Random random, Instant first, int days, int kind) {
        List<RoomReading> readings = new ArrayList<>();
        double trend = kind == 1 ? 0.4 * (random.nextDouble() - 0.5) : 0;
        double weekends = kind == 2 ? 2 + 3 * random.nextDouble() : 0;
        double nights = kind == 3 ? 2 + 3 * random.nextDouble() : 0;
        double swing = 1 + 2 * random.nextDouble();
        double hours = 0;
        double cold = 0;
        double off = 0;
        for (int i = 0; i <= days * 24; i++) {
            Instant at = first.plus(Duration.ofHours(i));
            int day = at.atZone(ZoneOffset.UTC).getDayOfWeek().getValue();
            hours = 0.85 * hours + 0.3 * random.nextGaussian();
            off += ((day > 5 ? -weekends : 0) - off) * 0.12;
            cold = i % 24 == 22 ? (random.nextInt(4) == 0 ? nights : 0) : i % 24 == 7 ? 0 : cold;
            readings.add(
                    new RoomReading(at, 20 + swing * Math.sin(i * Math.PI / 12) + trend * i / 24 + hours + off - cold));
        }
        return new RoomCourse(readings);
    }
}
