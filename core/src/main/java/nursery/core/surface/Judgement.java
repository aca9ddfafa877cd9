package nursery.core.surface;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.cup.Blank;
import nursery.core.resin.Label;
import nursery.core.technique.DecalFit;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;

/**
 * A plan on paper: each step is taken as soon as it may be, at the label's own temperature, and asked about as it would
 * be at the bench.
 */
public final class Judgement {

    private static final double MINUTES_PER_HOUR = 60;
    /** What is rounded makes no difference, minutes. */
    private static final double A_MOMENT = 0.01;

    /** Less is nobody's habit. */
    private static final double WORTH_SAYING_MIN = 1;

    private final List<PlanStep> plan;
    private final Label base;
    private final Label last;
    private final Blank blank;
    private final Paper paper;
    private final Map<Integer, Habit.Done> done = new HashMap<>();
    private final List<Finding> findings = new ArrayList<>();
    private final List<Met> met = new ArrayList<>();
    private Surface surface;
    private double minute;

    private Judgement(SoFar soFar, List<PlanStep> plan, Label base, Label last, Blank blank) {
        this.plan = plan;
        this.base = base;
        this.last = last;
        this.blank = blank;
        this.surface = soFar.surface();
        this.paper = new Paper(soFar.time(), soFar.surface().works().size());
        this.minute = soFar.minute();
    }

    /**
     * Something that is wrong with a step.
     *
     * @param place which step, by its place in the plan from 0
     * @param rule its name, which does not change
     * @param source where practice says so
     */
    public record Finding(int place, PlanStep step, String rule, String source, String message, boolean isAdvice) {

        private static Finding of(int place, PlanStep step, Bound bound) {
            Cell cell = bound.cell();
            return new Finding(
                    place,
                    step,
                    cell.rule(),
                    cell.source(),
                    cell.words(),
                    !cell.grave().isAsked());
        }
    }

    /**
     * A cup with its work so far.
     *
     * @param surface what lies on it
     * @param time when that was done, in minutes from its start
     * @param minute now, in minutes from its start
     */
    public record SoFar(Surface surface, Timeline time, double minute) {

        /** A blank before its plan: what is never scuffed came with a coat of powder, as far as paper knows. */
        static SoFar of(Blank blank, List<PlanStep> plan) {
            boolean isScuffed = plan.stream().anyMatch(step -> step.kind() == StepKind.PREP);
            return new SoFar(Surface.of(blank.factoryCoat() || !isScuffed), Moments.NONE, 0);
        }
    }

    /**
     * All that is wrong with a plan whose steps are taken as soon as its own waits allow, and at once where it says
     * none: so a wait that is too short is told.
     *
     * @param base the label of every coat but the finishing ones
     * @param last the label of the finishing coats
     */
    public static List<Finding> of(List<PlanStep> plan, Label base, Label last, Blank blank) {
        Judgement judgement = new Judgement(SoFar.of(blank, plan), plan, base, last, blank);
        for (int i = 0; i < plan.size(); i++) {
            judgement.take(i, judgement.minutesByItsOwnWait(i));
        }
        return List.copyOf(judgement.findings);
    }

    /**
     * All that is wrong with a plan as a bench would offer it, where a step that says no wait has the table's: only a
     * wait that is stated can be too short, and only for what it waits for.
     */
    public static List<Finding> offered(List<PlanStep> plan, Label base, Label last, Blank blank) {
        Judgement judgement = new Judgement(SoFar.of(blank, plan), plan, base, last, blank);
        for (int i = 0; i < plan.size(); i++) {
            judgement.take(i, judgement.minutesByWhatItWaitsFor(i));
        }
        return List.copyOf(judgement.findings);
    }

    /**
     * All that is wrong with the steps ahead of a cup, each taken as soon as a bench would offer it from now on, so
     * that only what no waiting mends is told. Places count from the first.
     */
    public static List<Finding> ahead(SoFar soFar, List<PlanStep> ahead, Label base, Label last, Blank blank) {
        Judgement judgement = new Judgement(soFar, ahead, base, last, blank);
        for (int i = 0; i < ahead.size(); i++) {
            double at = judgement.minutesByWindow(i);
            judgement.scuffWhereItMust(i, at);
            judgement.take(i, at);
        }
        return List.copyOf(judgement.findings);
    }

    /** When each step of a plan can be begun at the earliest, in hours from its start. */
    public static List<Double> earliestHours(List<PlanStep> plan, Label base, Label last, Blank blank) {
        Judgement judgement = new Judgement(SoFar.of(blank, plan), plan, base, last, blank);
        List<Double> hours = new ArrayList<>();
        for (int i = 0; i < plan.size(); i++) {
            double at = judgement.minutesByWindow(i);
            judgement.take(i, at);
            hours.add(at / MINUTES_PER_HOUR);
        }
        return hours;
    }

