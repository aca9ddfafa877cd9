package nursery.core.inspect;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.core.floor.CupNow;
import nursery.core.log.Blemish;
import nursery.core.log.CoatOnCup;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.LogEntry.FaultsSeen;
import nursery.core.log.Mark;
import nursery.core.log.Sighting;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import nursery.core.technique.Wait;

/** What is seen on a cup, and what would be ahead of it if something were done about that. */
public final class CupFaults {

    /** A coat that comes some hours later is past its window by then. */
    private static final double SOON_H = 2;

    /** Who looks a cup over has logged all of it by then; from memory. */
    private static final Duration ONE_LOOK = Duration.ofHours(1);

    /** What is done before the coat below is dulled. */
    private static final Set<StepKind> FIRST = EnumSet.of(StepKind.WIPE, StepKind.FLASH_OFF, StepKind.SAND_RIM);

    private static final Set<StepKind> ADHESIVES =
            EnumSet.of(StepKind.ADHESIVE, StepKind.GLUE, StepKind.SPRAY_ADHESIVE);

    private CupFaults() {}

    /** What was seen since the newest coat was poured; of a fault seen twice the later. */
    public static List<Sighting> on(CupNow now) {
        Look look = look(now);
        return Stream.concat(look.last().stream(), look.before().stream()).toList();
    }

    /**
     * The same by when it was seen.
     *
     * @param last at the newest look, which may be logged in several entries
     * @param before at earlier ones
     */
    public record Look(List<Sighting> last, List<Sighting> before) {}

    public static Look look(CupNow now) {
        Map<Blemish, Seen> seen = new EnumMap<>(Blemish.class);
        for (LogEntry entry : now.cup().happened()) {
            boolean since = now.state()
                    .newestCoat()
                    .filter(coat ->
                            entry.mark().happenedAt().isBefore(coat.times().pouredAt()))
                    .isEmpty();
            if (since && entry instanceof FaultsSeen faults) {
                faults.sightings()
                        .forEach(one ->
                                seen.put(one.fault(), new Seen(one, entry.mark().happenedAt())));
            }
        }
        Instant last = seen.values().stream()
                .map(Seen::at)
                .max(Instant::compareTo)
                .orElse(Instant.EPOCH)
                .minus(ONE_LOOK);
        Map<Boolean, List<Sighting>> isBefore = seen.values().stream()
                .collect(Collectors.partitioningBy(
                        one -> one.at().isBefore(last), Collectors.mapping(Seen::sighting, Collectors.toList())));
        return new Look(isBefore.getOrDefault(false, List.of()), isBefore.getOrDefault(true, List.of()));
    }

    private record Seen(Sighting sighting, Instant at) {}

    /** What was found to be behind it since, if that was said. */
    public static Optional<String> cause(CupNow now) {
        return now.cup().happened().stream()
                .filter(entry -> now.state()
                        .newestCoat()
                        .filter(coat ->
                                entry.mark().happenedAt().isBefore(coat.times().pouredAt()))
                        .isEmpty())
                .filter(LogEntry.CauseKnown.class::isInstance)
                .map(entry -> ((LogEntry.CauseKnown) entry).cause())
                .reduce((before, after) -> after);
    }

    /** What was done about a fault, if work followed it, nothing was seen since, and nobody has said what it was. */
    public static Optional<LogEntry.RemedyChosen> tried(CupNow now) {
        Optional<LogEntry.RemedyChosen> tried = Optional.empty();
        boolean worked = false;
        for (LogEntry entry : now.cup().happened()) {
            switch (entry.kind()) {
                case REMEDY_CHOSEN -> {
                    tried = Optional.of((LogEntry.RemedyChosen) entry);
                    worked = false;
                }
                case FAULTS_SEEN, CAUSE_KNOWN -> tried = Optional.empty();
                case DONE, POURED, SCUFFED -> worked = true;
                case SKIPPED, HANDED_OVER, ABANDONED, REOPENED, TOUCHED, TAKEN_OFF, NOTED, CANCELLED -> {}
            }
        }
        return worked ? tried : Optional.empty();
    }

