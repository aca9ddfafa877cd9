package nursery.app.techniques;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nursery.app.floor.Floors;
import nursery.app.platform.Show;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.film.Carrier;
import nursery.core.film.Onto;
import nursery.core.film.Share;
import nursery.core.film.Texture;
import nursery.core.film.Way;
import nursery.core.floor.ShelfBlank;
import nursery.core.measure.Numbers;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Judgement;
import nursery.core.surface.Place;
import nursery.core.surface.Stack;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import org.springframework.stereotype.Component;

/**
 * A technique looked at on its own: on the first blank of the shelf and with a regular resin, since no cup has chosen
 * either yet.
 */
@Component
class PlanJudge {

    private static final Blank USUAL_BLANK = new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20));
    private static final double HOURS_PER_DAY = 24;
    private static final double MINUTES_PER_HOUR = 60;
    private static final double MINUTES_READ_AS_HOURS = 120;

    private final Floors floors;

    PlanJudge(Floors floors) {
        this.floors = floors;
    }

    /** What a card says: how many steps and coats, hands and days, and what is wrong. */
    record Sketch(
            int steps,
            int coats,
            int handsOnMinutes,
            double hours,
            List<Mark> marks,
            List<Judgement.Finding> findings) {

        /** How many things are wrong, advice aside. */
        public long faults() {
            return findings.stream().filter(finding -> !finding.isAdvice()).count();
        }

        public String lasts() {
            return hours < HOURS_PER_DAY
                    ? Numbers.show(hours, 0) + " h"
                    : Numbers.show(hours / HOURS_PER_DAY, 1) + " days";
        }
    }

    /** A step on the strip of hours that stands for a technique: how far along, per cent, and as what. */
    record Mark(double x, String style) {
        static Mark of(PlanStep step, double hours, double allHours) {
            String style = step.kind().isClearCoat()
                    ? "coat"
                    : step.kind().isPour() ? "adhesive" : step.kind().isSanding() ? "sand" : "work";
            return new Mark(Math.round(970 * hours / Math.max(1, allHours)) / 10.0, style);
        }
    }

    /**
     * A step to read: when it comes at the earliest, counted from the start, what it waits for, and what is wrong with
     * it.
     */
    record Line(PlanStep step, String from, String waits, String amount, List<Judgement.Finding> findings) {}

    Sketch sketch(Technique technique, Schools schools) {
        List<PlanStep> plan = floors.hands().on(technique.plan(schools, Map.of()));
        List<Double> hours = Judgement.earliestHours(
                plan, StartingProfile.REGULAR.label(), StartingProfile.REGULAR.label(), blank());
        double all = hours.isEmpty() ? 0 : hours.get(hours.size() - 1);
        return new Sketch(
                plan.size(),
                (int) plan.stream().filter(step -> step.kind().isPour()).count(),
                plan.stream().mapToInt(step -> step.handsOnMinutes()).sum(),
                all,
                IntStream.range(0, plan.size())
                        .mapToObj(i -> Mark.of(plan.get(i), hours.get(i), all))
                        .toList(),
                findings(plan));
    }

    List<Judgement.Finding> findings(List<PlanStep> plan) {
        return Judgement.offered(
                floors.hands().on(plan), StartingProfile.REGULAR.label(), StartingProfile.REGULAR.label(), blank());
    }

    List<Line> lines(Technique technique, Schools schools, Show show) {
        List<PlanStep> plan = floors.hands().on(technique.plan(schools, Map.of()));
        List<Double> hours = Judgement.earliestHours(
                plan, StartingProfile.REGULAR.label(), StartingProfile.REGULAR.label(), blank());
        List<Judgement.Finding> findings = findings(plan);
        return IntStream.range(0, plan.size())
                .mapToObj(i -> new Line(
                        plan.get(i),
                        from(hours.get(i)),
                        plan.get(i).waiting().words(),
                        amount(plan.get(i), show),
                        findings.stream()
                                .filter(finding -> finding.place() == i)
                                .toList()))
                .toList();
    }

    /**
     * A layer to touch.
     *
     * @param title what it is
     * @param style what kind of thing it is, for its colour
     * @param first the line of its first step, from 1
     * @param last the line of its last
     * @param habits what is done to it, and how much longer than practice asks its makers wait
     */
    record Layer(String title, String style, int first, int last, List<String> habits) {}

    /** A plan as it lies on the cup, from the steel outwards. */
    List<Layer> layers(List<PlanStep> plan) {
        Map<Integer, Judgement.Longer> longer =
                longer(plan).stream().collect(Collectors.toMap(one -> one.step().number(), one -> one));
        return Stack.of(plan).stream().map(level -> layer(level, longer)).toList();
    }

    private static Layer layer(Stack.Level level, Map<Integer, Judgement.Longer> longer) {
        List<String> habits = new ArrayList<>();
        for (PlanStep step : level.steps()) {
            boolean lays = level.laid().filter(step::equals).isPresent();
            String waits = Optional.ofNullable(longer.get(step.number()))
                    .map(one -> "waits %s longer than it must".formatted(span(one.byMinutes())))
                    .orElse("");
            if (!lays) {
                habits.add(waits.isEmpty() ? step.titleAndPlace() : "%s (%s)".formatted(step.titleAndPlace(), waits));
            } else if (!waits.isEmpty()) {
                habits.add(waits);
            }
        }
        String style = level.laid()
                .map(step ->
                        step.kind().isClearCoat() ? "coat" : step.kind() == StepKind.ADHESIVE ? "adhesive" : "work")
                .orElse("steel");
        List<Integer> numbers =
                level.steps().stream().map(PlanStep::number).sorted().toList();
        return new Layer(
                level.laid().map(PlanStep::titleAndPlace).orElse("The blank"),
                style,
                numbers.get(0),
                numbers.get(numbers.size() - 1),
                habits);
    }

    /** So long, as a maker reads it. */
    static String span(double minutes) {
        return minutes < MINUTES_READ_AS_HOURS
                ? Numbers.show(minutes, 0) + "\u00a0min"
                : Numbers.show(minutes / MINUTES_PER_HOUR, 1) + "\u00a0h";
    }

    private String amount(PlanStep step, Show show) {
        return step.role()
                .map(role -> {
                    Share share = Share.of(
                            blank(),
                            Place.of(step, blank()),
                            role,
                            new Onto(
                                    step.kind() == StepKind.ADHESIVE ? Texture.SMOOTH : Texture.FINE,
                                    0,
                                    Onto.Below.THIN_FILM),
                            Way.THIN,
                            StartingProfile.REGULAR.label(),
                            Carrier.spindle(
                                    Carrier.USUAL_RPM,
                                    StartingProfile.REGULAR.label().referenceC()));
                    return "about %s on %s; practice %s %s"
                            .formatted(
                                    show.volume(share.suggestedMl()),
                                    blankName(),
                                    show.volumes(
                                            share.practice().lowMl(),
                                            share.practice().highMl()),
                                    show.told(share.practice().on()));
                })
                .orElse("");
    }

    /** What a technique waits longer for than practice asks. */
    List<Judgement.Longer> longer(Technique technique) {
        return longer(technique.plan(Schools.of(), Map.of()));
    }

    private List<Judgement.Longer> longer(List<PlanStep> plan) {
        return Judgement.longer(plan, StartingProfile.REGULAR.label(), StartingProfile.REGULAR.label(), blank());
    }

    /** Amounts are for a cup, and it has a name. */
    private String blankName() {
        return floors.shelf().blanks().stream()
                .findFirst()
                .map(ShelfBlank::name)
                .orElse("a 20 oz cup");
    }

    private Blank blank() {
        return floors.shelf().blanks().stream()
                .map(ShelfBlank::blank)
                .findFirst()
                .orElse(USUAL_BLANK);
    }

    private static String from(double hours) {
        int days = (int) (hours / HOURS_PER_DAY);
        String clock = "%d:%02d h".formatted((int) (hours % HOURS_PER_DAY), (int) Math.round(hours * 60) % 60);
        return days == 0 ? clock : "day %d, %s".formatted(days + 1, clock);
    }
}
