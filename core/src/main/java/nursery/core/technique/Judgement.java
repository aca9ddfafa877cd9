package nursery.core.technique;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
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
            hours.add((judgement.minute - plan.get(i).kind().handsOnMinutes()) / MINUTES_PER_HOUR);
        }
        return hours;
    }

    private void take(int place) {
        PlanStep step = plan.get(place);
        minute = Math.max(minute, step.waiting().opens(new OnPaper()));
        Label pour = step.kind() == StepKind.FINISHING_COAT ? last : base;
        OptionalDouble age = coat.isPresent()
                ? OptionalDouble.of((minute - pouredAtMinute) / MINUTES_PER_HOUR)
                : OptionalDouble.empty();
        List<PlanStep> later = plan.subList(place + 1, plan.size());
        of(new Situation(layers, step, later, minute, minute, age, coat.orElse(base), pour, blank), place)
                .forEach(findings::add);
        if (step.kind().isPour()) {
            coat = Optional.of(pour);
            pouredAtMinute = minute;
        }
        minute += step.kind().handsOnMinutes();
        layers = layers.after(step, minute);
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
