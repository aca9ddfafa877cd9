package nursery.app.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import nursery.app.picture.PlanBar;
import nursery.app.picture.PlanBar.Coat;
import nursery.app.picture.PlanBar.Stretch;
import nursery.app.picture.TimeBar;
import nursery.app.platform.Show;
import nursery.core.cure.CoatTimes;
import nursery.core.floor.CupNow;
import nursery.core.log.CoatOnCup;
import nursery.core.log.Cup;
import nursery.core.log.CupState.SpindleHold;
import nursery.core.log.Spindle;
import nursery.core.measure.Span;
import nursery.core.plan.PlannedStep;
import nursery.core.plan.Session;
import nursery.core.plan.WeekPlan;

/**
 * The week drawn: a row for each cup or each spindle, sessions as bands across them all.
 *
 * @param ticks the hours along the top
 */
record WeekPage(List<Row> rows, List<TimeBar.Tick> ticks) {

    private static final String WORK = "work";

    /**
     * A row.
     *
     * @param link where it leads, empty if nowhere
     * @param says what stands beside it: when it is ready, how late
     */
    record Row(String title, String under, String link, PlanBar bar, String says, boolean isLate) {}

    static WeekPage cups(WeekPlan plan, List<CupNow> cups, TimeBar.Frame frame, Show show) {
        List<Stretch> sessions = sessions(plan, show);
        List<Row> rows = plan.workshop().cups().stream()
                .sorted(Comparator.comparing((Cup cup) -> cup.promise().dueAt().orElse(Instant.MAX))
                        .thenComparing(Cup::code))
                .map(cup -> row(
                        plan,
                        cup,
                        cups.stream()
                                .filter(one -> one.code().equals(cup.code()))
                                .findFirst()
                                .orElseThrow(),
                        sessions,
                        frame,
                        show))
                .toList();
        return new WeekPage(
                rows, TimeBar.of(frame, Optional.empty(), Optional.empty()).ticks());
    }

    static WeekPage spindles(WeekPlan plan, List<CupNow> cups, TimeBar.Frame frame, Show show) {
        List<Stretch> sessions = sessions(plan, show);
        Map<Long, List<Stretch>> turning = new TreeMap<>();
        for (CupNow cup : cups) {
            cup.state().hold().ifPresent(hold -> turning.computeIfAbsent(
                            hold.spindle().id(), id -> new ArrayList<>())
                    .add(turning(cup.code(), hold, show)));
        }
        plan.steps().forEach(step -> step.turns().ifPresent(turns -> turning.computeIfAbsent(
                        turns.spindle().id(), id -> new ArrayList<>())
                .add(new Stretch(
                        new Span(step.at(), turns.untilExclusive()),
                        "turning",
                        step.cup(),
                        "%s: %s turns until %s"
                                .formatted(
                                        step.cup(), step.step().titleAndPlace(), show.at(turns.untilExclusive()))))));
        List<Row> rows = plan.workshop().spindles().stream()
                .map(spindle -> row(spindle, turning.getOrDefault(spindle.id(), List.of()), sessions, frame))
                .toList();
        return new WeekPage(
                rows, TimeBar.of(frame, Optional.empty(), Optional.empty()).ticks());
    }

    private static Stretch turning(String code, SpindleHold hold, Show show) {
        return new Stretch(
                new Span(hold.since(), hold.mayComeOffAt()),
                "turning",
                code,
                "%s turns until %s".formatted(code, show.at(hold.mayComeOffAt())));
    }

    private static Row row(Spindle spindle, List<Stretch> turning, List<Stretch> sessions, TimeBar.Frame frame) {
        long minutes = turning.stream()
                .flatMap(stretch -> stretch.span().within(frame.span()).stream())
                .mapToLong(span -> span.length().toMinutes())
                .sum();
        long percent = Math.round(100.0 * minutes / frame.span().length().toMinutes());
        return new Row(spindle.name(), "", "", PlanBar.turning(frame, turning, sessions), percent + " % taken", false);
    }

    private static Row row(
            WeekPlan plan, Cup cup, CupNow onBench, List<Stretch> sessions, TimeBar.Frame frame, Show show) {
        List<PlannedStep> steps = plan.of(cup.code());
        List<Stretch> work = steps.stream()
                .filter(PlannedStep::isHandsOn)
                .map(step -> new Stretch(
                        new Span(step.begins(), step.ends()),
                        step.missed() ? "missed" : step.scuffFirst() ? "scuff" : WORK,
                        "",
                        "%s %s".formatted(show.at(step.begins()), step.title())))
                .toList();
        PlanBar bar = PlanBar.of(
                frame,
                coats(plan, cup, onBench, steps, frame),
                work,
                sessions,
                cup.promise().dueAt());
        Optional<String> late = late(plan, cup);
        String says = late.orElseGet(
                () -> "ready " + show.at(Objects.requireNonNull(plan.readyAt().get(cup.code()))));
        return new Row(
                cup.code(), onBench.cup().about().name(), "/plan/cup/" + cup.code(), bar, says, late.isPresent());
    }

    /** What is said of a cup that comes too late or finds no place; empty of one in time. */
    static Optional<String> late(WeekPlan plan, Cup cup) {
        boolean isPlaced = plan.notPlaced().stream().noneMatch(not -> not.cup().equals(cup.code()));
        return isPlaced ? plan.lateness(cup).map(by -> "late by " + span(by)) : Optional.of("no place");
    }

    /** Every coat until the next one, or until it is sanded. */
    private static List<Coat> coats(
            WeekPlan plan, Cup cup, CupNow onBench, List<PlannedStep> steps, TimeBar.Frame frame) {
        List<Coat> coats = new ArrayList<>();
        onBench.state()
                .newestCoat()
                .map(CoatOnCup::times)
                .ifPresent(times -> coats.add(new Coat(times, ends(steps, Instant.MIN, frame))));
        steps.stream()
                .filter(step -> step.step().kind().isPour())
                .forEach(step -> coats.add(new Coat(
                        new CoatTimes(cup.labelFor(step.step()), plan.workshop().room(), step.at()),
                        ends(steps, step.at(), frame))));
        return coats;
    }

    private static Instant ends(List<PlannedStep> steps, Instant after, TimeBar.Frame frame) {
        return steps.stream()
                .filter(step -> step.at().isAfter(after)
                        && (step.step().kind().isPour() || step.step().kind().scuffsTheBody()))
                .map(PlannedStep::begins)
                .findFirst()
                .orElse(frame.span().untilExclusive());
    }

    private static List<Stretch> sessions(WeekPlan plan, Show show) {
        return plan.sessions().stream().map(session -> session(session, show)).toList();
    }

    private static Stretch session(Session session, Show show) {
        return new Stretch(
                new Span(session.begins(), session.ends()),
                "session",
                "",
                "At the bench %s to %s".formatted(show.at(session.begins()), show.at(session.ends())));
    }

    /** A length of time for a row's end. */
    static String span(Duration by) {
        return by.toHours() < 48
                ? "%d h".formatted(Math.max(1, by.toHours()))
                : "%d d".formatted((by.toHours() + 12) / 24);
    }
}
