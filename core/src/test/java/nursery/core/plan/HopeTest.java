package nursery.core.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import nursery.core.cure.RoomCourse;
import nursery.core.cure.RoomReading;
import nursery.core.plan.Problem.Job;
import org.junit.jupiter.api.Test;

/** Cups with fast resin in a room that is warm by day and cold by night: by day no hands are quick enough. */
class HopeTest {

    private static final int TWO_HOURS = 2 * Grid.SLOTS_PER_HOUR;
    private static final int FIVE_DAYS = 5 * 24 * Grid.SLOTS_PER_HOUR;

    private final Problem problem = new Problem(inARoom(30, 8));

    private static Workshop inARoom(double dayC, double nightC) {
        Workshop shop = RandomWorkshop.of(3, 60, 12);
        List<RoomReading> readings = new ArrayList<>();
        for (int hour = -96; hour <= 96; hour += 6) {
            readings.add(new RoomReading(
                    shop.now().plus(Duration.ofHours(hour)), Math.floorMod(hour, 24) < 12 ? dayC : nightC));
        }
        return new Workshop(
                shop.now(),
                new RoomCourse(readings),
                shop.hours(),
                shop.spindles(),
                shop.cups(),
                List.of(),
                Duration.ofDays(30));
    }

    private static int ask(Hope hope, Job job, int pour, int slot) {
        return hope.from(job, pour, job.endWhileWet(pour), job.start(), slot);
    }

    private interface Each {
        void pour(Job job, int pour);
    }

    private void eachPour(Each each) {
        for (Job job : problem.jobs) {
            for (int i = 0; i < job.acts().size(); i++) {
                if (job.acts().get(i).isPour()) {
                    each.pour(job, i);
                }
            }
        }
    }

    @Test
    void theAnswerNeverDependsOnWhatWasAskedBefore() {
        Hope askedOften = new Hope(problem);
        Random random = new Random(1);
        eachPour((job, pour) -> {
            for (int i = 0; i < 40; i++) {
                int slot = random.nextInt(FIVE_DAYS);
                assertThat(ask(askedOften, job, pour, slot)).isEqualTo(ask(new Hope(problem), job, pour, slot));
            }
        });
    }

    @Test
    void noSlotOfEverySecondHourThatHasHopeIsPassedOver() {
        List<Integer> later = new ArrayList<>();
        eachPour((job, pour) -> {
            for (int slot = 0; slot < FIVE_DAYS; slot += 7) {
                int found = ask(new Hope(problem), job, pour, slot);
                int end = found == Layout.NOWHERE ? FIVE_DAYS : found;
                for (int between = (slot / TWO_HOURS + 1) * TWO_HOURS; between < end; between += TWO_HOURS) {
                    assertThat(ask(new Hope(problem), job, pour, between)).isNotEqualTo(between);
                }
                if (found > slot) {
                    later.add(slot);
                }
            }
        });
        assertThat(later).as("slots that had to wait for a colder hour").isNotEmpty();
    }

    @Test
    void inARoomThatStaysWarmWhatHasNoHopeNeverHasAny() {
        Problem warm = new Problem(inARoom(30, 30));
        List<Integer> answers = new ArrayList<>();
        for (Job job : warm.jobs) {
            for (int i = 0; i < job.acts().size(); i++) {
                if (job.acts().get(i).isPour()) {
                    answers.add(ask(new Hope(warm), job, i, 50));
                }
            }
        }
        assertThat(answers).containsOnly(50, Layout.NOWHERE).contains(50, Layout.NOWHERE);
    }
}
