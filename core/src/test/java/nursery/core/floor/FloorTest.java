package nursery.core.floor;

import static nursery.core.floor.MadeFloor.FAST;
import static nursery.core.floor.MadeFloor.ONE;
import static nursery.core.floor.MadeFloor.REGULAR;
import static nursery.core.floor.MadeFloor.TWO;
import static nursery.core.floor.MadeFloor.at;
import static nursery.core.floor.MadeFloor.cup;
import static nursery.core.floor.MadeFloor.hour;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;
import nursery.core.floor.Batch.BatchShare;
import nursery.core.floor.Batch.Stirring;
import nursery.core.log.LogEntry;
import nursery.core.log.Spindle;
import nursery.core.measure.InvalidInput;
import nursery.core.plan.PlannedMix;
import nursery.core.plan.PlannedStep;
import nursery.core.resin.Mix;
import nursery.core.resin.MixRatio;
import nursery.core.resin.Portion;
import nursery.core.technique.PlanStep;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.Test;

/**
 * A floor's answers. A regular resin at 22 °C turns for 4 h and takes the next coat straight on for 4 to 12 h (P13,
 * P14); a thin adhesive has set after 3 h (P19).
 */
class FloorTest {

    private static List<String> codes(List<CupNow> cups) {
        return cups.stream().map(CupNow::code).toList();
    }

    private static CupNow find(Floor floor, String code) {
        return floor.find(code).orElseThrow();
    }

    private static Batch batch(String code, int step, boolean closed) {
        Mix mix = new Mix(15, 15);
        return new Batch(
                7,
                1,
                2,
                MixRatio.parse("1:1"),
                mix,
                40,
                hour(5),
                "Mira",
                Optional.empty(),
                Optional.of(hour(5)),
                closed ? Optional.of(hour(5.5)) : Optional.empty(),
                Optional.empty(),
                false,
                false,
                Stirring.UNKNOWN,
                List.of(new BatchShare(0, code, step, 23, 0, List.of())));
    }

    @Test
    void aCupIsFoundByItsCode() {
        Floor floor =
                at(6).with(cup("A").glittered()).with(cup("B").glittered()).made();
        assertThat(find(floor, "B").code()).isEqualTo("B");
        assertThat(floor.find("C")).isEmpty();
        CupNow other = at(6).with(cup("B").flooded(5, ONE)).made().cups().get(0);
        Floor changed = floor.with(other);
        assertThat(find(changed, "B")).isEqualTo(other);
        assertThat(find(changed, "A")).isEqualTo(find(floor, "A"));
    }

    @Test
    void aSpindleIsTakenWhileItsCoatTurns() {
        Floor floor =
                at(7).with(cup("A").flooded(6, ONE)).with(cup("B").glittered()).made();
        assertThat(floor.on(ONE).map(CupNow::code)).contains("A");
        assertThat(floor.on(TWO)).isEmpty();
        assertThat(floor.freeSpindles()).containsExactly(TWO);
        assertThat(floor.spindleFor(find(floor, "B"))).contains(TWO);
    }

    /** A cup that is to be sanded next makes room once its coat need not turn; an empty spindle goes before it. */
    @Test
    void aCoatThatNeedNotTurnMakesRoom() {
        MadeFloor.Story sandedNext = cup("A", School.NEXT_DAY).flooded(6, ONE);
        assertThat(at(9.9).with(sandedNext).made().freeSpindles()).containsExactly(TWO);
        assertThat(at(10).with(sandedNext).made().freeSpindles()).containsExactly(TWO, ONE);
    }

    /** Its next coat is due where it is: who turns on goes on. */
    @Test
    void aCupThatIsCoatedAgainStaysWhereItIs() {
        Floor floor = at(10.5).spindles(ONE)
                .with(cup("A").flooded(6, ONE))
                .with(cup("B").glittered())
                .made();
        assertThat(floor.freeSpindles()).isEmpty();
        assertThat(floor.spindleFor(find(floor, "A"))).contains(ONE);
        assertThat(floor.spindleFor(find(floor, "B"))).isEmpty();
        Placing both = floor.placing(floor.cups());
        assertThat(both.waits(find(floor, "B")).orElseThrow().until())
                .as("its coat may come off already, so nothing tells when it will")
                .isEmpty();
    }

