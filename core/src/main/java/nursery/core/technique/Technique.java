package nursery.core.technique;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import nursery.core.measure.Faults;

/**
 * A way of building a cup: ordered steps with choices and repeats.
 *
 * @param name what makers call it
 * @param about what it makes and for whom, in a sentence or two
 * @param parts steps, and groups of steps done several times over
 * @param blocks what it is put together from, if that is known: one base, layers, one finish, which share its parts out
 *     between them in their order
 */
public record Technique(String name, String about, List<Part> parts, List<Block> blocks) {

    public static final int LONGEST_NAME = 80;
    public static final int LONGEST_TEXT = 1000;
    public static final int LONGEST_TITLE = 80;
    public static final int MOST_PARTS = 100;
    /** Nobody follows a longer plan, and nobody can read one. */
    public static final int MOST_STEPS = 200;

    public static final int MOST_TIMES = 10;

    /** A step, or a group of steps. */
    public sealed interface Part {}

    /** Where a block may stand. */
    public enum Place {
        BASE,
        LAYER,
        /** What was put in between two others because the one asks for it on the other. */
        BETWEEN,
        FINISH;

        /** Its name in a file. */
        public String written() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /**
     * A stretch of a technique that can stand in others as well.
     *
     * @param title what it makes
     * @param parts how many of the technique's parts it takes, at least one
     */
    public record Block(Place place, String title, int parts) {}

    /** One step. */
    public record Single(TechniqueStep step) implements Part {}

    /**
     * A group of steps done several times over; a group holds no group.
     *
     * @param title what is repeated: waves, decals
     * @param usual how often unless the maker says otherwise
     */
    public record Repeat(String title, int least, int most, int usual, List<TechniqueStep> steps) implements Part {
        public Repeat {
            steps = List.copyOf(steps);
        }
    }

    /** A technique of which no blocks are known. */
    public Technique(String name, String about, List<Part> parts) {
        this(name, about, parts, List.of());
    }

    public Technique {
        parts = List.copyOf(parts);
        blocks = List.copyOf(blocks);
        Faults faults = new Faults();
        faults.require(
                !name.isBlank() && name.length() <= LONGEST_NAME,
                "name",
                "A technique needs a name of at most %d characters.".formatted(LONGEST_NAME));
        faults.require(
                about.length() <= LONGEST_TEXT,
                "about",
                "What it is about takes at most %d characters.".formatted(LONGEST_TEXT));
        faults.require(!parts.isEmpty(), "steps", "A technique needs at least one step.");
        faults.require(
                parts.size() <= MOST_PARTS,
                "steps",
                "A technique has %d steps: at most %d can be followed.".formatted(parts.size(), MOST_PARTS));
        faults.throwIfAny();
        for (int i = 0; i < parts.size(); i++) {
            check(faults, "steps[%d]".formatted(i), parts.get(i));
        }
        faults.throwIfAny();
        long most = parts.stream()
                .mapToLong(part -> part instanceof Repeat repeat
                        ? (long) repeat.most() * repeat.steps().size()
                        : 1)
                .sum();
        faults.require(
                most <= MOST_STEPS,
                "steps",
                "With its repeats this comes to %d steps: at most %d can be followed.".formatted(most, MOST_STEPS));
        if (!blocks.isEmpty()) {
            check(faults, blocks, parts.size());
        }
        faults.throwIfAny();
    }

    /** Whether these may make a technique together: one base, any layers, one finish, and what stands between them. */
    public static boolean inOrder(List<Place> places) {
        int last = places.size() - 1;
        return last >= 1
                && places.get(0) == Place.BASE
                && places.get(last) == Place.FINISH
                && IntStream.range(1, last)
                        .allMatch(i -> places.get(i) == Place.LAYER
                                || places.get(i) == Place.BETWEEN && places.get(i - 1) != Place.BETWEEN);
    }

    /** The parts of one of its blocks. */
    public List<Part> partsOf(int block) {
        int from = blocks.subList(0, block).stream().mapToInt(Block::parts).sum();
        return parts.subList(from, from + blocks.get(block).parts());
    }

    /** The disagreements a maker is asked about before a cup is started this way. */
    public List<Question> questions() {
        return Stream.of(Question.values())
                .filter(question -> steps().anyMatch(step ->
                        step.only().stream().anyMatch(school -> school.question() == question)
                                || step.detail().contains(question.slot())
                                || question == Question.COATS && step.kind().isClearCoat()))
                .toList();
    }

    public List<Repeat> repeats() {
        return parts.stream()
                .filter(Repeat.class::isInstance)
                .map(Repeat.class::cast)
                .toList();
    }

    public Stream<TechniqueStep> steps() {
        return parts.stream()
                .flatMap(part ->
                        part instanceof Repeat repeat ? repeat.steps().stream() : Stream.of(((Single) part).step()));
    }

    /**
     * A cup's own plan.
     *
     * @param times how often each group is done, by its title; the usual number where nothing is said
     */
    public List<PlanStep> plan(Schools schools, Map<String, Integer> times) {
        return plan(parts, schools, times);
    }

