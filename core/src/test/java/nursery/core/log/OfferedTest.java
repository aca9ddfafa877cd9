package nursery.core.log;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.cure.RoomCourse;
import nursery.core.film.CoatRole;
import nursery.core.log.CupState.Concern;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Bound;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.Fields.Grain;
import nursery.core.technique.Grit;
import nursery.core.technique.OneColourGlitter;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import nursery.core.technique.Where;

/**
 * What is offered is never asked about, and what is asked about was never offered, whatever a maker does with a plan.
 */
class OfferedTest {

    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");
    private static final RoomCourse ROOM = RoomCourse.steady(22);
    private static final Blank SLIM = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    private static final List<StepKind> NOTHING = List.of(
            StepKind.PHOTOGRAPH, StepKind.TINT, StepKind.HANG, StepKind.REST, StepKind.FLASH_OFF, StepKind.SETTLE);

    private final List<LogEntry> log = new ArrayList<>();
    private Cup cup;
    private Instant now = START;

    private static PlanStep random(Random random, int number) {
        StepKind kind = StepKind.values()[random.nextInt(StepKind.values().length)];
        Wait[] waits = {
            Wait.none(),
            Wait.dry(Duration.ofMinutes(random.nextInt(90))),
            Wait.age(20 * random.nextDouble(), 5 * random.nextDouble()),
            Wait.straightOn(),
            Wait.of(Wait.Kind.SANDABLE)
        };
        Optional<CoatRole> role = kind == StepKind.ADHESIVE
                ? Optional.of(random.nextBoolean() ? CoatRole.ADHESIVE_THIN : CoatRole.ADHESIVE_GENEROUS)
                : kind.isPour()
                        ? Optional.of(random.nextInt(4) == 0 ? CoatRole.BLOOM : CoatRole.BUILD)
                        : Optional.empty();
        return new PlanStep(
                number,
                kind,
                "",
                waits[random.nextInt(waits.length)],
                "",
                role,
                anyhow(random, kind),
                Optional.empty());
    }

    /** Anything that can be said of a kind of step. */
    static Fields anyhow(Random random, StepKind kind) {
        Fields fields = Fields.usual(kind);
        for (Field field : Field.of(kind)) {
            List<Field.Choice> choices = field.choices(kind, true);
            Field.Choice choice = choices.isEmpty() ? Grain.FINE : choices.get(random.nextInt(choices.size()));
            fields = choice == Where.Part.BAND
                    ? fields.with(Where.band(random.nextInt(90), 100 + random.nextInt(200)))
                    : fields.with(choice);
        }
        return fields.with(Grit.of(new int[] {80, 120, 220}[random.nextInt(3)]));
    }

    private void begin(Random random) {
        log.clear();
        now = START;
        cup = cup(random);
    }

    private static Cup cup(Random random) {
        Resin resin =
                Resin.of(1, "resin", (random.nextBoolean() ? StartingProfile.REGULAR : StartingProfile.FAST).label());
        List<PlanStep> plan = new ArrayList<>();
        if (random.nextBoolean()) {
            plan.addAll(OneColourGlitter.plan(Schools.of(), resin.label()));
        } else {
            for (int i = 0; i < 12; i++) {
                plan.add(random(random, i + 1));
            }
        }
        return Cup.started("A-01", SLIM, new Cup.Resins(resin, resin), plan, START);
    }

    private Mark mark(Instant at, String note) {
        return new Mark(log.size() + 1, at, at, "Mira", note);
    }

    private LogEntry entry(PlanStep step, Instant at) {
        return step.kind().isPour()
                ? new LogEntry.Poured(mark(at, ""), step.number(), 12, Optional.empty())
                : new LogEntry.StepDone(mark(at, ""), step.number());
    }

    /** Done in another way than planned. */
    private LogEntry otherwise(PlanStep step, Instant at, Random random) {
        Optional<Fields> how = Optional.of(anyhow(random, step.kind()));
        return step.kind().isPour()
                ? new LogEntry.Poured(mark(at, ""), step.number(), 12, Optional.empty(), Optional.empty(), how)
                : new LogEntry.StepDone(mark(at, ""), step.number(), how);
    }

    private void log(LogEntry entry) {
        log.add(entry);
        cup = cup.withLog(log);
        now = entry.mark().happenedAt();
    }