    @Test
    void whoFindsNoSpindleWaitsUntilOneIsFree() {
        Floor floor = at(7).with(cup("A").flooded(6, ONE))
                .with(cup("B").glittered())
                .with(cup("C").glittered())
                .made();
        Placing placing = floor.placing(List.of(find(floor, "B"), find(floor, "C")));
        assertThat(codes(placing.cups())).containsExactly("B");
        assertThat(placing.on(find(floor, "B"))).contains(TWO);
        assertThat(placing.on(find(floor, "C"))).isEmpty();
        assertThat(placing.waits(find(floor, "B"))).isEmpty();
        Placing.Waits waits = placing.waits(find(floor, "C")).orElseThrow();
        assertThat(waits.why()).isEqualTo(Placing.Why.NO_SPINDLE);
        assertThat(waits.until()).contains(hour(10));
        assertThat(waits.words(moment -> "10:00")).isEqualTo("no spindle left until 10:00");
        assertThat(codes(floor.placing(List.of(find(floor, "C"), find(floor, "B")))
                        .cups()))
                .as("who is named first goes first")
                .containsExactly("C");
    }

    @Test
    void aThinAdhesiveThatHangsTakesNoSpindle() {
        Floor floor = at(3).spindles()
                .with(cup("A", School.HANG).done(StepKind.PREP, 0.5).done(StepKind.PAINT, 0.75))
                .with(cup("B", School.TURN).done(StepKind.PREP, 0.5).done(StepKind.PAINT, 0.75))
                .made();
        Placing placing = floor.placing(floor.cups());
        assertThat(codes(placing.cups())).containsExactly("A");
        assertThat(placing.spindles()).isEmpty();
        assertThat(placing.waiting()).extracting(waits -> waits.cup().code()).containsExactly("B");
    }

    /** What closes first is first; what waits, or needs no coat next, is not due. */
    @Test
    void coatsAreDueInTheOrderTheirWindowsClose() {
        Floor floor = at(10.5).with(cup("A").glittered())
                .with(cup("B").flooded(6.2, ONE))
                .with(cup("C").flooded(6, TWO))
                .with(cup("D").done(StepKind.PREP, 9))
                .with(cup("E").flooded(9, new Spindle(9, "Elsewhere", 3)))
                .made();
        assertThat(codes(floor.coatsDue())).containsExactly("C", "B", "A");
    }

    @Test
    void oneMixServesOneResin() {
        Floor floor = at(8).with(cup("A").glittered())
                .with(cup("B", FAST).glittered())
                .with(cup("C").glittered())
                .made();
        assertThat(codes(floor.dueTogether(Optional.empty()).cups())).containsExactly("A", "C");
        assertThat(codes(floor.dueTogether(Optional.of(FAST)).cups())).containsExactly("B");
        assertThat(floor.dueTogether(Optional.of(FAST)).spindles()).containsOnlyKeys("B");
        assertThat(at(1).with(cup("A")).made().dueTogether(Optional.empty()).cups())
                .isEmpty();
    }

    /** As many as are reached before the mix is off: one more would not be, by the sheet that says so. */
    @Test
    void aMixTakesNoMoreCupsThanItReaches() {
        MadeFloor made = at(6).spindles(IntStream.rangeClosed(1, 12)
                .mapToObj(i -> new Spindle(i, "S" + i, 3))
                .toArray(Spindle[]::new));
        for (int i = 10; i < 22; i++) {
            made.with(cup("N" + i).glittered());
        }
        Floor floor = made.made();
        Placing together = floor.dueTogether(Optional.empty());
        int served = together.cups().size();
        assertThat(served).isBetween(2, 11);
        assertThat(together.waiting()).hasSize(12 - served).allMatch(waits -> waits.why() == Placing.Why.MIX_OFF);
        assertThat(together.spindles()).hasSize(served);
        assertThat(together.waiting().get(0).words(moment -> "never")).isEqualTo("the mix is off before its turn");
        List<Portion> portions = floor.coatsDue().stream()
                .map(cup -> new Portion(
                        cup.code(),
                        floor.share(cup, cup.nextCoat().orElseThrow()).suggestedMl(),
                        Optional.empty()))
                .toList();
        assertThat(floor.sheet(REGULAR, portions.subList(0, served), false).mixAgainBefore())
                .isEmpty();
        assertThat(floor.sheet(REGULAR, portions.subList(0, served + 1), false).mixAgainBefore())
                .isPresent();
    }