    /**
     * A step that waits longer than practice asks, as its maker wishes.
     *
     * @param byMinutes how much longer
     */
    public record Longer(PlanStep step, double byMinutes) {}

    /** What a plan waits longer for than practice asks, each step taken as soon as it may be. */
    public static List<Longer> longer(List<PlanStep> plan, Label base, Label last, Blank blank) {
        Judgement judgement = new Judgement(SoFar.of(blank, plan), plan, base, last, blank);
        List<Longer> longer = new ArrayList<>();
        for (int i = 0; i < plan.size(); i++) {
            double asked = Math.max(
                    judgement.minute,
                    Opening.advised(judgement.bounds(i), judgement.paper).from());
            double at = judgement.minutesByWindow(i);
            if (at - asked >= WORTH_SAYING_MIN) {
                longer.add(new Longer(plan.get(i), at - asked));
            }
            judgement.take(i, at);
        }
        return longer;
    }

    /**
     * What a step goes against.
     *
     * @param place which step, by its place in the plan from 0
     */
    record Met(int place, Bound bound) {}

    /**
     * A plan on paper, each step taken as soon as a bench would offer it.
     *
     * @param before what lies on the cup before each step; after the last of them, the cup as it is handed over
     */
    record Walk(List<Surface> before, List<Met> met) {}

    /** All that no waiting mends, with what lies on the cup at each step. */
    static Walk walk(List<PlanStep> plan, Label base, Label last, Blank blank) {
        Judgement judgement = new Judgement(SoFar.of(blank, plan), plan, base, last, blank);
        List<Surface> before = new ArrayList<>();
        for (int i = 0; i < plan.size(); i++) {
            before.add(judgement.surface);
            judgement.take(i, judgement.minutesByWindow(i));
        }
        before.add(judgement.surface);
        return new Walk(List.copyOf(before), List.copyOf(judgement.met));
    }

    /** As soon as its own wait is over; what goes straight on waits for what it goes on. */
    private double minutesByItsOwnWait(int place) {
        return plan.get(place).waiting().mayScuffInstead()
                ? minutesByWindow(place)
                : Math.max(minute, Opening.advised(own(place), paper).from());
    }

    private double minutesByWhatItWaitsFor(int place) {
        if (plan.get(place).waiting().mayScuffInstead()) {
            return minutesByWindow(place);
        }
        List<Bound> own = own(place);
        List<Bound> waited = new ArrayList<>(own);
        bounds(place).stream()
                .filter(bound -> own.stream().noneMatch(wait -> wait.work() == bound.work()))
                .forEach(waited::add);
        return Math.max(minute, Opening.advised(waited, paper).from());
    }

    private double minutesByWindow(int place) {
        List<Bound> both = new ArrayList<>(bounds(place));
        both.addAll(own(place));
        return Math.max(minute, Opening.advised(both, paper).from());
    }

    private List<Bound> own(int place) {
        return Habit.bounds(
                plan.get(place), plan.subList(0, place), step -> Optional.ofNullable(done.get(step.number())));
    }

    private List<Bound> bounds(int place) {
        List<Doing> later = Doing.of(plan.subList(place + 1, plan.size()));
        return Table.bounds(work(next(), plan.get(place)), surface, later);
    }

    /** What comes too late to go straight on asks its maker to scuff first, and so it is done. */
    private void scuffWhereItMust(int place, double at) {
        boolean mustBeScuffed =
                bounds(place).stream().anyMatch(bound -> bound.cell().isMendedByScuffing() && bound.on(paper) <= at);
        Work scuff = Work.of(next(), Doing.SCUFF);
        if (mustBeScuffed && Table.bounds(scuff, surface, List.of()).stream().noneMatch(Bound::forbids)) {
            paper.add(at, 0);
            surface = surface.after(scuff);
        }
    }

    private void take(int place, double at) {
        PlanStep step = plan.get(place);
        Opening.told(Opening.broken(bounds(place), at, at, A_MOMENT, paper)).forEach(one -> {
            findings.add(Finding.of(place, step, one.bound()));
            met.add(new Met(place, one.bound()));
        });
        DecalFit.of(step, blank).stream()
                .map(misfit -> new Finding(
                        place,
                        step,
                        misfit.rule().name(),
                        misfit.rule().source(),
                        misfit.words() + " " + misfit.rule().remedy(),
                        false))
                .forEach(findings::add);
        Work work = work(next(), step);
        paper.add(at, step.handsOnMinutes());
        done.put(step.number(), new Habit.Done(work.id(), work.label()));
        surface = surface.after(work);
        minute = at + step.handsOnMinutes();
    }

    private int next() {
        return surface.works().size() + 1;
    }

    private Work work(int id, PlanStep step) {
        Label label = step.kind() == StepKind.FINISHING_COAT ? last : base;
        return Work.of(id, step, label.times());
    }
}
