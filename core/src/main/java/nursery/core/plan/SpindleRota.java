package nursery.core.plan;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import nursery.core.log.Spindle;
import nursery.core.plan.PlannedStep.Turning;
import nursery.core.plan.Problem.Job;

/**
 * Gives every turning coat a spindle of its own: in order of their begin each takes the one its cup was on, or the
 * first that is free. As never more turn at once than there are spindles, this always comes out (an interval graph
 * needs no more colours than its largest clique has corners).
 */
final class SpindleRota {

    private final Problem problem;
    private final Layout layout;
    private final int[] freeFrom;
    private final int[] last;
    private final int[] holders;
    private final Map<Integer, Turning> turnings = new HashMap<>();

    private SpindleRota(Problem problem, Layout layout) {
        this.problem = problem;
        this.layout = layout;
        freeFrom = new int[problem.spindles];
        last = new int[problem.jobs.size()];
        Arrays.fill(last, -1);
        holders = new int[problem.spindles];
        Arrays.fill(holders, -1);
    }

    private record Coat(Job job, Act act, int number, int slot) {}

    static Map<Integer, Turning> of(Problem problem, Layout layout) {
        SpindleRota rota = new SpindleRota(problem, layout);
        problem.jobs.forEach(rota::running);
        rota.coats().forEach(rota::give);
        return rota.turnings;
    }

    /** What turns already, where it turns. */
    private void running(Job job) {
        job.hold().ifPresent(hold -> {
            int spindle = numberOf(hold.spindle());
            if (spindle >= 0) {
                last[job.number()] = spindle;
                holders[spindle] = job.number();
                freeFrom[spindle] = Math.max(freeFrom[spindle], job.start().heldUntil);
            }
        });
    }

    private int numberOf(Spindle spindle) {
        for (int i = 0; i < problem.spindles; i++) {
            if (problem.workshop.spindles().get(i).id() == spindle.id()) {
                return i;
            }
        }
        return -1;
    }

    private List<Coat> coats() {
        List<Coat> coats = new ArrayList<>();
        for (Job job : problem.jobs) {
            for (int i = 0; i < job.acts().size(); i++) {
                Act act = job.acts().get(i);
                int slot = layout.at()[job.first() + i];
                if (act.onSpindle() && slot != Layout.NOWHERE) {
                    coats.add(new Coat(job, act, job.first() + i, slot));
                }
            }
        }
        coats.sort(Comparator.comparingInt(Coat::slot).thenComparingInt(Coat::number));
        return coats;
    }

    private void give(Coat coat) {
        int own = last[coat.job().number()];
        int spindle = own >= 0 && (freeFrom[own] <= coat.slot() || isItself(coat, own)) ? own : firstFree(coat.slot());
        int gelled = Decoder.gelled(coat.act(), coat.slot());
        freeFrom[spindle] = gelled;
        last[coat.job().number()] = spindle;
        holders[spindle] = coat.job().number();
        turnings.put(
                coat.number(), new Turning(problem.workshop.spindles().get(spindle), problem.grid.instant(gelled)));
    }

    /** Whether the cup's own coat still turns there: the next one goes on without taking it off. */
    private boolean isItself(Coat coat, int spindle) {
        return freeFrom[spindle] > coat.slot() && holders[spindle] == coat.job().number();
    }

    private int firstFree(int slot) {
        for (int i = 0; i < freeFrom.length; i++) {
            if (freeFrom[i] <= slot) {
                return i;
            }
        }
        throw new IllegalStateException("More coats turn at slot %d than there are spindles.".formatted(slot));
    }
}
