package nursery.core.surface;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import nursery.core.cup.Blank;
import nursery.core.resin.Label;
import nursery.core.technique.Fields;
import nursery.core.technique.PlanStep;
import nursery.core.technique.Schools;
import nursery.core.technique.StepKind;
import nursery.core.technique.Technique;
import nursery.core.technique.TechniqueStep;

/**
 * Puts a technique together from pieces that bring only what they are. Between them comes what the table requires, and
 * what it advises is offered; both can be taken and left.
 */
public final class Composer {

    /** More joints than this are put into no technique. */
    private static final int MOST_ROUNDS = 60;
    /** As many as lie over coarse flakes until they are not felt (P33). */
    private static final int MOST_COATS = 3;

    private final List<Piece> pieces;
    private final Map<String, Boolean> decided;
    private final Label label;
    private final Blank blank;
    private final List<List<Joint>> after = new ArrayList<>();
    private final Set<String> tried = new HashSet<>();

    private Composer(List<Piece> pieces, Map<String, Boolean> decided, Label label, Blank blank) {
        this.pieces = pieces;
        this.decided = decided;
        this.label = label;
        this.blank = blank;
        pieces.forEach(piece -> after.add(new ArrayList<>()));
    }

    /**
     * A piece as it is chosen.
     *
     * @param isCoat whether the pour among its parts is whichever clear coat what lies there asks for
     */
    public record Piece(Technique.Place place, String title, List<Technique.Part> parts, boolean isCoat) {
        public Piece {
            parts = List.copyOf(parts);
        }
    }

    /**
     * Something between two pieces.
     *
     * @param key its name among all of this technique: which piece it follows, whether it is needed, and what it is
     * @param because what asks for it
     * @param isTaken whether it is done; what is required is, unless it was left
     */
    public record Joint(String key, TechniqueStep step, Cell because, boolean isTaken) {

        /** Whether the table requires it, and does not only advise it. */
        public boolean isRequired() {
            return because.grave().isAsked();
        }
    }

    /**
     * What came of it.
     *
     * @param joints of each piece what may follow it, in the order it is done
     */
    public record Composed(Technique technique, List<List<Joint>> joints) {}

    /**
     * A technique of these pieces, in their order.
     *
     * @param decided of each joint by its key whether it is done; what is required and not spoken of is, and what is
     *     only advised is not
     * @param label of the resin it is tried with
     * @param blank the cup it is tried on
     */
    public static Composed compose(
            String name, List<Piece> pieces, Map<String, Boolean> decided, Label label, Blank blank) {
        Composer composer = new Composer(List.copyOf(pieces), Map.copyOf(decided), label, blank);
        for (int round = 0; round < MOST_ROUNDS && composer.joinsOne(); round++) {
            // Each joint changes what is asked of all that comes after it.
        }
        return new Composed(
                composer.technique(name),
                composer.after.stream().map(List::copyOf).toList());
    }

    /** Whether it is the pulling of tape that only who tapes lays. */
    public static boolean isTapePulled(Technique.Part part) {
        return part instanceof Technique.Single single
                && single.step().kind() == StepKind.PULL_TAPE
                && !single.step().only().isEmpty();
    }

    /** What was decided of the joints of a technique that was put together before: of each that it has. */
    public static Map<String, Boolean> decided(Technique technique) {
        Map<String, Boolean> decided = new HashMap<>();
        int piece = -1;
        for (int i = 0; i < technique.blocks().size(); i++) {
            if (technique.blocks().get(i).place() != Technique.Place.BETWEEN) {
                piece++;
                continue;
            }
            Map<String, Integer> times = new HashMap<>();
            for (Technique.Part part : technique.partsOf(i)) {
                // Tape round a coat is a school's, and comes with the coat.
                if (part instanceof Technique.Single single
                        && single.step().only().isEmpty()) {
                    String kind = single.step().kind().written();
                    int which = times.merge(kind, 1, Integer::sum);
                    // It does not say whether it was needed or only advised: it is there either way.
                    decided.put(key(piece, true, kind, which), true);
                    decided.put(key(piece, false, kind, which), true);
                }
            }
        }
        return decided;
    }

    /** What was offered and not taken is not left where it is needed later: each is its own decision. */
    private static String key(int piece, boolean isRequired, String kind, int which) {
        String key = "%d-%s-%s".formatted(piece, isRequired ? "needed" : "advised", kind);
        return which == 1 ? key : key + "-" + which;
    }

    /** Part of the plan: a piece, or a joint that is done. */
    private record Stretch(int piece, int joint, List<Technique.Part> parts) {}

