package nursery.core.log;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nursery.core.cure.RoomCourse;
import nursery.core.film.Carrier;
import nursery.core.log.Mark.Answer;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Doing;
import nursery.core.technique.School;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** What a log says of a cup beside its next step, how it is written and read, and what is the same. */
class CupEdgesTest {

    private static final RoomCourse ROOM = RoomCourse.steady(22);

    private static CupStory story(School... schools) {
        return new CupStory(StartingProfile.REGULAR.label(), ROOM, schools);
    }

    @ParameterizedTest
    @EnumSource(Zone.class)
    void aZoneIsFoundByItsName(Zone zone) {
        assertThat(Zone.named(zone.written())).contains(zone);
        assertThat(Zone.named(zone.name())).isEmpty();
        assertThat(zone.words()).isNotBlank();
        assertThat(zone.isAnEnd()).isEqualTo(zone == Zone.RIM || zone == Zone.BASE);
    }

    @ParameterizedTest
    @EnumSource(Extent.class)
    void anExtentIsFoundByItsName(Extent extent) {
        assertThat(Extent.named(extent.written())).contains(extent);
        assertThat(Extent.named(extent.name())).isEmpty();
        assertThat(extent.words()).isNotBlank();
    }

    @ParameterizedTest
    @EnumSource(Blemish.class)
    void aFaultIsFoundByItsName(Blemish fault) {
        assertThat(Blemish.named(fault.written())).contains(fault);
        assertThat(Blemish.named(fault.name())).isEmpty();
        assertThat(fault.words()).isNotBlank();
    }

    @Test
    void whatIsSeenIsWrittenInWordsAndReadAgain() {
        List<Sighting> seen = List.of(
                new Sighting(Blemish.HAZE, Zone.RIM, Extent.SOME), new Sighting(Blemish.SOFT, Zone.ALL, Extent.MUCH));
        assertThat(Sighting.written(seen)).isEqualTo("haze:rim:some soft:all:much");
        assertThat(Sighting.read(Sighting.written(seen))).isEqualTo(seen);
        assertThat(Sighting.read("haze:rim haze:nowhere:some gold:rim:some haze:rim:half  soft:all:much:more"))
                .isEmpty();
        assertThat(Sighting.read("")).isEmpty();
        assertThat(seen.get(0).words()).isEqualTo("haze, at the rim, " + Extent.SOME.words());
        assertThat(Sighting.ticked(Set.of("see-HAZE", "see-SAG", "HAZE")::contains, "see-", "rim", "much"))
                .containsExactly(
                        new Sighting(Blemish.HAZE, Zone.RIM, Extent.MUCH),
                        new Sighting(Blemish.SAG, Zone.RIM, Extent.MUCH));
        assertThat(Sighting.ticked("see-HAZE"::equals, "see-", "", ""))
                .containsExactly(new Sighting(Blemish.HAZE, Zone.ALL, Extent.SOME));
    }

    /** The same place whatever it is called and however fast it turns. */
    @Test
    void aSpindleIsItsPlace() {
        Spindle one = new Spindle(7, "A 1", 3);
        assertThat(one).isEqualTo(new Spindle(7, "B 1", 6)).hasSameHashCodeAs(new Spindle(7, "B 1", 6));
        assertThat(one).isNotEqualTo(new Spindle(8, "A 1", 3)).isNotEqualTo(null);
        assertThat(one.hashCode()).isEqualTo(Long.hashCode(7));
    }

    @Test
    void aMarkKnowsWhetherItIsInTheBookAndItsReasons() {
        Instant at = CupStory.START;
        Mark written = new Mark(3, at, at, "Mira", "");
        assertThat(written.isInTheBook()).isTrue();
        assertThat(Mark.unnumbered(at, at, "Mira", "").isInTheBook()).isFalse();
        Mark answered = written.answering(List.of(new Answer("A", "On purpose")));
        assertThat(answered.answers()).containsExactly(new Answer("A", "On purpose"));
        assertThat(answered.id()).isEqualTo(3);
    }

    /** Each thing asked about has its own reason; one for all answers what is asked, and not what is only told. */
    @Test
    void aReasonAnswersItsOwnQuestion() {
        CupState early = story().flooded().poured(StepKind.BUILD_COAT, 7, 20).at(8);
        CupState.Concern asked = early.concerns().stream()
                .filter(concern -> !concern.isAdvice())
                .findFirst()
                .orElseThrow();
        Mark bare = new Mark(3, CupStory.START, CupStory.START, "Mira", "");
        assertThat(bare.answerTo(asked)).isEmpty();
        assertThat(bare.answering(List.of(new Answer("something else", "No"))).answerTo(asked))
                .isEmpty();
        assertThat(bare.answering(List.of(new Answer(asked.key(), "Warm shelf")))
                        .answerTo(asked))
                .contains("Warm shelf");
        assertThat(bare.answering(List.of(new Answer(Mark.ALL_THAT_WAS_ASKED, "Test piece")))
                        .answerTo(asked))
                .contains("Test piece");
        early.concerns().stream().filter(CupState.Concern::isAdvice).forEach(told -> assertThat(
                        bare.answering(List.of(new Answer(Mark.ALL_THAT_WAS_ASKED, "Test piece")))
                                .answerTo(told))
                .isEmpty());
    }