    @Test
    void whatSomebodyMixesForIsNotDue() {
        int flood = cup("A").number(StepKind.FLOOD_COAT);
        Floor floor = at(6).spindles(ONE)
                .with(cup("A").glittered())
                .with(cup("B").glittered())
                .mixing(batch("A", flood, false))
                .made();
        assertThat(floor.isUnderWay(find(floor, "A"))).isTrue();
        assertThat(floor.batchFor(find(floor, "A")).map(Batch::number)).contains(7L);
        assertThat(floor.isUnderWay(find(floor, "B"))).isFalse();
        assertThat(codes(floor.stillToPour(floor.open().get(0)))).containsExactly("A");
        assertThat(codes(floor.coatsDue())).containsExactly("B");
        assertThat(floor.placing(List.of(find(floor, "B"))).waiting())
                .as("the spindle is for the cup that is mixed for")
                .hasSize(1);

        Floor poured = at(6).with(cup("A").flooded(5.5, ONE))
                .mixing(batch("A", flood, false))
                .mixing(batch("gone", flood, false))
                .made();
        assertThat(poured.isUnderWay(find(poured, "A"))).isFalse();
        assertThat(poured.stillToPour(poured.open().get(0))).isEmpty();
        assertThat(poured.stillToPour(poured.open().get(1))).isEmpty();
    }

    /** P45: no flame near a solvent until it has flashed off. */
    @Test
    void aFlameIsWarnedOfWhatBurnsBesideIt() {
        MadeFloor.Story coated = cup("A").glittered();
        Floor floor = at(6).with(coated)
                .with(cup("B", School.ACETONE).done(StepKind.PREP, 5.9))
                .with(cup("C", School.ACETONE).done(StepKind.PREP, 5.95))
                .made();
        Floor.Beside beside = floor.vapourBeside(find(floor, "A")).orElseThrow();
        assertThat(beside.code()).as("the one that lasts longest").isEqualTo("C");
        assertThat(beside.vapour().goneAt()).isAfter(hour(6)).isBefore(hour(8));
        assertThat(floor.vapourBeside(find(floor, "B")))
                .as("paint takes no flame")
                .isEmpty();
        Instant gone = beside.vapour().goneAt();
        double goneH = Duration.between(MadeFloor.START, gone).toSeconds() / 3600.0;
        Floor later = at(goneH)
                .with(coated)
                .with(cup("C", School.ACETONE).done(StepKind.PREP, 5.95))
                .made();
        assertThat(later.vapourBeside(find(later, "A"))).isEmpty();
        Floor soap = at(6).with(coated)
                .with(cup("B", School.SOAP).done(StepKind.PREP, 5.9))
                .made();
        assertThat(soap.vapourBeside(find(soap, "A"))).isEmpty();
    }

    /** A coat that may be poured only later is no danger to what has gone by then. */
    @Test
    void whatHasGoneWhenACoatIsDueIsNoDanger() {
        Floor floor = at(7).with(cup("A").flooded(6, ONE))
                .with(cup("B", School.ACETONE).done(StepKind.PREP, 6.9))
                .made();
        assertThat(find(floor, "A").state().next().orElseThrow().step().kind()).isEqualTo(StepKind.BUILD_COAT);
        assertThat(floor.vapourBeside(find(floor, "A"))).isEmpty();
    }

    @Test
    void theUsualResinIsWhatMostCupsAreMadeWith() {
        assertThat(at(1).made().usualResin()).isEqualTo(REGULAR);
        assertThat(at(1).with(cup("A", FAST)).made().usualResin()).isEqualTo(FAST);
        assertThat(at(1).with(cup("A")).with(cup("B", FAST)).made().usualResin())
                .as("of as many the one used last")
                .isEqualTo(FAST);
        assertThat(at(1).with(cup("A"))
                        .with(cup("B", FAST))
                        .with(cup("C"))
                        .made()
                        .usualResin())
                .isEqualTo(REGULAR);
    }

    /** P7: 20 to 25 ml flood a 20 oz slim on a turner, less than the coat by area and film of the generous way. */
    @Test
    void aShareIsWhatItsTurnerCarries() {
        Floor floor = at(6).with(cup("A").glittered()).made();
        CupNow a = find(floor, "A");
        PlanStep flood = a.nextCoat().orElseThrow();
        assertThat(floor.share(a, flood).suggestedMl()).isBetween(20.0, 25.0);
        assertThat(floor.carrier(a, flood).roomC()).isEqualTo(22);
    }