    private List<Concern> asked(LogEntry entry, Instant at) {
        return LegalMoves.concernsAbout(cup.at(ROOM, at), cup, entry).stream()
                .filter(concern -> !concern.isAdvice())
                .toList();
    }

    private static boolean isOffered(NextAction action, Instant at) {
        return action.kind() == NextAction.Kind.STEP && action.window().isOpenAt(at);
    }

    /** Left out, put in, put in by advice, late or at once. */
    @net.jqwik.api.Tag("simulation")
    @Property(tries = 2000)
    void whatIsOfferedIsNotAskedAbout(@ForAll Random random) {
        begin(random);
        for (int move = 0; move < 25; move++) {
            Instant at = now.plus(Duration.ofMinutes(random.nextInt(3) == 0 ? 0 : random.nextInt(60 * 24)));
            Optional<NextAction> next = cup.at(ROOM, at).next();
            if (next.isEmpty()) {
                return;
            }
            NextAction action = next.get();
            PlanStep step = action.step();
            if (isOffered(action, at)) {
                assertThat(asked(entry(step, at), at))
                        .as("%s at %s, window %s, after %s", step, at, action.window(), log)
                        .isEmpty();
            }
            switch (random.nextInt(8)) {
                case 0 -> log(new LogEntry.Skipped(mark(at, "not today"), step.number()));
                case 1 ->
                    cup = cup.plan().size() < 30
                            ? cup.withStepBefore(Optional.of(step), random(random, cup.freeNumber()))
                            : cup;
                case 2 -> log(new LogEntry.RemedyChosen(mark(at, ""), LogEntry.RemedyChosen.STRIP_BACK, ""));
                case 3 -> {
                    if (action.kind() == NextAction.Kind.SCUFF_FIRST) {
                        log(LogEntry.scuffed(mark(
                                at.isBefore(action.window().opensAt())
                                        ? action.window().opensAt()
                                        : at,
                                "")));
                    }
                }
                case 4 -> {
                    Optional<StepKind> first = action.firstStep();
                    if (first.isPresent() && cup.plan().size() < 30) {
                        cup = cup.withStepBefore(
                                Optional.of(step),
                                TechniqueStep.usual(first.get())
                                        .in(cup.freeNumber())
                                        .waitingFor(Wait.none()));
                    }
                }
                case 5 -> log(otherwise(step, at, random));
                default -> log(entry(step, at));
            }
        }
    }

    /** A scuff that is offered is not asked about either. */
    @Property(tries = 500)
    void aScuffThatIsOfferedIsNotAskedAbout(@ForAll Random random) {
        begin(random);
        for (int move = 0; move < 20; move++) {
            Instant at = now.plus(Duration.ofHours(random.nextInt(40)));
            Optional<NextAction> next = cup.at(ROOM, at).next();
            if (next.isEmpty()) {
                return;
            }
            if (next.get().kind() == NextAction.Kind.SCUFF_FIRST
                    && next.get().window().isOpenAt(at)) {
                assertThat(asked(LogEntry.scuffed(mark(at, "")), at)).isEmpty();
            }
            log(entry(next.get().step(), at));
        }
    }

    /** P23, P25, P58: what lays nothing and touches nothing changes no window. */
    @net.jqwik.api.Tag("simulation")
    @Property(tries = 2000)
    void whatTouchesNothingChangesNoWindow(@ForAll Random random) {
        begin(random);
        for (int move = 0; move < 12; move++) {
            Optional<NextAction> next = cup.at(ROOM, now).next();
            if (next.isEmpty()) {
                return;
            }
            PlanStep step = next.get().step();
            PlanStep nothing = new PlanStep(
                    cup.freeNumber(), NOTHING.get(random.nextInt(NOTHING.size())), Wait.none(), "", Optional.empty());
            Cup with = cup.withStepBefore(Optional.of(step), nothing);
            List<LogEntry> more = new ArrayList<>(log);
            more.add(new LogEntry.StepDone(mark(now, ""), nothing.number()));
            assertThat(bounds(with.withLog(more), step))
                    .as("%s after %s in %s", step, nothing.kind(), log)
                    .isEqualTo(bounds(cup, step));
            log(entry(step, now.plus(Duration.ofMinutes(random.nextInt(600)))));
        }
    }

    private static Set<Bound> bounds(Cup cup, PlanStep step) {
        return OnTheCup.of(cup, ROOM).bounds(step, cup).stream().collect(Collectors.toSet());
    }
}