    @Test
    void aRefusalOfOneOfSeveralNamesItsCup() {
        Refusal refusal = Refusal.simple("at", "That time is still to come.");
        assertThat(refusal.of("A-01").message()).isEqualTo("A-01: That time is still to come.");
        assertThat(refusal.of("A-01").field()).isEqualTo("at");
        assertThat(refusal.other()).isEmpty();
    }

    /** 15 min of prep, 10 of paint, 10 of adhesive, 15 of glitter, 15 of the flood coat. */
    @Test
    void handsOnACupAreCountedByItsSteps() {
        CupStory story = story().flooded();
        assertThat(story.file().handsOnMinutes()).isEqualTo(15 + 10 + 10 + 15 + 15);
        story.takenOff(11);
        assertThat(story.file().handsOnMinutes()).as("a remark takes none").isEqualTo(65);
        assertThat(story.file().minute(CupStory.hour(2.5))).isCloseTo(150, within(1e-9));
        assertThat(story().file().handsOnMinutes()).isZero();
    }

    @Test
    void coatsUntilSmoothAreThoseOverTheLastGlitter() {
        assertThat(story().flooded().file().coatsUntilSmooth()).isEmpty();
        assertThat(story().flooded().done(StepKind.TRIM_AND_SAND, 30).file().coatsUntilSmooth())
                .hasValue(1);
        assertThat(story().flooded()
                        .poured(StepKind.BUILD_COAT, 11, 20)
                        .poured(StepKind.FINISHING_COAT, 30, 15)
                        .file()
                        .coatsUntilSmooth())
                .hasValue(2);
        assertThat(story().poured(StepKind.FLOOD_COAT, 2, 20)
                        .done(StepKind.TRIM_AND_SAND, 30)
                        .file()
                        .coatsUntilSmooth())
                .as("no glitter, nothing to be felt")
                .isEmpty();
    }

    @Test
    void theNewestWorkIsWhatWasDoneLast() {
        CupStory story = story().done(StepKind.PREP, 0.5).done(StepKind.PAINT, 1);
        assertThat(story.at(2).newestWork(story.file()))
                .contains(new CupState.Upon(StepKind.PAINT.title(), CupStory.hour(1)));
        assertThat(story().at(0).newestWork(story().file())).isEmpty();
        CupStory skipped = story().done(StepKind.PREP, 0.5);
        Cup left = skipped.file()
                .withLog(List.of(
                        new LogEntry.StepDone(new Mark(1, CupStory.hour(0.5), CupStory.hour(0.5), "", ""), 1),
                        new LogEntry.Skipped(new Mark(2, CupStory.hour(1), CupStory.hour(1), "", ""), 2)));
        assertThat(left.at(ROOM, CupStory.hour(2)).newestWork(left))
                .as("what was left out was not done")
                .contains(new CupState.Upon(StepKind.PREP.title(), CupStory.hour(0.5)));
    }

    /** What carries a coat: hook, hands, the spindle it turns on, else the slowest there is. */
    @Test
    void whatCarriesACoat() {
        Spindle slow = new Spindle(1, "Spindle 1", 2);
        Spindle quick = new Spindle(2, "Spindle 2", 9);
        CupStory bare = story(School.HANG);
        Cup hung = bare.file().with(nursery.core.technique.Schools.of(School.HANG));
        CupState now = hung.at(ROOM, CupStory.hour(1));
        assertThat(now.carrier(hung, hung.step(bare.number(StepKind.ADHESIVE)), List.of(slow, quick), 21))
                .isEqualTo(Carrier.hung(21));
        assertThat(now.carrier(hung, hung.step(bare.number(StepKind.FLOOD_COAT)), List.of(quick, slow), 21))
                .isEqualTo(Carrier.spindle(2, 21));
        assertThat(now.carrier(hung, hung.step(bare.number(StepKind.FLOOD_COAT)), List.of(), 21))
                .isEqualTo(Carrier.spindle(Carrier.USUAL_RPM, 21));
        CupStory flooded = story().flooded();
        Cup turning = flooded.file();
        Spindle its = new Spindle(1, "Spindle 1", 9);
        assertThat(flooded.at(7)
                        .carrier(
                                turning,
                                turning.step(flooded.number(StepKind.BUILD_COAT)),
                                List.of(new Spindle(5, "slower", 1), its),
                                21))
                .as("where it turns already")
                .isEqualTo(Carrier.spindle(9, 21));
        var byHand = turning.step(flooded.number(StepKind.BUILD_COAT));
        assertThat(flooded.at(7)
                        .carrier(
                                turning,
                                byHand.doneAs(byHand.how().with(nursery.core.technique.Fields.Turned.BY_HAND)),
                                List.of(its),
                                21))
                .isEqualTo(Carrier.hand(21));
    }

