package nursery.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import nursery.core.technique.HandsOn.Timed;
import org.junit.jupiter.api.Test;

class HandsOnTest {

    private static List<Timed> timed(StepKind kind, double... minutes) {
        List<Timed> all = new ArrayList<>();
        for (double one : minutes) {
            all.add(new Timed(kind, one));
        }
        return all;
    }

    @Test
    void nothingTimedIsAsFromMemory() {
        assertThat(HandsOn.learned(List.of())).isEqualTo(HandsOn.STARTING);
        for (StepKind kind : StepKind.values()) {
            assertThat(HandsOn.STARTING.minutesOf(kind)).isEqualTo(kind.handsOnMinutes());
        }
    }

    /** By hand: sanding starts at 15; once 27 is (2·15 + 27)/3 = 19; three times 27 is (30 + 81)/5 = 22.2. */
    @Test
    void theStartingValueCountsLikeTwo() {
        assertThat(HandsOn.learned(timed(StepKind.SAND, 27)).minutesOf(StepKind.SAND))
                .isEqualTo(19);
        HandsOn three = HandsOn.learned(timed(StepKind.SAND, 27, 27, 27));
        assertThat(three.minutesOf(StepKind.SAND)).isEqualTo(22);
        assertThat(three.timed()).isEqualTo(Map.of(StepKind.SAND, 3));
        assertThat(three.minutesOf(StepKind.WASH)).isEqualTo(StepKind.WASH.handsOnMinutes());
    }

    /** By hand: of 9, 10, 11, 200 the middle is 10.5: (2·15 + 4·10.5)/6 = 12; the mean would have said 43. */
    @Test
    void theAfternoonAMakerWasCalledAwayDoesNotCount() {
        assertThat(HandsOn.learned(timed(StepKind.SAND, 10, 200, 9, 11)).minutesOf(StepKind.SAND))
                .isEqualTo(12);
    }

    @Test
    void whatCannotBeHandsOnOneCupIsLeftOut() {
        HandsOn none = HandsOn.learned(timed(StepKind.SAND, 0, -5, 0.49, 241, 100_000, Double.NaN));
        assertThat(none).isEqualTo(HandsOn.STARTING);
        assertThat(HandsOn.learned(timed(StepKind.REST, 40)).minutesOf(StepKind.REST))
                .isZero();
    }

    @Test
    void theNewestTwentyCount() {
        List<Timed> newestFirst = timed(
                StepKind.SAND,
                Collections.nCopies(20, 30.0).stream()
                        .mapToDouble(minutes -> minutes)
                        .toArray());
        newestFirst.addAll(timed(
                StepKind.SAND,
                Collections.nCopies(60, 5.0).stream()
                        .mapToDouble(minutes -> minutes)
                        .toArray()));
        HandsOn learned = HandsOn.learned(newestFirst);
        assertThat(learned.timed()).containsEntry(StepKind.SAND, 20);
        // By hand: (2·15 + 20·30)/22 = 28.6.
        assertThat(learned.minutesOf(StepKind.SAND)).isEqualTo(29);
    }

    /** A maker who takes 23 minutes give or take a third, and is called away every sixth time. */
    @Test
    void theTruthOfAMadeUpMakerIsFound() {
        Random random = new Random(26);
        for (int shop = 0; shop < 200; shop++) {
            List<Timed> all = new ArrayList<>();
            for (int i = 0; i < 20; i++) {
                double took = 23 * (1 + (random.nextDouble() - 0.5) / 1.5);
                all.add(new Timed(StepKind.SAND, random.nextInt(6) == 0 ? took * 6 : took));
            }
            assertThat((double) HandsOn.learned(all).minutesOf(StepKind.SAND)).isCloseTo(23, within(6.0));
        }
    }

    @Test
    void aPlanTakesAsLongAsItDoesHere() {
        HandsOn here = HandsOn.learned(timed(StepKind.SAND, 27));
        PlanStep sand = new PlanStep(1, StepKind.SAND, Wait.none(), "", Optional.empty());
        PlanStep wash = new PlanStep(2, StepKind.WASH, Wait.none(), "", Optional.empty());
        assertThat(here.on(List.of(sand, wash)))
                .extracting(PlanStep::handsOnMinutes)
                .containsExactly(19, 5);
        assertThat(sand.taking(40).numbered(7).waitingFor(Wait.none()).handsOnMinutes())
                .isEqualTo(40);
    }
}
