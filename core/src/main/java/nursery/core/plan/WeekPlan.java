package nursery.core.plan;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import nursery.core.log.Cup;

/**
 * Every step left of every cup with its place.
 *
 * @param workshop what it was made from
 * @param steps in order of their begin
 * @param mixes the coats by the mix they are poured from, in order
 * @param notPlaced cups for which there was no place, and why
 * @param readyAt by cup: when it has reached full cure; cups that are not placed are missing
 */
public record WeekPlan(
        Workshop workshop,
        List<PlannedStep> steps,
        List<PlannedMix> mixes,
        List<NotPlaced> notPlaced,
        Map<String, Instant> readyAt,
        Score score) {

    private static final Duration LOOKED_AHEAD = Duration.ofDays(6);

    public WeekPlan {
        steps = List.copyOf(steps);
        mixes = List.copyOf(mixes);
        notPlaced = List.copyOf(notPlaced);
        readyAt = Map.copyOf(readyAt);
    }

    /** What to remember of it. */
    public List<Placement> placements() {
        return steps.stream()
                .map(step -> new Placement(step.cup(), step.step().number(), step.begins()))
                .toList();
    }

    public List<Session> sessions() {
        return Session.of(steps);
    }

    public List<PlannedStep> of(String cup) {
        return steps.stream().filter(step -> step.cup().equals(cup)).toList();
    }

    public Optional<PlannedStep> find(String cup, int number) {
        return steps.stream()
                .filter(step -> step.cup().equals(cup) && step.step().number() == number)
                .findFirst();
    }

    public Optional<PlannedMix> mixOf(PlannedStep pour) {
        return mixes.stream().filter(mix -> mix.serves(pour)).findFirst();
    }

    /**
     * The next times with hands at the bench for long enough at which a step's window allows it too, other than its
     * own.
     */
    public List<Instant> otherTimes(PlannedStep step, int most) {
        Instant opens = step.action().window().opensAt();
        Instant closes = step.scuffFirst()
                ? Instant.MAX
                : step.action().window().closesAtExclusive().orElse(Instant.MAX);
        Instant first = opens.isAfter(workshop.now()) ? opens : workshop.now();
        return workshop.hours().benchSpans(first, first.plus(LOOKED_AHEAD)).stream()
                .filter(span -> !Grid.ceil(span.from()).plus(step.handsOn()).isAfter(span.untilExclusive()))
                .map(span -> Grid.ceil(span.from()))
                .filter(at -> at.isBefore(closes) && !at.equals(step.begins()))
                .limit(most)
                .toList();
    }

    /** The session that is on at a moment, or the next after it. */
    public Optional<Session> sessionFrom(Instant moment) {
        return sessions().stream()
                .filter(session -> session.ends().isAfter(moment))
                .findFirst();
    }

    /** How late a cup will be; empty if it is in time or promised for no day. */
    public Optional<Duration> lateness(Cup cup) {
        return cup.promise().dueAt().flatMap(due -> Optional.ofNullable(readyAt.get(cup.code()))
                .filter(ready -> ready.isAfter(due))
                .map(ready -> Duration.between(due, ready)));
    }

    /** The cups that will not be ready when promised, those that find no place included. */
    public List<Cup> late() {
        return workshop.cups().stream()
                .filter(cup -> lateness(cup).isPresent()
                        || cup.promise().dueAt().isPresent()
                                && notPlaced.stream().anyMatch(not -> not.cup().equals(cup.code())))
                .toList();
    }
}
