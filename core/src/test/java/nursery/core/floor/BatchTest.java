package nursery.core.floor;

import static nursery.core.floor.MadeFloor.START;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.core.floor.Batch.BatchShare;
import nursery.core.floor.Batch.Left;
import nursery.core.floor.Batch.Stirring;
import nursery.core.resin.Addition;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;
import org.junit.jupiter.api.Test;

/** What is known of a mix, and what is not: a guide that was clicked through says nothing. */
class BatchTest {

    private static Instant second(int s) {
        return START.plusSeconds(s);
    }

    private static Batch mixed(Optional<Instant> at, Stirring stirring) {
        return new Batch(
                7,
                1,
                2,
                MixRatio.parse("1:1"),
                new Mix(15, 15),
                40,
                START,
                "Mira",
                Optional.empty(),
                at,
                Optional.empty(),
                Optional.empty(),
                false,
                false,
                stirring,
                List.of());
    }

    private static Batch stirred(int first, int again, int rested) {
        return mixed(
                Optional.of(START),
                new Stirring(
                        Optional.of(first).filter(s -> s >= 0).map(BatchTest::second),
                        Optional.of(again).filter(s -> s >= 0).map(BatchTest::second),
                        Optional.of(rested).filter(s -> s >= 0).map(BatchTest::second)));
    }

    private static final Instant POURED = second(600);

    @Test
    void howLongWasStirredIsKnownByTheGuide() {
        assertThat(stirred(120, 240, 540).secondsStirred(POURED)).hasValue(240);
        assertThat(stirred(120, -1, -1).secondsStirred(POURED)).hasValue(120);
        assertThat(stirred(120, 700, -1).secondsStirred(POURED))
                .as("stirred again only after the pour")
                .hasValue(120);
        assertThat(stirred(30, -1, -1).secondsStirred(POURED)).hasValue(30);
        assertThat(stirred(29, -1, -1).secondsStirred(POURED))
                .as("clicked through")
                .isEmpty();
        assertThat(stirred(600, -1, -1).secondsStirred(POURED))
                .as("up to the pour")
                .hasValue(600);
        assertThat(stirred(2400, -1, -1).secondsStirred(second(3000))).hasValue(2400);
        assertThat(stirred(2401, -1, -1).secondsStirred(second(3000)))
                .as("no longer usable then")
                .isEmpty();
        assertThat(mixed(Optional.empty(), new Stirring(Optional.of(second(100)), Optional.empty(), Optional.empty()))
                        .secondsStirred(POURED))
                .as("nobody knows when A and B met")
                .isEmpty();
        assertThat(mixed(Optional.of(START), Stirring.UNKNOWN).secondsStirred(POURED))
                .isEmpty();
    }

    @Test
    void whetherInTwoCupsAndRestedIsKnownByTheGuide() {
        assertThat(stirred(120, 240, -1).inTwoCups(POURED)).contains(true);
        assertThat(stirred(120, -1, -1).inTwoCups(POURED)).contains(false);
        assertThat(stirred(120, 700, -1).inTwoCups(POURED))
                .as("only after the pour")
                .contains(false);
        assertThat(stirred(120, 149, -1).inTwoCups(POURED))
                .as("both touched at once")
                .isEmpty();
        assertThat(stirred(120, 150, -1).inTwoCups(POURED)).contains(true);
        assertThat(stirred(120, 600, -1).inTwoCups(POURED)).contains(true);
        assertThat(stirred(-1, -1, -1).inTwoCups(POURED)).isEmpty();
        assertThat(stirred(120, 240, 540).wasRested(POURED)).contains(true);
        assertThat(stirred(120, 240, 601).wasRested(POURED)).contains(false);
        assertThat(stirred(120, 240, -1).wasRested(POURED)).contains(false);
        assertThat(stirred(-1, -1, 540).wasRested(POURED)).isEmpty();
    }

    @Test
    void itsClockRunsFromWhenItWasMixed() {
        Batch batch = stirred(-1, -1, -1);
        BatchShare share = new BatchShare(1, "A", 5, 23, 4.5, List.of());
        assertThat(batch.offAt()).contains(second(2400));
        assertThat(batch.turnAt(share)).contains(second(270));
        assertThat(mixed(Optional.empty(), Stirring.UNKNOWN).offAt()).isEmpty();
        assertThat(mixed(Optional.empty(), Stirring.UNKNOWN).turnAt(share)).isEmpty();
        assertThat(batch.isOpen()).isTrue();
        assertThat(share.stirredIn()).isEmpty();
        assertThat(new BatchShare(1, "A", 5, 23, 4.5, List.of(new Addition(23, "white"))).stirredIn())
                .contains("white");
        assertThat(new Left(3, 2.5).totalMl()).isCloseTo(5.5, within(1e-12));
    }
}