    /**
     * The steps a remedy puts before what is ahead; for a cup that is stripped, all its steps once more. Where the coat
     * is past its window it is dulled before anything is laid on it.
     *
     * @param at when it is chosen
     */
    public static List<PlanStep> steps(CupNow now, Treatment remedy, Instant at) {
        List<PlanStep> steps = new ArrayList<>();
        int number = now.cup().freeNumber();
        if (remedy == Remedy.STRIP_BACK) {
            for (PlanStep step : now.cup().plan()) {
                steps.add(step.numbered(number++));
            }
            return steps;
        }
        if (remedy == Remedy.RE_GLITTER
                && now.state().coats().stream()
                        .noneMatch(coat -> coat.step().kind().isClearCoat())) {
            return glitterAgain(now);
        }
        boolean last = isLast(now);
        for (PlanStep step :
                scuffed(now, remedy, at).stream().map(one -> one.in(0)).toList()) {
            PlanStep planned = step.numbered(number++);
            steps.add(
                    remedy == Remedy.SCRAPE_OFF && step.kind().isPour()
                            ? again(now, planned)
                            : last && step.kind() == StepKind.BUILD_COAT ? finishing(planned) : planned);
        }
        return steps;
    }

    private static List<TechniqueStep> scuffed(CupNow now, Treatment remedy, Instant at) {
        List<TechniqueStep> steps = new ArrayList<>(remedy.steps());
        boolean past = now.state()
                .newestCoat()
                .filter(coat -> !coat.scuffed()
                        && coat.times().ageHoursAt(at) >= coat.label().times().scuffAfterH() - SOON_H)
                .isPresent();
        boolean dulls = steps.stream().anyMatch(step -> step.kind().scuffsTheBody());
        boolean coats = steps.stream().anyMatch(step -> step.kind().isPour());
        // A coat that comes first asks for it by itself.
        if (!past || dulls || !coats || steps.get(0).kind().isPour()) {
            return steps;
        }
        int place = 0;
        while (FIRST.contains(steps.get(place).kind())) {
            place++;
        }
        if (steps.get(place).kind() != StepKind.WASH) {
            steps.add(place, TechniqueStep.usual(StepKind.WASH));
        }
        steps.add(place, TechniqueStep.usual(StepKind.SAND));
        return steps;
    }

    /** The cup as it would be with that chosen: its steps ahead, and the entry that says so. */
    public static Cup chosen(CupNow now, Treatment remedy, Instant at) {
        List<LogEntry> log = new ArrayList<>(now.cup().log());
        log.add(new LogEntry.RemedyChosen(Mark.unnumbered(at, at, "", ""), remedy.written(), ""));
        return now.cup().with(now.planWith(ahead(now, remedy, at))).withLog(log);
    }

    /** What would be ahead then; a stripped cup has nothing ahead but its own beginning. */
    public static List<PlanStep> ahead(CupNow now, Treatment remedy, Instant at) {
        List<PlanStep> ahead = new ArrayList<>(steps(now, remedy, at));
        if (remedy != Remedy.STRIP_BACK) {
            ahead.addAll(now.stepsAhead());
        }
        return ahead;
    }

    /** P69: what follows a last coat is another last coat. */
    private static boolean isLast(CupNow now) {
        return now.state()
                .newestCoat()
                .map(CoatOnCup::step)
                .filter(step -> step.kind() == StepKind.FINISHING_COAT)
                .isPresent();
    }

    private static PlanStep finishing(PlanStep coat) {
        PlanStep last = TechniqueStep.usual(StepKind.FINISHING_COAT).in(coat.number());
        return last.waitingFor(coat.waiting());
    }

    /** Under no coat yet, glitter goes on the way it went on: its adhesive and itself once more. */
    private static List<PlanStep> glitterAgain(CupNow now) {
        List<PlanStep> again = new ArrayList<>();
        int number = now.cup().freeNumber();
        for (Set<StepKind> kinds : List.of(ADHESIVES, Set.of(StepKind.GLITTER))) {
            Optional<PlanStep> newest = now.cup().plan().stream()
                    .filter(step ->
                            kinds.contains(step.kind()) && now.state().done().containsKey(step.number()))
                    .reduce((before, after) -> after);
            if (newest.isPresent()) {
                again.add(newest.get().numbered(number++));
            }
        }
        return again;
    }

    /** The coat that is scraped off, once more. */
    private static PlanStep again(CupNow now, PlanStep otherwise) {
        return now.state()
                .newestCoat()
                .map(coat -> coat.step().numbered(otherwise.number()).waitingFor(Wait.none()))
                .orElse(otherwise);
    }
}
