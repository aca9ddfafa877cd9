package nursery.app.cups;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.floor.StepRow;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.core.film.CoatRole;
import nursery.core.floor.CupNow;
import nursery.core.log.Cup;
import nursery.core.log.CupState;
import nursery.core.log.LogEntry.Poured;
import nursery.core.log.NextAction;
import nursery.core.log.Refusal;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Changes what is still ahead of a cup; what is done stays as it is. */
@Published
@Service
public class PlanChanges {

    private final CupMapper mapper;
    private final LogBook log;
    private final Moments moments;

    PlanChanges(CupMapper mapper, LogBook log, Moments moments) {
        this.mapper = mapper;
        this.log = log;
        this.moments = moments;
    }

    /** The numbers of steps as a form carries them, so that it is seen what its maker saw. */
    public static String written(List<PlanStep> steps) {
        return steps.stream().map(step -> String.valueOf(step.number())).collect(Collectors.joining(","));
    }

    public static List<Integer> numbers(String written) {
        return Arrays.stream(written.split(","))
                .filter(number -> number.matches("\\d{1,6}"))
                .map(Integer::valueOf)
                .toList();
    }

    /** Puts one more coat into a cup's plan, to be poured next: it felt rough, or a fault was seen. */
    @Transactional
    public void addCoat(String code) {
        addStep(code, cup -> {
            // P69: what follows a last coat is another last coat, of that resin and that amount.
            boolean last = cup.happened().stream()
                    .filter(Poured.class::isInstance)
                    .reduce((a, b) -> b)
                    .map(pour -> cup.step((Poured) pour).kind())
                    .filter(StepKind.FINISHING_COAT::equals)
                    .isPresent();
            StepKind kind = last ? StepKind.FINISHING_COAT : StepKind.BUILD_COAT;
            return new PlanStep(
                    cup.freeNumber(),
                    kind,
                    "Extra coat",
                    Wait.straightOn(),
                    "Spread, heat pass, turn.",
                    Optional.of(last ? CoatRole.FINISHING : CoatRole.BUILD),
                    Fields.usual(kind),
                    Optional.empty());
        });
    }

    /** Puts the step into a cup's plan that it lacks before its next one. */
    @Transactional
    public void addWhatIsLacking(String code) {
        CupState now = state(code);
        StepKind lacking = now.next()
                .flatMap(NextAction::firstStep)
                .orElseThrow(() -> NotLogged.refused(Refusal.simple(
                        "step", "Nothing is lacking before the next step any more: look at the cup again.")));
        addStep(code, cup -> TechniqueStep.usual(lacking).in(cup.freeNumber()).waitingFor(Wait.none()));
    }

    private CupState state(String code) {
        mapper.lock(code).orElseThrow(Gone::new);
        LogBook.Read read = log.read(code);
        return read.cup().at(read.room(), moments.now());
    }

    /** Puts a step that was done into a cup's plan once more, to be done next. */
    @Transactional
    public void repeat(String code, int number) {
        addStep(code, cup -> cup.find(number)
                .map(step -> step.numbered(cup.freeNumber()))
                .orElseThrow(() -> NotLogged.refused(
                        Refusal.simple("step", "This cup's plan has no step %d.".formatted(number)))));
    }

    /**
     * Puts other steps in the place of those still ahead.
     *
     * @param expected the numbers of the steps ahead as the maker saw them
     * @param ahead what is to be done instead; a step that stays keeps its number
     */
    @Transactional
    public void replan(String code, List<Integer> expected, List<PlanStep> ahead) {
        putAhead(code, expected, ahead);
    }

    /**
     * Lets a cup go on by another technique, or by another school of its own.
     *
     * @throws NotLogged if another technique is wanted for a cup that is coated already
     */
    @Transactional
    public void anew(String code, List<Integer> expected, List<PlanStep> ahead, String technique, Schools schools) {
        mapper.lock(code).orElseThrow(Gone::new);
        LogBook.Read read = log.read(code);
        String own = read.cup().about().technique();
        if (!own.equals(technique)
                && !read.cup().at(read.room(), moments.now()).coats().isEmpty()) {
            throw NotLogged.refused(Refusal.simple(
                    "technique",
                    "A coat is on this cup: it stays %s. Its steps ahead can still be changed.".formatted(own)));
        }
        mapper.setTechnique(code, technique, schools.written());
        putAhead(code, expected, ahead);
    }

