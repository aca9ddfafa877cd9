package nursery.core.surface;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Oracle.Done;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.Where;
import org.junit.jupiter.api.Test;

/** The table against a brute force written apart from it, on surfaces nobody would think of. */
class OracleTest {

    private static final int SURFACES = 2000;
    private static final LabelTimes REGULAR = StartingProfile.REGULAR.label().times();
    private static final LabelTimes FAST = StartingProfile.FAST.label().times();
    /** Waits that meet both sides of every figure; half a minute is added, so that none is hit exactly. */
    private static final int[] WAITS = {0, 1, 4, 12, 20, 40, 70, 130, 250, 310, 500, 750, 1500, 2200, 4400};

    private static How how(Random random) {
        Grit[] grits = {Grit.UNSAID, Grit.of(80), Grit.of(180), Grit.of(220), new Grit(120, 220)};
        Fields fields = new Fields(
                pick(random, Fields.Sealer.values()),
                pick(random, Fields.Cleaner.values()),
                pick(random, Fields.Heat.values()),
                pick(random, Fields.Grain.values()),
                pick(random, Fields.Colours.values()),
                random.nextInt(3) == 0 ? pick(random, Fields.Strewn.values()) : Fields.Strewn.ON_TOP,
                pick(random, Fields.Vinyl.values()),
                pick(random, grits),
                pick(random, Fields.Dust.values()),
                pick(random, Fields.Turned.values()),
                Where.USUAL);
        return new How(
                fields,
                random.nextBoolean(),
                random.nextInt(6) == 0,
                random.nextInt(6) == 0 ? pick(random, How.Ratio.values()) : How.Ratio.UNKNOWN);
    }

    private static <T> T pick(Random random, T[] all) {
        return all[random.nextInt(all.length)];
    }

    private static Place place(Random random, Doing doing) {
        Place usual = Work.usualPlace(doing);
        return switch (random.nextInt(12)) {
            case 6 -> Place.band(100, Place.RIM_MM);
            case 7 -> new Place(true, 0, 100, true);
            case 8 -> pick(random, new Place[] {Place.BASE, Place.RIM, Place.RIM_AND_BASE});
            case 0 -> Place.band(0, 100);
            case 1 -> Place.SPOTS;
            case 2 -> Place.ALL;
            default -> usual;
        };
    }

    /** @param before what was done before: what is stirred in is often followed by a wave */
    private static Work work(Random random, int id, Doing before) {
        Doing doing =
                before == Doing.GLITTER && random.nextInt(4) == 0 ? Doing.PARTIAL_COAT : pick(random, Doing.values());
        if (doing == Doing.STRIP) {
            doing = Doing.WASH;
        }
        Optional<LabelTimes> label =
                doing.isPour() ? Optional.of(random.nextInt(3) == 0 ? FAST : REGULAR) : Optional.empty();
        return new Work(id, doing, how(random), place(random, doing), label);
    }

    private static Timeline clock(List<Done> log) {
        return new Timeline() {
            @Override
            public double begun(int work, double minutes) {
                return log.get(work - 1).begun() + minutes;
            }

            @Override
            public double ended(int work, double minutes) {
                return (work == 0 ? 0 : log.get(work - 1).ended()) + minutes;
            }

            @Override
            public double age(int pour, double hours) {
                return log.get(pour - 1).begun() + hours * 60;
            }
        };
    }

    @Test
    void theTableAndTheBruteForceAgree() {
        Random random = new Random(20261130);
        Map<String, Integer> seen = new TreeMap<>();
        for (int i = 0; i < SURFACES; i++) {
            boolean factoryCoat = random.nextInt(4) == 0;
            Surface surface = Surface.of(factoryCoat);
            List<Done> log = new ArrayList<>();
            double now = 0;
            int works = random.nextInt(14);
            Doing before = Doing.WASH;
            for (int id = 1; id <= works; id++) {
                now += WAITS[random.nextInt(WAITS.length)] + 0.5;
                Work work = work(random, id, before);
                before = work.doing();
                int minutes = random.nextInt(5);
                log.add(new Done(work, now, minutes));
                now += minutes;
                surface = surface.after(work);
            }
            Oracle oracle = new Oracle(log, factoryCoat);
            Timeline clock = clock(log);
            for (Doing doing : Doing.values()) {
                if (doing == Doing.STRIP || random.nextInt(3) > 0) {
                    continue;
                }
                Work next = new Work(
                        works + 1,
                        doing,
                        how(random),
                        Work.usualPlace(doing),
                        doing.isPour() ? Optional.of(random.nextBoolean() ? FAST : REGULAR) : Optional.empty());
                double moment = now + (random.nextBoolean() ? 0 : WAITS[random.nextInt(WAITS.length)]) + 0.25;
                Set<String> told = new TreeSet<>();
                Table.bounds(next, surface, List.of()).stream()
                        .filter(bound -> new Opening.Placed(bound, bound.on(clock)).isBrokenAt(moment))
                        .forEach(bound -> told.add(bound.cell().name()));
                assertThat(told)
                        .as("surface %d, %s at %s after %s", i, next, moment, log)
                        .isEqualTo(oracle.wrong(next, moment));
                told.forEach(cell -> seen.merge(cell, 1, Integer::sum));
            }
        }
        Set<Cell> never = EnumSet.allOf(Cell.class);
        // A plan's own way is no cell of the table.
        never.remove(Cell.OWN_WAY);
        never.removeIf(cell -> seen.containsKey(cell.name()));
        assertThat(never).as("cells that no surface broke").isEmpty();
    }
}