    @Test
    void theMeasuringCupAtHandIsMixedIn() {
        Floor floor = at(6).with(cup("A").glittered())
                .with(cup("B", School.MIX_RESTED).glittered())
                .made();
        CupNow a = find(floor, "A");
        CupNow b = find(floor, "B");
        assertThat(Floor.rests(a.cup())).isFalse();
        assertThat(Floor.rests(b.cup())).isTrue();
        Mix mix = floor.sheet(a.cup(), REGULAR, 23).mix();
        // 23 ml, 1.5 ml left in the cup and 0.3 ml on the stick and glove, on marks of 1 ml: 13 and 13.
        assertThat(mix.totalMl()).isCloseTo(26, within(1e-9));
        assertThat(floor.mixedFor(a.cup(), REGULAR, 23)).isEqualTo(mix);
        assertThat(floor.sheetIfAny(a.cup(), REGULAR, 23).map(sheet -> sheet.mix()))
                .contains(mix);
        assertThat(floor.sheet(b.cup(), REGULAR, 23).turns().get(0).atMinute()
                        - floor.sheet(a.cup(), REGULAR, 23).turns().get(0).atMinute())
                .as("a mix that rests is poured five minutes later (P6)")
                .isCloseTo(5, within(1e-9));
    }

    /** Where the marks cannot hold the ratio there is no sheet, and what was mixed is taken as exact. */
    @Test
    void whereMarksAllowNoSheetTheMixIsExact() {
        Floor floor = at(6).with(cup("A").glittered()).made();
        CupNow a = find(floor, "A");
        double tooMuch = 600;
        assertThat(floor.sheetIfAny(a.cup(), REGULAR, tooMuch)).isEmpty();
        assertThat(floor.mixedFor(a.cup(), REGULAR, tooMuch).totalMl()).isCloseTo(601.8, within(1e-9));
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> floor.sheet(a.cup(), REGULAR, tooMuch))
                .isInstanceOf(InvalidInput.class);
    }

    @Test
    void whatIsPlannedIsWhatHasStepsLeft() {
        Floor floor = at(6.06).with(cup("A").glittered())
                .with(cup("B").glittered()
                        .logged(new LogEntry.Plain(cup("B").glittered().mark(3), LogEntry.Kind.ABANDONED)))
                .made();
        assertThat(floor.workshop().cups()).extracting(one -> one.code()).containsExactly("A");
        assertThat(floor.workshop().now())
                .as("6:03:36 lies in the five minutes from 6:00")
                .isEqualTo(hour(6));
        assertThat(floor.workshop().spindles()).containsExactly(ONE, TWO);
        assertThat(at(6 + 5 / 60.0).made().workshop().now()).isEqualTo(hour(6 + 5 / 60.0));
    }

    @Test
    void aMixOfThePlanHasItsSheetAndAPlanStands() {
        Floor floor = at(6).with(cup("A").glittered())
                .with(cup("B", School.MIX_RESTED).glittered())
                .made();
        Standing standing = Standing.of(floor.workshop(), List.of());
        assertThat(standing.isKept()).isFalse();
        assertThat(standing.departures()).isEmpty();
        PlannedMix mix = standing.plan().mixes().get(0);
        double shares = mix.pours().stream()
                .map(PlannedStep::amountMl)
                .mapToDouble(OptionalDouble::getAsDouble)
                .sum();
        assertThat(floor.sheet(mix).mix().totalMl()).isGreaterThan(shares);
        assertThat(floor.sheet(mix).turns()).hasSameSizeAs(mix.pours());
        boolean ofB = mix.pours().stream().anyMatch(pour -> pour.cup().equals("B"));
        assertThat(floor.sheet(mix).turns().get(0).atMinute()).isEqualTo(ofB ? 9 : 4);

        assertThat(standing.readyAt(find(floor, "A")))
                .isPresent()
                .contains(standing.plan().readyAt().get("A"));
        Standing kept = Standing.of(floor.workshop(), standing.plan().placements());
        assertThat(kept.isKept()).isTrue();
        assertThat(kept.departures()).isEmpty();
        assertThat(kept.plan().steps()).hasSameSizeAs(standing.plan().steps());
        Floor late = at(30).with(cup("A").glittered())
                .with(cup("B", School.MIX_RESTED).glittered())
                .made();
        assertThat(Standing.of(late.workshop(), standing.plan().placements()).departures())
                .isNotEmpty();
        Standing anew = Standing.anew(late.workshop(), standing.plan().placements(), 100);
        assertThat(anew.plan().steps()).isNotEmpty();
        assertThat(anew.departures()).isEmpty();
        assertThat(anew.kept()).isEqualTo(standing.plan().placements());
    }
}