    private void putAhead(String code, List<Integer> expected, List<PlanStep> ahead) {
        long cupId = mapper.lock(code).orElseThrow(Gone::new);
        LogBook.Read read = log.read(code);
        Cup cup = read.cup();
        CupState state = cup.at(read.room(), moments.now());
        CupNow here = new CupNow(cup, state);
        List<PlanStep> now = here.stepsAhead();
        if (!now.stream().map(PlanStep::number).toList().equals(expected)) {
            throw NotLogged.refused(Refusal.simple(
                    "steps",
                    "A step of this cup was logged or changed while you had this open. Your steps are still here: "
                            + "look at the cup again, then send them from there."));
        }
        refuseUnlessChangeable(state, here.planWith(ahead).size());
        Set<Integer> kept = ahead.stream().map(PlanStep::number).collect(Collectors.toSet());
        boolean taken = ahead.stream()
                .anyMatch(step -> !expected.contains(step.number())
                        && cup.find(step.number()).isPresent());
        if (taken || kept.size() < ahead.size()) {
            throw NotLogged.refused(Refusal.simple("steps", "A step stands there twice: open this page afresh."));
        }
        // Read before anything is removed: the last step may be among it.
        int from = lastPosition(cupId, cup) + 1;
        for (PlanStep step : now) {
            if (!kept.contains(step.number()) && mapper.removeStep(cupId, step.number()) == 0) {
                throw NotLogged.refused(Refusal.simple(
                        "steps",
                        step.title() + " stays: somebody is mixing for it, or it was logged once and taken back. "
                                + "Leave it out on the cup's page instead."));
            }
        }
        Set<Integer> there = now.stream().map(PlanStep::number).collect(Collectors.toSet());
        List<StepRow> added = new ArrayList<>();
        for (int i = 0; i < ahead.size(); i++) {
            StepRow row = StepRow.of(cupId, from + i, ahead.get(i));
            if (there.contains(ahead.get(i).number())) {
                mapper.updateStep(row);
            } else {
                added.add(row);
            }
        }
        mapper.insertSteps(cupId, added);
        log.settle(cupId, cup.with(here.planWith(ahead)).at(read.room(), moments.now()));
    }

    private static void refuseUnlessChangeable(CupState state, int steps) {
        if (state.gone().isPresent()) {
            throw NotLogged.refused(Refusal.simple("step", "The cup has left the bench: open it again first."));
        }
        if (steps == 0) {
            throw NotLogged.refused(
                    Refusal.simple("steps", "A plan needs at least one step: give the cup up instead."));
        }
        if (steps > Technique.MOST_STEPS) {
            throw NotLogged.refused(Refusal.simple(
                    "step", "A plan has at most %d steps: no more can be followed.".formatted(Technique.MOST_STEPS)));
        }
    }

    private void addStep(String code, Function<Cup, PlanStep> made) {
        long cupId = mapper.lock(code).orElseThrow(Gone::new);
        LogBook.Read read = log.read(code);
        Cup cup = read.cup();
        CupState state = cup.at(read.room(), moments.now());
        refuseUnlessChangeable(state, cup.plan().size() + 1);
        PlanStep step = made.apply(cup);
        int position = state.next()
                .map(next -> mapper.positionOf(cupId, next.step().number()))
                .orElseGet(() -> lastPosition(cupId, cup) + 1);
        mapper.shiftSteps(cupId, position);
        mapper.insertSteps(cupId, List.of(StepRow.of(cupId, position, step)));
        log.settle(
                cupId,
                cup.withStepBefore(state.next().map(next -> next.step()), step).at(read.room(), moments.now()));
    }

    private int lastPosition(long cupId, Cup cup) {
        return mapper.positionOf(cupId, cup.plan().get(cup.plan().size() - 1).number());
    }
}
