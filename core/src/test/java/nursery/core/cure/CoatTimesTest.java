package nursery.core.cure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.StartingProfile;
import org.junit.jupiter.api.Test;

class CoatTimesTest {

    private static final Instant FIVE_PM = Instant.parse("2026-03-02T17:00:00Z");
    private static final Label REGULAR = StartingProfile.REGULAR.label();
    private static final RoomCourse LABEL_ROOM = RoomCourse.steady(REGULAR.referenceC());

    /**
     * Common practice, worked: a regular coat at 17:00 is recoated from 21:00, gripping well until about 05:00, at the
     * latest by 17:00 next day; sanded from 01:00–05:00; scuffed after 17:00 next day.
     */
    @Test
    void aRegularCoatAtFiveInTheAfternoon() {
        CoatTimes coat = new CoatTimes(REGULAR, LABEL_ROOM, FIVE_PM);
        assertThat(coat.tackWindow())
                .isEqualTo(
                        Window.between(Instant.parse("2026-03-02T21:00:00Z"), Instant.parse("2026-03-03T05:00:00Z")));
        assertThat(coat.recoatWindow().closesAtExclusive()).contains(Instant.parse("2026-03-03T17:00:00Z"));
        assertThat(coat.sandableFrom()).isEqualTo("2026-03-03T01:00:00Z");
        assertThat(coat.sandableSure()).isEqualTo("2026-03-03T05:00:00Z");
        assertThat(coat.scuffAfter()).isEqualTo("2026-03-03T17:00:00Z");
        assertThat(coat.fullCureAt()).isEqualTo("2026-03-05T17:00:00Z");
    }

    /** Common practice (P28): ten degrees colder is about half as fast, so a four-hour wait takes about eight. */
    @Test
    void aColdRoomMovesTheWindow() {
        CoatTimes cold = new CoatTimes(REGULAR, RoomCourse.steady(12), FIVE_PM);
        assertThat(Duration.between(FIVE_PM, cold.tackWindow().opensAt()).toMinutes())
                .isBetween(450L, 520L);
    }

    @Test
    void theWindowIsHalfOpen() {
        Window tack = new CoatTimes(REGULAR, LABEL_ROOM, FIVE_PM).tackWindow();
        assertThat(tack.isOpenAt(tack.opensAt())).isTrue();
        assertThat(tack.isOpenAt(tack.closesAtExclusive().orElseThrow())).isFalse();
        assertThat(tack.hasClosedBy(tack.closesAtExclusive().orElseThrow())).isTrue();
        assertThat(Window.from(FIVE_PM).hasClosedBy(Instant.MAX)).isFalse();
    }

    @Test
    void phasesFollowEachOtherWithoutGaps() {
        List<CoatTimes.PhaseBegin> spans = new CoatTimes(REGULAR, LABEL_ROOM, FIVE_PM).phases();
        assertThat(spans)
                .extracting(CoatTimes.PhaseBegin::phase)
                .containsExactly(Phase.WORKABLE, Phase.TURNING, Phase.TACK, Phase.FADING, Phase.CURED, Phase.FULL_CURE);
        assertThat(spans.get(0).startsAt()).isEqualTo(FIVE_PM);
    }

    @Test
    void whereWindowsOverlapTheOneThatClosesIsNamed() {
        LabelTimes fast = StartingProfile.FAST.label().times();
        assertThat(Phase.at(fast, 3)).isEqualTo(Phase.TACK);
        assertThat(Phase.at(fast, 8)).isEqualTo(Phase.FADING);
        LabelTimes narrow = new LabelTimes(40 / 60.0, 4, 4, 5, 8, 12, 6, 24, 72);
        assertThat(Phase.at(narrow, 5.5)).isEqualTo(Phase.FADING);
        assertThat(Phase.at(narrow, 7)).isEqualTo(Phase.HARDENING);
        assertThat(Phase.at(narrow, 9)).isEqualTo(Phase.SANDABLE);
    }

    @Test
    void betweenTurningAndTackACoatIsGelled() {
        LabelTimes times = new LabelTimes(1, 4, 6, 9, 12, 16, 24, 36, 96);
        assertThat(Phase.at(times, 5)).isEqualTo(Phase.GELLED);
    }

    @Property
    void thePhaseNowIsTheSpanNowLiesIn(
            @ForAll @DoubleRange(min = 0, max = 90) double hours,
            @ForAll @DoubleRange(min = 8, max = 32) double roomC) {
        CoatTimes coat = new CoatTimes(REGULAR, RoomCourse.steady(roomC), FIVE_PM);
        Instant now = FIVE_PM.plusMillis(Math.round(hours * 3_600_000)).plusMillis(2);
        Phase expected = coat.phases().stream()
                .filter(span -> !span.startsAt().isAfter(now))
                .reduce((first, second) -> second)
                .orElseThrow()
                .phase();
        boolean onABoundary = coat.phases().stream()
                .anyMatch(span -> Duration.between(span.startsAt(), now).abs().toMillis() < 3);
        assertThat(onABoundary || coat.phaseAt(now) == expected).isTrue();
    }
}