    /** The plan so far, and which part of it each step belongs to. */
    private record Draft(List<PlanStep> plan, List<Stretch> ofStep, Judgement.Walk walk) {

        long asked() {
            return walk.met().stream()
                    .filter(met -> met.bound().cell().grave().isAsked())
                    .count();
        }

        long told(Cell cell) {
            return walk.met().stream().filter(met -> met.bound().cell() == cell).count();
        }

        /** What lies on the cup where a piece begins. */
        Surface at(int piece) {
            for (int i = 0; i < plan.size(); i++) {
                if (ofStep.get(i).piece() >= piece && ofStep.get(i).joint() < 0) {
                    return walk.before().get(i);
                }
            }
            return walk.before().get(plan.size());
        }
    }

    private Draft draft() {
        List<PlanStep> plan = new ArrayList<>();
        List<Stretch> ofStep = new ArrayList<>();
        for (Stretch stretch : stretches()) {
            Technique.plan(stretch.parts(), Schools.of(), Map.of()).forEach(step -> {
                plan.add(step.numbered(plan.size() + 1));
                ofStep.add(stretch);
            });
        }
        return new Draft(plan, ofStep, Judgement.walk(plan, label, label, blank));
    }

    private List<Stretch> stretches() {
        List<Stretch> stretches = new ArrayList<>();
        List<Technique.Part> done = new ArrayList<>();
        List<Technique.Part> pulledLater = List.of();
        for (int i = 0; i < pieces.size(); i++) {
            Piece piece = pieces.get(i);
            List<Technique.Part> parts = new ArrayList<>(
                    piece.isCoat()
                            ? Between.withCoat(piece.parts(), Between.coat(surface(done), placeOfCoat(piece)))
                            : piece.parts());
            parts.addAll(pulledLater);
            pulledLater = List.of();
            if (isStrewnOn(i + 1) && after.get(i).isEmpty() && isTapePulled(parts.get(parts.size() - 1))) {
                // What is sprinkled on a wet coat goes on before its tape is pulled.
                pulledLater = List.of(parts.remove(parts.size() - 1));
            }
            stretches.add(new Stretch(i, -1, parts));
            done.addAll(parts);
            for (int j = 0; j < after.get(i).size(); j++) {
                if (after.get(i).get(j).isTaken()) {
                    List<Technique.Part> joint =
                            Between.parts(after.get(i).get(j).step());
                    stretches.add(new Stretch(i, j, joint));
                    done.addAll(joint);
                }
            }
        }
        return stretches;
    }

    /** Whether a piece is strewn on the wet coat of the one before it. */
    private boolean isStrewnOn(int piece) {
        return piece < pieces.size()
                && pieces.get(piece).parts().stream()
                        .findFirst()
                        .filter(part -> part instanceof Technique.Single single
                                && single.step().how().strewn() == Fields.Strewn.SPRINKLED)
                        .isPresent();
    }

    /** Where the coat of a piece goes. */
    private Place placeOfCoat(Piece piece) {
        return Technique.plan(piece.parts(), Schools.of(), Map.of()).stream()
                .filter(step -> step.kind().isPour())
                .map(step -> Work.of(1, step, label.times()).place())
                .findFirst()
                .orElse(Place.ALL);
    }

    /** What lies on the cup after these. */
    private Surface surface(List<Technique.Part> done) {
        Surface surface = Surface.of(true);
        for (PlanStep step : Technique.plan(done, Schools.of(), Map.of())) {
            surface = surface.after(Work.of(surface.works().size() + 1, step, label.times()));
        }
        return surface;
    }

    /** Finds the first thing that one more joint would mend, and puts that in; false where there is none. */
    private boolean joinsOne() {
        Draft draft = draft();
        for (Judgement.Met met : draft.walk().met()) {
            for (Doing remedy :
                    Between.remedies(met.bound().cell(), draft.plan().get(met.place()))) {
                if (joins(draft, met, remedy)) {
                    return true;
                }
            }
        }
        return false;
    }

    private boolean joins(Draft draft, Judgement.Met met, Doing remedy) {
        Cell cell = met.bound().cell();
        Stretch asking = draft.ofStep().get(met.place());
        // Before a piece is behind the one before it; before a joint is before it.
        int piece = asking.joint() < 0 ? asking.piece() - 1 : asking.piece();
        for (int at = piece; at >= 0; at--) {
            boolean isHere = at == piece;
            int place = isHere && asking.joint() >= 0
                    ? asking.joint()
                    : after.get(at).size();
            Surface on = isHere && asking.joint() >= 0 ? draft.walk().before().get(met.place()) : draft.at(at + 1);
            if (!isOn(on, met.bound().work())) {
                // What asks for it is not there yet, or is within the piece itself.
                return false;
            }
            if (Between.isPossible(remedy, on, label)) {
                return joins(draft, cell, at, place, remedy, on);
            }
            if (!cell.isFading() && !cell.isOfLostGrip()) {
                return false;
            }
        }
        return false;
    }

