package nursery.core.plan;

import java.util.Arrays;
import java.util.Comparator;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import nursery.core.plan.Problem.Job;

/** Small changes to a plan's genes. */
final class Mutation {

    private static final int SESSION_SLOTS = 2 * Score.BREAK_MINUTES / Grid.MINUTES;
    /** So many changes in ten let a cup stay where it was known to be, or make room for the others that do. */
    private static final int CALMS = 8;

    private static final int LOOKS_FOR_LATE = 6;
    private static final int LOOKS_FOR_MOVED = 3;
    private static final int SLOTS_A_DAY = 24 * 60 / Grid.MINUTES;

    private final Problem problem;
    private final SplittableRandom random;
    private final int[] known;
    private final int[] straightOn;

    /** @param known by act: the slot a plan people know has it at; empty if there is none to keep to */
    Mutation(Problem problem, SplittableRandom random, int[] known) {
        this.problem = problem;
        this.known = known;
        this.random = random;
        straightOn = problem.jobs.stream()
                .flatMapToInt(job -> IntStream.range(0, job.acts().size())
                        .filter(i -> job.acts().get(i).mayScuffInstead())
                        .map(i -> job.first() + i))
                .toArray();
    }

    void change(Genes genes, Layout layout) {
        if (known.length > 0 && random.nextInt(10) < CALMS) {
            restore(genes, layout);
            return;
        }
        int kind = random.nextInt(100);
        if (kind < 15) {
            swap(genes.order());
        } else if (kind < 30) {
            move(genes.order());
        } else if (kind < 40) {
            together(genes.order(), layout);
        } else if (kind < 52 && straightOn.length > 0) {
            int act = straightOn[random.nextInt(straightOn.length)];
            genes.straightOn()[act] = !genes.straightOn()[act];
        } else if (kind < 77) {
            delay(genes, layout);
        } else if (kind < 87) {
            giveUpSession(genes, layout);
        } else {
            free(genes, layout);
        }
    }

    private void swap(int[] order) {
        int a = random.nextInt(order.length);
        int b = random.nextInt(order.length);
        int kept = order[a];
        order[a] = order[b];
        order[b] = kept;
    }

    private void move(int[] order) {
        int from = random.nextInt(order.length);
        int to = random.nextInt(order.length);
        int moved = order[from];
        for (int i = from; i != to; i += from < to ? 1 : -1) {
            order[i] = order[i + (from < to ? 1 : -1)];
        }
        order[to] = moved;
    }

    /** All of one cup's turns one after the other, before anything else or after so many. */
    private void together(int[] order, Layout layout) {
        int job = problem.jobOf(any(layout)).number();
        gather(order, job, random.nextInt(others(order, job) + 1));
    }

    private static int others(int[] order, int job) {
        return (int) Arrays.stream(order).filter(number -> number != job).count();
    }

    /** All turns of a cup one after the other, behind so many of the others'. */
    private static void gather(int[] order, int job, int before) {
        int[] others = Arrays.stream(order).filter(number -> number != job).toArray();
        int count = order.length - others.length;
        for (int i = 0; i < order.length; i++) {
            order[i] = i < before ? others[i] : i < before + count ? job : others[i - count];
        }
    }

    /** Puts a step off to just before or after another, so that they share a session or a mix, or by some hours. */
    private void delay(Genes genes, Layout layout) {
        int act = any(layout);
        if (layout.at()[act] < 0) {
            return;
        }
        int other = near(act, layout);
        int slot =
                switch (random.nextInt(6)) {
                    case 0 -> layout.at()[act] + 1 + random.nextInt(SLOTS_A_DAY / 2);
                    case 1 -> layout.at()[other] - act(act).hands();
                    // As late as still belongs to one session: so a gap is bridged.
                    case 2 -> layout.at()[other] + act(other).hands() + Score.BREAK_MINUTES / Grid.MINUTES;
                    case 3 -> layout.at()[other] - act(act).hands() - Score.BREAK_MINUTES / Grid.MINUTES;
                    default -> layout.at()[other] + act(other).hands();
                };
        putOff(genes, act, slot);
    }