    /** The plan that some parts make, whatever they are parts of. */
    public static List<PlanStep> plan(List<Part> parts, Schools schools, Map<String, Integer> times) {
        List<PlanStep> plan = new ArrayList<>();
        for (Part part : parts) {
            if (part instanceof Single single) {
                add(plan, single.step(), schools, "");
            } else if (part instanceof Repeat repeat) {
                int rounds = Math.max(
                        repeat.least(), Math.min(repeat.most(), times.getOrDefault(repeat.title(), repeat.usual())));
                for (int round = 1; round <= rounds; round++) {
                    String which = rounds <= 1 ? "" : " (%d of %d)".formatted(round, rounds);
                    repeat.steps().forEach(step -> add(plan, step, schools, which));
                }
            }
        }
        return List.copyOf(plan);
    }

    /**
     * What a plan still asks for when these steps are done, perhaps by another plan. Coats are what counts: behind the
     * last of its coats that was poured it goes on, without what directly follows there and was done as well.
     *
     * @param done in the order they were done
     */
    public static List<PlanStep> after(List<PlanStep> plan, List<PlanStep> done) {
        int from = 0;
        int doneUpTo = 0;
        for (int i = 0; i < done.size(); i++) {
            for (int j = from; done.get(i).kind().isPour() && j < plan.size(); j++) {
                if (plan.get(j).kind() == done.get(i).kind()) {
                    from = j + 1;
                    doneUpTo = i + 1;
                    break;
                }
            }
        }
        List<StepKind> since = done.subList(doneUpTo, done.size()).stream()
                .map(PlanStep::kind)
                .collect(Collectors.toCollection(ArrayList::new));
        while (from < plan.size() && since.remove(plan.get(from).kind())) {
            from++;
        }
        return plan.subList(from, plan.size());
    }

    private static void add(List<PlanStep> plan, TechniqueStep step, Schools schools, String which) {
        if (step.isIn(schools)) {
            PlanStep planned = step.in(schools, plan.size() + 1);
            plan.add(
                    which.isEmpty()
                            ? planned
                            : new PlanStep(
                                    planned.number(),
                                    planned.kind(),
                                    planned.title() + which,
                                    planned.waiting(),
                                    planned.detail(),
                                    planned.role(),
                                    planned.how(),
                                    planned.size()));
        }
    }

    private static void check(Faults faults, List<Block> blocks, int parts) {
        faults.require(
                inOrder(blocks.stream().map(Block::place).toList()),
                "blocks",
                "A technique is one base, any layers on it, and one finish, in this order.");
        faults.require(
                blocks.stream().allMatch(block -> block.parts() >= 1)
                        && blocks.stream().mapToLong(Block::parts).sum() == parts,
                "blocks",
                "The blocks must share out all %d parts between them, each at least one.".formatted(parts));
        faults.require(
                blocks.stream()
                        .allMatch(block ->
                                !block.title().isBlank() && block.title().length() <= LONGEST_TITLE),
                "blocks",
                "A block needs a title of at most %d characters.".formatted(LONGEST_TITLE));
    }

    private static void check(Faults faults, String at, Part part) {
        if (part instanceof Single single) {
            check(faults, at, single.step());
        } else if (part instanceof Repeat repeat) {
            faults.require(
                    !repeat.title().isBlank() && repeat.title().length() <= LONGEST_TITLE,
                    at + ".title",
                    "A repeat needs a title of at most %d characters.".formatted(LONGEST_TITLE));
            faults.require(
                    repeat.least() >= 0
                            && repeat.most() >= 1
                            && repeat.least() <= repeat.usual()
                            && repeat.usual() <= repeat.most()
                            && repeat.most() <= MOST_TIMES,
                    at,
                    "A repeat is done at most %d times, with the usual number between its least and its most."
                            .formatted(MOST_TIMES));
            faults.require(!repeat.steps().isEmpty(), at + ".steps", "A repeat needs at least one step.");
            for (int i = 0; i < repeat.steps().size(); i++) {
                check(faults, "%s.steps[%d]".formatted(at, i), repeat.steps().get(i));
            }
        }
    }

    private static void check(Faults faults, String at, TechniqueStep step) {
        faults.require(
                step.kind().isPour() == step.role().isPresent(),
                at + ".coat",
                step.kind().isPour()
                        ? "%s is a coat: say which it makes."
                                .formatted(step.kind().title())
                        : "%s is no coat: leave the coat out."
                                .formatted(step.kind().title()));
        step.role()
                .ifPresent(role -> faults.require(
                        role.isAdhesive() == (step.kind() == StepKind.ADHESIVE),
                        at + ".coat",
                        "A %s does not go with %s."
                                .formatted(role.word(), step.kind().title())));
        faults.require(
                step.title().length() <= LONGEST_TITLE,
                at + ".title",
                "A title takes at most %d characters.".formatted(LONGEST_TITLE));
        faults.require(
                step.detail().length() <= LONGEST_TEXT,
                at + ".detail",
                "A step's detail takes at most %d characters.".formatted(LONGEST_TEXT));
    }
}