    /** A fold goes on from a copy as it would from the first, and leaves that as it is. */
    @Test
    void aFoldIsCopiedAndPlayedOn() {
        CupStory story = story().flooded();
        CupFold fold = CupFold.played(story.file(), ROOM);
        CupFold copy = fold.copy();
        assertThat(copy.stateAt(CupStory.hour(7)).coats())
                .hasSameSizeAs(fold.stateAt(CupStory.hour(7)).coats());
        assertThat(copy.stateAt(CupStory.hour(7)).done())
                .isEqualTo(fold.stateAt(CupStory.hour(7)).done());
        assertThat(copy.stateAt(CupStory.hour(7)).hold())
                .isEqualTo(fold.stateAt(CupStory.hour(7)).hold())
                .isPresent();
        copy.play(LogEntry.takenOff(new Mark(9, CupStory.hour(11), CupStory.hour(11), "", "")));
        assertThat(copy.stateAt(CupStory.hour(12)).hold()).isEmpty();
        assertThat(fold.stateAt(CupStory.hour(12)).hold()).isPresent();
        assertThat(CupFold.played(story().poured(StepKind.FLOOD_COAT, 1, 20).file(), ROOM)
                        .stateAt(CupStory.hour(2))
                        .concerns())
                .as("what is only planned is not asked about")
                .isEmpty();
        assertThat(CupFold.of(story().poured(StepKind.FLOOD_COAT, 1, 20).file(), ROOM)
                        .stateAt(CupStory.hour(2))
                        .concerns())
                .isNotEmpty();
    }

    /** Acetone leaves a vapour until it has flashed off, ten minutes after hands were off it; soap none (P45). */
    @Test
    void whatBurnsAboutACupIsKnown() {
        CupStory soap = story(School.SOAP).done(StepKind.PREP, 1);
        assertThat(soap.at(1.1).on().vapour()).isEmpty();
        CupStory acetone = story(School.ACETONE).done(StepKind.PREP, 1);
        OnTheCup.Vapour vapour = acetone.at(1.1).on().vapour().orElseThrow();
        assertThat(vapour.left().what()).isEqualTo(StepKind.PREP.title());
        assertThat(vapour.goneAt()).isBetween(CupStory.hour(1.15), CupStory.hour(1.6));
    }

    @Test
    void momentsAreMinutesFromAStart() {
        CupStory story = story().flooded();
        OnTheCup on = story.at(7).on();
        var minutes = on.minutesFrom(CupStory.START);
        int flood = on.surface().works().size();
        assertThat(minutes.age(flood, 4)).isCloseTo(600, within(0.01));
        assertThat(minutes.begun(flood, 0)).isCloseTo(360, within(0.01));
        assertThat(minutes.ended(flood, 0)).isCloseTo(375, within(0.01));
        assertThat(minutes.begun(flood, 30) - minutes.begun(flood, 0)).isCloseTo(30, within(1e-9));
        assertThat(on.scuffingFor(story.file().step(story.number(StepKind.BUILD_COAT)), story.file()))
                .as("a coat is scuffed once it is hard enough")
                .isNotEmpty();
        assertThat(on.planned(Doing.SCUFF).surface().works()).hasSize(flood + 1);
        assertThat(on.planned(story.file().step(story.number(StepKind.BUILD_COAT)), story.file())
                        .surface()
                        .newestPour()
                        .orElseThrow()
                        .doing())
                .isEqualTo(Doing.BUILD_COAT);
        assertThat(Duration.between(CupStory.START, story.at(7).lastEndedAt()).toMinutes())
                .isEqualTo(375);
    }

    @Test
    void aCupIsSeenInItsColours() {
        Cup.About about = new Cup.About(
                "Comet", "", "", "", "#101010", "#202020", List.of("#303030"), Map.of(5, List.of("#ffffff")));
        CupStory story = story();
        Cup cup = story.file();
        assertThat(about.glitters()).containsExactly("#202020", "#303030");
        assertThat(about.colours(cup.step(story.number(StepKind.PAINT)))).containsExactly("#101010");
        assertThat(about.colours(cup.step(story.number(StepKind.GLITTER)))).containsExactly("#202020", "#303030");
        assertThat(about.colours(cup.step(5))).as("named for that step").containsExactly("#ffffff");
        assertThat(about.colours(cup.step(story.number(StepKind.BUILD_COAT)))).containsExactly("#202020");
        assertThat(about.on("Mug").blank()).isEqualTo("Mug");
        assertThat(about.on("Mug").more()).isEqualTo(about.more());
        assertThat(cup.find(99)).isEqualTo(Optional.empty());
    }
}