    /** Puts everything around a step off until another, so that the session it was in is spared. */
    private void giveUpSession(Genes genes, Layout layout) {
        int act = random.nextInt(problem.acts);
        if (random.nextBoolean()) {
            joinNext(genes, layout, act);
            return;
        }
        int until = layout.at()[near(act, layout)];
        for (int other = 0; other < problem.acts; other++) {
            if (Math.abs(layout.at()[other] - layout.at()[act]) <= SESSION_SLOTS && layout.at()[other] < until) {
                putOff(genes, other, until);
            }
        }
    }

    /** Puts the whole session a step is in off until the next one, to just before it or into it. */
    private void joinNext(Genes genes, Layout layout, int act) {
        int from = layout.at()[act];
        int[] byTime = IntStream.range(0, problem.acts)
                .filter(other -> layout.at()[other] >= from && act(other).hands() > 0)
                .boxed()
                .sorted(Comparator.comparingInt(other -> layout.at()[other]))
                .mapToInt(Integer::intValue)
                .toArray();
        int ends = from;
        int worked = 0;
        for (int other : byTime) {
            int begins = layout.at()[other];
            if (begins - ends > Score.BREAK_MINUTES / Grid.MINUTES) {
                int until = random.nextBoolean() ? begins : begins - worked;
                for (int moved : byTime) {
                    if (layout.at()[moved] < begins) {
                        putOff(genes, moved, until);
                    }
                }
                return;
            }
            ends = Math.max(ends, begins + act(other).hands());
            worked += act(other).hands();
        }
    }

    /** What is done to a wet coat follows it at once: putting it off only makes it late. */
    private void putOff(Genes genes, int act, int slot) {
        if (!act(act).isWet()) {
            genes.notBefore()[act] = Math.max(0, slot);
        }
    }

    /**
     * Puts a cup's steps, or the rest of them, back to where they were known to be; it is given its place there before
     * all others, after them, or when it was its turn.
     */
    private void restore(Genes genes, Layout layout) {
        int act = random.nextInt(problem.acts);
        for (int tried = 0; tried < LOOKS_FOR_MOVED && !Calm.isMoved(layout, act, known[act]); tried++) {
            act = random.nextInt(problem.acts);
        }
        Job job = problem.jobOf(act);
        for (int i = random.nextBoolean() ? job.first() : act;
                i < job.first() + job.acts().size();
                i++) {
            genes.notBefore()[i] = known[i] == Act.NEVER ? 0 : known[i];
            genes.straightOn()[i] = false;
        }
        int when = random.nextInt(3);
        if (when < 2) {
            int[] order = genes.order();
            gather(order, job.number(), when == 0 ? 0 : others(order, job.number()));
        }
    }

    /** Another step, preferably one of the same day. */
    private int near(int act, Layout layout) {
        int found = act;
        for (int tried = 0; tried < 8; tried++) {
            found = random.nextInt(problem.acts);
            if (layout.at()[found] >= 0 && Math.abs(layout.at()[found] - layout.at()[act]) < SLOTS_A_DAY) {
                return found;
            }
        }
        return layout.at()[found] >= 0 ? found : act;
    }

    /** Lets a cup's steps, or a single one, be begun as soon as they can. */
    private void free(Genes genes, Layout layout) {
        int act = any(layout);
        if (random.nextBoolean()) {
            genes.notBefore()[act] = 0;
            return;
        }
        Job job = problem.jobOf(act);
        Arrays.fill(genes.notBefore(), job.first(), job.first() + job.acts().size(), 0);
    }

    /** A step, half of the time one of a cup that is late: there is the most to gain. */
    private int any(Layout layout) {
        int act = random.nextInt(problem.acts);
        int tries = random.nextBoolean() ? LOOKS_FOR_LATE : 0;
        for (int tried = 0; tried < tries && !isLate(problem.jobOf(act), layout); tried++) {
            act = random.nextInt(problem.acts);
        }
        return act;
    }

    private static boolean isLate(Job job, Layout layout) {
        return layout.ready()[job.number()] > job.due();
    }

    private Act act(int number) {
        Job job = problem.jobOf(number);
        return job.acts().get(number - job.first());
    }
}
