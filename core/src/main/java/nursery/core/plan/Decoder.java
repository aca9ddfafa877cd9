package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Objects;
import nursery.core.plan.Problem.Job;
import nursery.core.plan.Problem.Mixing;

/**
 * Lays a plan out from its genes: a serial schedule-generation scheme (Kolisch 1996) with the craft's own logic. Each
 * turn gives one cup's next steps the first place that hands, booth, spindles and windows allow. Steps that can only
 * follow while a coat is wet are placed with it or not at all, so that no coat is poured that cannot be seen through;
 * by the genes the next coat straight on is as well.
 *
 * <p>Keeps its work space, so one decoder serves one thread.
 */
final class Decoder {

    /** So many begins are tried for a coat and what must follow it; then there is no such place. */
    private static final int TRIES = 1200;
    /** Waiting longer than this for a coat straight on is worth no scuffing saved. */
    private static final int TRIES_STRAIGHT_ON = 250;

    private final Problem problem;
    private final Bench bench;
    private final Progress[] cups;
    private final int[] next;
    private final Progress trial = new Progress();
    private final Hope hope;
    private final int[] at;
    private final boolean[] scuffed;
    private final boolean[] missed;
    private final int[] faded;
    private final List<BitSet> pours = new ArrayList<>();

    Decoder(Problem problem) {
        this.problem = problem;
        bench = new Bench(problem);
        hope = new Hope(problem);
        cups = new Progress[problem.jobs.size()];
        Arrays.setAll(cups, i -> new Progress());
        next = new int[cups.length];
        at = new int[problem.acts];
        scuffed = new boolean[problem.acts];
        missed = new boolean[problem.acts];
        faded = new int[problem.acts];
        problem.resins.forEach(resin -> pours.add(new BitSet()));
    }

    /** Genes that ask for a coat straight on where there is no place for it are changed to not ask again. */
    Layout lay(Genes genes) {
        clear();
        for (int number : genes.order()) {
            placeNext(problem.jobs.get(number), genes);
        }
        for (Job job : problem.jobs) {
            while (next[job.number()] < job.acts().size()) {
                placeNext(job, genes);
            }
        }
        return new Layout(at.clone(), scuffed.clone(), missed.clone(), ready(), score(), bench.gathered());
    }

    private void clear() {
        bench.clear();
        Arrays.fill(next, 0);
        Arrays.fill(at, Layout.NOWHERE);
        Arrays.fill(scuffed, false);
        Arrays.fill(missed, false);
        Arrays.fill(faded, 0);
        pours.forEach(BitSet::clear);
        for (Job job : problem.jobs) {
            cups[job.number()].set(job.start());
            bench.turn(0, job.start().heldUntil);
            job.acts().stream().filter(act -> act.pinned() >= 0).forEach(act -> bench.keep(act.pinned(), act.hands()));
        }
    }

    private void placeNext(Job job, Genes genes) {
        int from = next[job.number()];
        if (from >= job.acts().size()) {
            return;
        }
        int wet = job.endWhileWet(from);
        int linked = endStraightOn(job, wet, genes);
        if (linked > wet) {
            if (findAndDo(job, from, linked, genes.notBefore(), TRIES_STRAIGHT_ON)) {
                return;
            }
            genes.straightOn()[job.first() + wet] = false;
        }
        if (!findAndDo(job, from, wet, genes.notBefore(), TRIES) && !force(job, from, wet, genes.notBefore())) {
            leaveOut(job, from);
        }
    }

    /** Places neither a step nor what comes after it, and forgets what was tried for them. */
    private void leaveOut(Job job, int from) {
        int end = job.acts().size();
        Arrays.fill(at, job.first() + from, job.first() + end, Layout.NOWHERE);
        Arrays.fill(scuffed, job.first() + from, job.first() + end, false);
        Arrays.fill(missed, job.first() + from, job.first() + end, false);
        Arrays.fill(faded, job.first() + from, job.first() + end, 0);
        next[job.number()] = end;
    }

    private boolean findAndDo(Job job, int from, int end, int[] notBefore, int tries) {
        int earliest = notBefore[job.first() + from];
        Act first = job.acts().get(from);
        Progress cup = cups[job.number()];
        Gate.Window window = first.window(cup);
        if (find(job, from, end, notBefore, Math.max(earliest, window.opens()), window.closes(), false, tries)) {
            return carryOut(job, from, end);
        }
        return first.scuff() != null
                && find(
                        job,
                        from,
                        end,
                        notBefore,
                        Math.max(earliest, first.scuff().opens(cup)),
                        Act.NEVER,
                        true,
                        tries)
                && carryOut(job, from, end);
    }

    /** The steps that must be done while a coat is wet, and the same with every coat that is to follow straight on. */
    private static int endStraightOn(Job job, int wet, Genes genes) {
        int end = wet;
        while (end < job.acts().size()
                && genes.straightOn()[job.first() + end]
                && job.acts().get(end).mayScuffInstead()) {
            end = job.endWhileWet(end);
        }
        return end;
    }

    private boolean find(
            Job job, int from, int end, int[] notBefore, int opens, int closes, boolean scuffFirst, int tries) {
        int scuffing = scuffFirst ? Act.SCUFF_SLOTS : 0;
        int wet = job.endWhileWet(from);
        int earliest = opens;
        for (int tried = 0; tried < tries; tried++) {
            int begins = hope.from(job, from, wet, cups[job.number()], earliest + scuffing);
            trial.set(cups[job.number()]);
            int found = begins == Bench.NOWHERE ? begins : place(job, from, begins - scuffing, scuffFirst);
            if (found == Bench.NOWHERE || found >= closes) {
                return false;
            }
            if (placeRest(job, from + 1, end, notBefore)) {
                return true;
            }
            earliest = hope.after(job, from, end, cups[job.number()], found) - scuffing;
        }
        return false;
    }