    private static boolean isOn(Surface surface, int work) {
        return work <= surface.works().size();
    }

    /** Puts a remedy in where it mends something, of a coat as many as it takes. */
    private boolean joins(Draft before, Cell cell, int at, int place, Doing remedy, Surface on) {
        boolean isRequired = cell.grave().isAsked();
        List<Joint> put = new ArrayList<>();
        Surface now = on;
        for (int copy = 1; copy <= (remedy.isPour() ? MOST_COATS : 1); copy++) {
            TechniqueStep step = Between.step(remedy, now);
            String key = keyFor(at, isRequired, step.kind().written());
            if (!tried.add(key)) {
                break;
            }
            Cell because = Between.asAsked(cell, remedy);
            after.get(at).add(place + put.size(), new Joint(key, step, because, true));
            put.add(new Joint(key, step, because, decided.getOrDefault(key, isRequired)));
            Draft with = draft();
            // What it brings about itself the next joint mends; nothing is advised that asks for more than it gives.
            if (with.told(cell) < before.told(cell) && with.asked() <= before.asked()) {
                for (int i = 0; i < put.size(); i++) {
                    after.get(at).set(place + i, put.get(i));
                }
                if (isRequired) {
                    // What was only advised there, and not taken, is asked for now.
                    after.get(at)
                            .removeIf(joint -> !joint.isTaken()
                                    && !joint.isRequired()
                                    && joint.step().kind().isPour() == remedy.isPour());
                }
                return true;
            }
            now = now.after(Work.of(now.works().size() + 1, step.in(1), label.times()));
        }
        after.get(at).subList(place, place + put.size()).clear();
        return false;
    }

    private String keyFor(int at, boolean isRequired, String kind) {
        long there = after.get(at).stream()
                .filter(joint ->
                        joint.isTaken() && joint.step().kind().written().equals(kind))
                .count();
        return key(at, isRequired, kind, (int) there + 1);
    }

    private Technique technique(String name) {
        List<Technique.Part> parts = new ArrayList<>();
        List<Technique.Block> shared = new ArrayList<>();
        Set<String> repeats = new HashSet<>();
        List<Stretch> stretches = stretches();
        for (int i = 0; i < stretches.size(); i++) {
            Stretch stretch = stretches.get(i);
            stretch.parts().forEach(part -> parts.add(told(part, repeats)));
            if (stretch.joint() < 0) {
                Piece piece = pieces.get(stretch.piece());
                shared.add(new Technique.Block(
                        piece.place(), piece.title(), stretch.parts().size()));
            } else if (stretches.get(i - 1).joint() < 0) {
                shared.add(new Technique.Block(
                        Technique.Place.BETWEEN,
                        titleAfter(stretch.piece()),
                        stretch.parts().size()));
            } else {
                Technique.Block last = shared.remove(shared.size() - 1);
                shared.add(new Technique.Block(
                        last.place(),
                        last.title(),
                        last.parts() + stretch.parts().size()));
            }
        }
        String about = String.join(" · ", pieces.stream().map(Piece::title).toList()) + ".";
        return new Technique(
                name,
                about.length() > Technique.LONGEST_TEXT ? about.substring(0, Technique.LONGEST_TEXT) : about,
                parts,
                Technique.inOrder(shared.stream().map(Technique.Block::place).toList()) ? shared : List.of());
    }

    private String titleAfter(int piece) {
        String title = "Before " + pieces.get(piece + 1).title();
        return title.length() <= Technique.LONGEST_TITLE
                ? title
                : title.substring(0, Technique.LONGEST_TITLE - 1).strip() + "…";
    }

    /** How often is asked by a group's title: two of one title would be one question. */
    private static Technique.Part told(Technique.Part part, Set<String> taken) {
        if (part instanceof Technique.Repeat repeat && !taken.add(repeat.title())) {
            String title = Stream.iterate(2, i -> i + 1)
                    .map(i -> "%s, %d".formatted(repeat.title(), i))
                    .filter(taken::add)
                    .findFirst()
                    .orElseThrow();
            return new Technique.Repeat(title, repeat.least(), repeat.most(), repeat.usual(), repeat.steps());
        }
        return part;
    }
}
