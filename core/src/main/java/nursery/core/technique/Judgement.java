package nursery.core.technique;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;

/**
 * A whole plan judged before anyone has touched the cup: each step is taken as soon as its wait allows, at the label's
 * own temperature, and every rule looks at it.
 */
public final class Judgement {

    private static final double MINUTES_PER_HOUR = 60;
    private static final double SECONDS_PER_MINUTE = 60;

    private final List<PlanStep> plan;
    private final Label base;
    private final Label last;
    private final Blank blank;
    private final List<Finding> findings = new ArrayList<>();
    private Layers layers = Layers.bareSteel();
    private Optional<Label> coat = Optional.empty();
    private double minute;
    private double pouredAtMinute;
    private double notBefore;
    private boolean scuffsWhereItMust;

    private Judgement(List<PlanStep> plan, Label base, Label last, Blank blank) {
        this.plan = plan;
        this.base = base;
        this.last = last;
        this.blank = blank;
    }

    /** A rule a step breaks: which step by its place in the plan from 0, and what is wrong. */
    public record Finding(int place, PlanStep step, Rule rule, String message) {
        public boolean isAdvice() {
            return rule.isAdvice();
        }
    }

    /**
     * All that is wrong with a plan.
     *
     * @param base the label of every coat but the finishing ones
     * @param last the label of the finishing coats
     */
    public static List<Finding> of(List<PlanStep> plan, Label base, Label last, Blank blank) {
        Judgement judgement = new Judgement(plan, base, last, blank);
        for (int i = 0; i < plan.size(); i++) {
            judgement.take(i);
        }
        return List.copyOf(judgement.findings);
    }

    /**
     * A cup with its work so far.
     *
     * @param layers what lies on it
     * @param coat its newest coat's label; empty if it has none
     * @param ageHours how far that has cured at its label's own temperature
     * @param workedUntil when the last work on it ended, in minutes from its start
     * @param minute now, in minutes from its start
     */
    public record SoFar(Layers layers, Optional<Label> coat, double ageHours, double workedUntil, double minute) {}

    /** All that is wrong with the steps ahead of a cup that are taken from now on; places count from the first. */
    public static List<Finding> ahead(SoFar soFar, List<PlanStep> ahead, Label base, Label last, Blank blank) {
        Judgement judgement = new Judgement(ahead, base, last, blank);
        judgement.layers = soFar.layers();
        judgement.coat = soFar.coat();
        judgement.minute = soFar.workedUntil();
        judgement.notBefore = soFar.minute();
        judgement.scuffsWhereItMust = true;
        judgement.pouredAtMinute = soFar.minute() - soFar.ageHours() * MINUTES_PER_HOUR;
        for (int i = 0; i < ahead.size(); i++) {
            judgement.take(i);
        }
        return List.copyOf(judgement.findings);
    }

    /** All that is wrong with one step, planned or done. */
    public static Stream<Finding> of(Situation situation, int place) {
        return Stream.of(Rule.values()).flatMap(rule -> rule.brokenBy(situation).stream()
                .map(message -> new Finding(place, situation.step(), rule, message)));
    }

    /**
     * When each step of a plan can be taken at the earliest, in hours from its start, each as soon as its wait allows.
     */
    public static List<Double> earliestHours(List<PlanStep> plan, Label base, Label last, Blank blank) {
        Judgement judgement = new Judgement(plan, base, last, blank);
        List<Double> hours = new ArrayList<>();
        for (int i = 0; i < plan.size(); i++) {
            judgement.take(i);
            hours.add((judgement.minute - plan.get(i).handsOnMinutes()) / MINUTES_PER_HOUR);
        }
        return hours;
    }

    private void take(int place) {
        PlanStep step = plan.get(place);
        minute = Math.max(notBefore, Math.max(minute, step.waiting().opens(new OnPaper())));
        Label pour = step.kind() == StepKind.FINISHING_COAT ? last : base;
        OptionalDouble age = coat.isPresent()
                ? OptionalDouble.of((minute - pouredAtMinute) / MINUTES_PER_HOUR)
                : OptionalDouble.empty();
        if (scuffsWhereItMust && age.isPresent() && mustBeScuffed(step, age.getAsDouble())) {
            layers = layers.scuffed();
        }
        List<PlanStep> later = plan.subList(place + 1, plan.size());
        of(new Situation(layers, step, later, minute, minute, age, coat.orElse(base), pour, blank), place)
                .forEach(findings::add);
        if (step.kind().isPour()) {
            coat = Optional.of(pour);
            pouredAtMinute = minute;
        }
        minute += step.handsOnMinutes();
        layers = layers.after(step, minute);
    }

    /** What goes straight on and comes too late for it asks its maker to scuff first, and so it is done. */
    private boolean mustBeScuffed(PlanStep step, double ageHours) {
        return step.waiting().mayScuffInstead()
                && !layers.topIsDecoration()
                && coat.filter(below -> ageHours >= below.times().scuffAfterH()).isPresent();
    }

    /** Minutes from the start of the cup, every coat at its label's own temperature. */
    private final class OnPaper implements Timeline {

        @Override
        public boolean hasCoat() {
            return coat.isPresent();
        }

        @Override
        public LabelTimes coat() {
            return coat.orElseThrow().times();
        }

        @Override
        public CoatRole role() {
            return layers.newestPour().flatMap(PlanStep::role).orElseThrow();
        }

        @Override
        public boolean isScuffed() {
            return layers.is(Layers.Condition.SCUFFED);
        }

        @Override
        public double atOnce() {
            return minute;
        }

        @Override
        public double afterWork(Duration wait) {
            return minute + wait.toSeconds() / SECONDS_PER_MINUTE;
        }

        @Override
        public double intoCoat(Duration wait) {
            return pouredAtMinute + wait.toSeconds() / SECONDS_PER_MINUTE;
        }

        @Override
        public double atAge(double hours) {
            return pouredAtMinute + hours * MINUTES_PER_HOUR;
        }

        @Override
        public double untilAge(Duration opens, double hours) {
            double until = atAge(hours);
            return until > intoCoat(opens) ? until : NEVER;
        }

        @Override
        public double byAge(Duration opens, double hours) {
            return untilAge(opens, hours);
        }
    }
}