    private boolean placeRest(Job job, int from, int end, int[] notBefore) {
        for (int i = from; i < end; i++) {
            Gate.Window window = job.acts().get(i).window(trial);
            int found = place(job, i, Math.max(notBefore[job.first() + i], window.opens()), false);
            if (found == Bench.NOWHERE || found >= window.closes()) {
                return false;
            }
        }
        return true;
    }

    /**
     * Gives a step its first place on the trial cup; the slot is the work's, or the pour's if the coat below is scuffed
     * first.
     */
    private int place(Job job, int index, int earliest, boolean scuffFirst) {
        Act act = job.acts().get(index);
        int scuffing = scuffFirst ? Act.SCUFF_SLOTS : 0;
        int slot = Math.max(earliest, trial.free);
        // What is kept for a pin is the work's own time; scuffing right before it must find more.
        boolean pinned = act.pinned() >= slot && !bench.isTaken(act.pinned() + act.hands(), scuffing);
        slot = pinned ? act.pinned() : slot;
        while (true) {
            int begins = pinned || act.hands() == 0 ? slot : bench.hands(slot, act.hands() + scuffing, act.inBooth());
            if (begins == Bench.NOWHERE || begins >= problem.grid.slots()) {
                return Bench.NOWHERE;
            }
            int found = begins + scuffing;
            int blocked = act.onSpindle()
                    ? bench.lastFull(Math.max(found, trial.heldUntil), gelled(act, found))
                    : Bench.NOWHERE;
            if (blocked == Bench.NOWHERE) {
                note(job.first() + index, act, found, scuffFirst);
                return found;
            }
            // Not even a pin turns a cup where nothing turns.
            pinned = false;
            slot = blocked + 1 - scuffing;
        }
    }

    private void note(int number, Act act, int slot, boolean scuffFirst) {
        at[number] = slot;
        scuffed[number] = scuffFirst;
        missed[number] = act.lacks()
                || act.pinned() == Act.PINNED_IN_VAIN
                || act.pinned() >= 0 && act.pinned() != slot - (scuffFirst ? Act.SCUFF_SLOTS : 0);
        faded[number] = scuffFirst ? 0 : act.fadedHours(trial, slot);
        trial.does(act, slot);
    }

    static int gelled(Act act, int slot) {
        return Objects.requireNonNull(act.clock())
                .from(act.clock().at(slot)
                        + Objects.requireNonNull(act.label()).times().turningH());
    }

    /** Takes hands and spindle for steps that have found their places. */
    private boolean carryOut(Job job, int from, int end) {
        Progress cup = cups[job.number()];
        for (int i = from; i < end; i++) {
            Act act = job.acts().get(i);
            int number = job.first() + i;
            int scuffing = scuffed[number] ? Act.SCUFF_SLOTS : 0;
            int held = cup.heldUntil;
            cup.does(act, at[number]);
            if (act.hands() > 0) {
                bench.work(at[number] - scuffing, act.hands() + scuffing);
            }
            if (act.isPour()) {
                pours.get(act.resin()).set(at[number]);
                bench.turn(Math.max(at[number], held), cup.heldUntil);
            }
        }
        next[job.number()] = end;
        return true;
    }

    /** One after the other, too late for their windows: better than not at all. */
    private boolean force(Job job, int from, int end, int[] notBefore) {
        trial.set(cups[job.number()]);
        for (int i = from; i < end; i++) {
            Gate.Window window = job.acts().get(i).window(trial);
            int found = place(job, i, Math.max(notBefore[job.first() + i], window.opens()), false);
            if (found == Bench.NOWHERE) {
                return false;
            }
            missed[job.first() + i] |= found >= window.closes();
        }
        return carryOut(job, from, end);
    }

    private int[] ready() {
        int[] ready = new int[cups.length];
        for (Job job : problem.jobs) {
            boolean whole = at[job.first() + job.acts().size() - 1] != Layout.NOWHERE;
            ready[job.number()] = whole ? cups[job.number()].ready() : problem.grid.slots();
        }
        return ready;
    }

    private Score score() {
        int notPlaced = 0;
        int misses = 0;
        int scuffs = 0;
        int fadedHours = 0;
        for (int i = 0; i < at.length; i++) {
            notPlaced += at[i] == Layout.NOWHERE ? 1 : 0;
            misses += missed[i] ? 1 : 0;
            scuffs += scuffed[i] ? 1 : 0;
            fadedHours += faded[i];
        }
        long late = 0;
        long finish = 0;
        int[] ready = ready();
        for (Job job : problem.jobs) {
            late += Math.max(0, ready[job.number()] - (long) job.due())
                    * job.cup().promise().matters()
                    * Grid.MINUTES;
            finish += (long) ready[job.number()] * Grid.MINUTES;
        }
        return new Score(notPlaced, misses, late, scuffs, bench.sessions(), fadedHours, mixes(), finish);
    }

    /** As few mixes as serve every coat: each serves all that are poured until it is too old. */
    private int mixes() {
        int mixes = 0;
        for (int resin = 0; resin < pours.size(); resin++) {
            Mixing mixing = problem.resins.get(resin);
            for (int slot = pours.get(resin).nextSetBit(0); slot >= 0; mixes++) {
                slot = pours.get(resin).nextSetBit(mixing.serves(slot));
            }
        }
        return mixes;
    }
}
