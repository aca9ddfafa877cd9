package nursery.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import nursery.core.log.Blemish;
import nursery.core.log.Extent;
import nursery.core.log.Sighting;
import nursery.core.log.Zone;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.StepKind;
import nursery.core.technique.TechniqueStep;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What makers see, what is behind it and what they do: practice P30 to P42, common practice. */
class DiagnosisTest {

    private static final Model MODEL = StartingModel.MODEL;

    private static Facts facts(Object... pairs) {
        Map<Fact, Double> known = new EnumMap<>(Fact.class);
        for (int i = 0; i < pairs.length; i += 2) {
            known.put((Fact) pairs[i], ((Number) pairs[i + 1]).doubleValue());
        }
        return new Facts(known);
    }

    private static Diagnosis of(Blemish fault, Zone zone, Facts facts) {
        return Diagnosis.of(MODEL, List.of(new Sighting(fault, zone, Extent.SOME)), Map.of(), facts);
    }

    private static List<Treatment> open(Diagnosis diagnosis) {
        return diagnosis.offers().stream()
                .filter(offer -> offer.against().isEmpty())
                .map(Diagnosis.Offer::remedy)
                .toList();
    }

    static Stream<Arguments> rows() {
        return Stream.of(
                Arguments.of(
                        "P30", Blemish.FISH_EYES, Zone.ALL, facts(Fact.STENCIL, 1), "residue", Remedy.SCUFF_AND_COAT),
                Arguments.of(
                        "P31",
                        Blemish.MICRO_BUBBLES,
                        Zone.ALL,
                        facts(Fact.HEAT_PASS, 0, Fact.FILM_MM, 0.5),
                        "no-heat-pass",
                        Remedy.THIN_COAT),
                Arguments.of(
                        "P32",
                        Blemish.RIPPLES,
                        Zone.MIDDLE,
                        facts(Fact.FILM_MM, 0.71, Fact.CARRIES_MM, 0.55),
                        "too-thick-for-the-turner",
                        Remedy.SAND_FLAT_AND_COAT),
                Arguments.of(
                        "P33", Blemish.TEXTURE, Zone.ALL, facts(Fact.CLEAR_COATS, 1), "few-coats", Remedy.COAT_AGAIN),
                Arguments.of("P34", Blemish.PATCHY, Zone.MIDDLE, facts(), "adhesive-uneven", Remedy.RE_GLITTER),
                Arguments.of(
                        "P35", Blemish.SILVER, Zone.UPPER, facts(Fact.GRIT, 80), "sanded-through", Remedy.COLOUR_IN),
                Arguments.of(
                        "P36", Blemish.HAZE, Zone.ALL, facts(Fact.DEW_MARGIN_C, 1.8), "damp-air", Remedy.THIN_COAT),
                Arguments.of(
                        "P37",
                        Blemish.LIFTING,
                        Zone.FRONT,
                        facts(Fact.METALLIC, 1, Fact.SEALED, 0),
                        "metallic-unsealed",
                        Remedy.PRESS_AND_SEAL),
                Arguments.of(
                        "P38",
                        Blemish.FADED,
                        Zone.ALL,
                        facts(Fact.INK, 1, Fact.SEALED, 0),
                        "not-sealed",
                        Remedy.LEAVE_IT),
                Arguments.of(
                        "P39, wrong ratio",
                        Blemish.SOFT,
                        Zone.ALL,
                        facts(Fact.RATIO_ERROR, 0.12, Fact.AMBIENT_C, 21, Fact.AGE_H, 30),
                        "ratio-off",
                        Remedy.SCRAPE_OFF),
                Arguments.of(
                        "P39, only slow",
                        Blemish.SOFT,
                        Zone.ALL,
                        facts(Fact.RATIO_ERROR, 0.01, Fact.AMBIENT_C, 14, Fact.AGE_H, 26),
                        "too-cold",
                        Remedy.WAIT_AND_WARM),
                Arguments.of(
                        "P40",
                        Blemish.PULLED_BACK,
                        Zone.RIM,
                        facts(Fact.STEEL_LINE, 0),
                        "thin-edge",
                        Remedy.SAND_THE_RIM),
                Arguments.of(
                        "P41",
                        Blemish.SCRATCHES,
                        Zone.MIDDLE,
                        facts(Fact.GRIT, 120, Fact.SLIDE, 0),
                        "coarse-grit",
                        Remedy.THIN_COAT),
                Arguments.of(
                        "P42", Blemish.CHIP, Zone.RIM, facts(Fact.STEEL_LINE, 0), "rim-bridged", Remedy.SAND_THE_RIM),
                Arguments.of(
                        "greasy film",
                        Blemish.GREASY,
                        Zone.ALL,
                        facts(Fact.AMBIENT_C, 15, Fact.HUMIDITY, 72),
                        "blush",
                        Remedy.WASH),
                Arguments.of(
                        "peeling",
                        Blemish.PEELING_COAT,
                        Zone.UPPER,
                        facts(Fact.BELOW_OF_WINDOW, 1.4, Fact.SCUFFED, 0),
                        "not-scuffed",
                        Remedy.STRIP_BACK),
                Arguments.of(
                        "sag",
                        Blemish.SAG,
                        Zone.BASE,
                        facts(Fact.OF_TURNING, 0.5, Fact.FILM_MM, 0.4, Fact.CARRIES_MM, 0.9),
                        "stopped-too-soon",
                        Remedy.SAND_FLAT_AND_COAT));
    }

    @ParameterizedTest(name = "{0}")
    @MethodSource("rows")
    void eachRowOfPracticeLeadsToItsCauseAndWhatIsDone(
            String row, Blemish fault, Zone zone, Facts facts, String cause, Remedy remedy) {
        Diagnosis diagnosis = of(fault, zone, facts);
        assertThat(diagnosis.held().get(0).cause().key()).as(row).isEqualTo(cause);
        assertThat(open(diagnosis)).as(row).first().isEqualTo(remedy);
    }

    /** P39: never coat over it where the ratio is wrong. */
    /** P39: whatever is seen on it, a coat that was measured 14 % wrong is neither covered nor left. */
    @ParameterizedTest
    @EnumSource(Blemish.class)
    void aWrongRatioIsNamedAndCoveredByNothingWhateverIsSeen(Blemish fault) {
        Diagnosis diagnosis = Diagnosis.of(
                MODEL,
                List.of(new Sighting(fault, Zone.ALL, Extent.SOME)),
                Map.of(),
                new Facts(Map.of(Fact.RATIO_ERROR, 0.14)));
        assertThat(diagnosis.held()).extracting(held -> held.cause().key()).contains("ratio-off");
        assertThat(diagnosis.offers())
                .filteredOn(offer -> offer.against().isEmpty())
                .extracting(Diagnosis.Offer::remedy)
                .contains(Remedy.SCRAPE_OFF)
                .noneMatch(Treatment::coversUp)
                .doesNotContain(Remedy.LEAVE_IT);
        for (Remedy remedy : Remedy.values()) {
            assertThat(diagnosis.against(remedy).isPresent() || !remedy.coversUp())
                    .as(remedy.words())
                    .isTrue();
        }
    }

    /** P39: soft all over and never measured may be a wrong mix, whatever else is seen on it. */
    @ParameterizedTest
    @EnumSource(Blemish.class)
    void aSoftCoatThatNobodyMeasuredIsNeitherCoveredNorLeft(Blemish other) {
        for (double ageH : new double[] {13, 20, 48, 200}) {
            Diagnosis diagnosis = Diagnosis.of(
                    MODEL,
                    List.of(
                            new Sighting(Blemish.SOFT, Zone.ALL, Extent.MUCH),
                            new Sighting(other, Zone.ALL, Extent.SOME)),
                    Map.of(),
                    facts(Fact.AGE_H, ageH));
            assertThat(open(diagnosis))
                    .as("%s at %s h", other, ageH)
                    .noneMatch(Treatment::coversUp)
                    .doesNotContain(Remedy.LEAVE_IT);
        }
    }

    @Test
    void nothingIsCoatedOverAWrongRatio() {
        Diagnosis diagnosis = of(Blemish.SOFT, Zone.ALL, facts(Fact.RATIO_ERROR, 0.12, Fact.AGE_H, 40));
        assertThat(open(diagnosis)).noneMatch(Treatment::coversUp).contains(Remedy.SCRAPE_OFF);
        for (Blemish other : Blemish.values()) {
            Diagnosis both = Diagnosis.of(
                    MODEL,
                    List.of(
                            new Sighting(Blemish.SOFT, Zone.ALL, Extent.MUCH),
                            new Sighting(other, Zone.ALL, Extent.LITTLE)),
                    Map.of(),
                    facts(Fact.RATIO_ERROR, 0.12, Fact.AGE_H, 40));
            assertThat(open(both)).as("%s as well", other).noneMatch(Treatment::coversUp);
        }
    }

    /** What covers a fault up ends on a coat; what does not has none, or takes the old one off first. */
    @Test
    void aRemedySaysWhetherItCoversUp() {
        for (Remedy remedy : Remedy.values()) {
            List<StepKind> kinds =
                    remedy.steps().stream().map(step -> step.kind()).toList();
            assertThat(kinds.stream().anyMatch(StepKind::isPour))
                    .as(remedy.words())
                    .isEqualTo(remedy.coversUp() || remedy == Remedy.SCRAPE_OFF);
        }
    }

    @Test
    void reasonsStandInTheLogsOwnFigures() {
        Diagnosis diagnosis = of(Blemish.SAG, Zone.MIDDLE, facts(Fact.FILM_MM, 0.71, Fact.CARRIES_MM, 0.55));
        assertThat(diagnosis.held().get(0).reasons())
                .extracting(Diagnosis.Reason::words)
                .first()
                .isEqualTo("0.71 mm where this turner carries 0.55 mm");
        assertThat(diagnosis.tells()).isTrue();
        assertThat(of(Blemish.SOFT, Zone.ALL, facts(Fact.RATIO_ERROR, -0.08)).held())
                .flatExtracting(Diagnosis.Held::reasons)
                .extracting(Diagnosis.Reason::words)
                .contains("measured -8 % off the ratio");
    }

    @Test
    void whereNothingIsKnownNobodyCanTell() {
        Diagnosis nothing = Diagnosis.of(MODEL, List.of(), Map.of(), Facts.NONE);
        assertThat(nothing.held()).isEmpty();
        assertThat(nothing.tells()).isFalse();
        assertThat(of(Blemish.SOFT, Zone.MIDDLE, Facts.NONE).tells()).isFalse();
    }

    /** Soft in streaks is not stirred, soft all over is the ratio or the cold: that is what is asked. */
    @Test
    void theQuestionThatPartsTheLeadersIsAskedAndItsAnswerCounts() {
        Diagnosis first = of(Blemish.SOFT, Zone.MIDDLE, facts(Fact.AGE_H, 40, Fact.AMBIENT_C, 20));
        Diagnosis.Ask ask = first.ask().orElseThrow();
        for (Sign sign : MODEL.signs()) {
            if (sign.isAsked() && !sign.key().equals("everywhere")) {
                assertThat(ask.bits()).isGreaterThanOrEqualTo(0.03);
            }
        }
        Diagnosis streaks = Diagnosis.of(
                MODEL,
                List.of(new Sighting(Blemish.SOFT, Zone.MIDDLE, Extent.SOME)),
                Map.of("in-streaks", true),
                facts(Fact.AGE_H, 40, Fact.AMBIENT_C, 20));
        assertThat(streaks.held().get(0).cause().key()).isEqualTo("not-stirred");
        assertThat(streaks.held().get(0).reasons())
                .extracting(Diagnosis.Reason::words)
                .contains("it is in streaks or spots");
        assertThat(streaks.ask().map(found -> found.sign().key())).isNotEqualTo(java.util.Optional.of("in-streaks"));
    }

    private static Map<String, Double> shares(Diagnosis diagnosis) {
        Map<String, Double> shares = new java.util.TreeMap<>();
        diagnosis.held().forEach(held -> shares.put(held.cause().key(), held.share()));
        return shares;
    }

    @Test
    void theOrderOfWhatIsSeenDoesNotMatter() {
        Random random = new Random(7);
        for (int trial = 0; trial < 60; trial++) {
            List<Sighting> seen = new ArrayList<>();
            for (int i = 0; i < 1 + random.nextInt(5); i++) {
                seen.add(new Sighting(
                        Blemish.values()[random.nextInt(Blemish.values().length)],
                        Zone.values()[random.nextInt(9)],
                        Extent.values()[random.nextInt(3)]));
            }
            List<Sighting> other = new ArrayList<>(seen);
            Collections.shuffle(other, random);
            Facts facts = facts(Fact.AMBIENT_C, 12 + random.nextInt(12), Fact.HUMIDITY, 40 + random.nextInt(50));
            Map<String, Double> before = shares(Diagnosis.of(MODEL, seen, Map.of(), facts));
            Map<String, Double> after = shares(Diagnosis.of(MODEL, other, Map.of(), facts));
            assertThat(after.keySet()).isEqualTo(before.keySet());
            before.forEach((cause, share) -> assertThat(after.get(cause)).isCloseTo(share, within(1e-9)));
        }
    }

    /** A fact that speaks for nothing, and one that is missing, change nothing. */
    @Test
    void neutralEvidenceChangesNothing() {
        Sighting haze = new Sighting(Blemish.HAZE, Zone.ALL, Extent.SOME);
        Map<String, Double> before = shares(Diagnosis.of(MODEL, List.of(haze), Map.of(), facts(Fact.HUMIDITY, 62)));
        assertThat(shares(Diagnosis.of(MODEL, List.of(haze), Map.of(), facts())))
                .isEqualTo(before);
        assertThat(shares(Diagnosis.of(
                        MODEL, List.of(haze), Map.of("no-such-sign", true), facts(Fact.HUMIDITY, Double.NaN))))
                .isEqualTo(before);
    }

    @Test
    void twentyFaultsAtOnceAreWeighedByTheWorstTen() {
        List<Sighting> all = Arrays.stream(Blemish.values())
                .limit(20)
                .map(fault -> new Sighting(fault, Zone.ALL, Extent.MUCH))
                .toList();
        Diagnosis diagnosis = Diagnosis.of(MODEL, all, Map.of(), Facts.NONE);
        assertThat(diagnosis.left()).isEqualTo(10);
        assertThat(diagnosis.held()).isNotEmpty().allMatch(held -> held.share() > 0 && held.share() <= 1 + 1e-9);
    }

    static Stream<Arguments> asked() {
        return Arrays.stream(Blemish.values())
                .flatMap(fault -> Stream.of(
                        Arguments.of(fault, Zone.ALL, Facts.NONE),
                        Arguments.of(fault, Zone.MIDDLE, facts(Fact.OF_CURED, 1.5, Fact.SLIDE, 0, Fact.INK, 0))));
    }

    /** 13 of 44 questions asked what moved no share on the page: they told of causes that cannot make what is seen. */
    @ParameterizedTest
    @MethodSource("asked")
    void aQuestionCanChangeWhatIsShown(Blemish fault, Zone zone, Facts facts) {
        List<Sighting> seen = List.of(new Sighting(fault, zone, Extent.SOME));
        Diagnosis before = Diagnosis.of(MODEL, seen, Map.of(), facts);
        before.ask().ifPresent(ask -> {
            double moved = 0;
            for (boolean answer : new boolean[] {true, false}) {
                Map<String, Double> after =
                        shares(Diagnosis.of(MODEL, seen, Map.of(ask.sign().key(), answer), facts));
                for (Diagnosis.Held held : before.held()) {
                    double then = after.getOrDefault(held.cause().key(), 0.0);
                    moved = Math.max(moved, Math.abs(then - held.share()));
                }
            }
            assertThat(moved).as(ask.sign().question()).isGreaterThan(0.02);
        });
    }

    /** Fish-eyes were put down to "more film than the turner carries": the sag seen the day before is that. */
    @Test
    void whatIsSeenLastIsNotExplainedByWhatWasSeenBefore() {
        Facts thick = facts(Fact.FILM_MM, 1.9, Fact.CARRIES_MM, 1.0);
        Sighting sag = new Sighting(Blemish.SAG, Zone.MIDDLE, Extent.MUCH);
        Sighting fishEyes = new Sighting(Blemish.FISH_EYES, Zone.MIDDLE, Extent.SOME);
        Diagnosis diagnosis = Diagnosis.of(MODEL, new CupFaults.Look(List.of(fishEyes), List.of(sag)), Map.of(), thick);
        assertThat(diagnosis.ofLast())
                .isNotEmpty()
                .allSatisfy(held -> assertThat(held.cause().shows()).containsKey("fish-eyes"));
        assertThat(diagnosis.held().get(0)).isEqualTo(diagnosis.ofLast().get(0));
        assertThat(diagnosis.ofBefore().get(0).cause().key()).isEqualTo("too-thick-for-the-turner");
        assertThat(Diagnosis.of(MODEL, List.of(fishEyes, sag), Map.of(), thick).ofBefore())
                .as("seen at one look they are one thing")
                .isEmpty();
    }

    /** P36: dissolved paint that was not wiped off with alcohol clouds the coat. */
    @Test
    void hazeOverDistressedPaintIsWhatCameLoose() {
        Sighting haze = new Sighting(Blemish.HAZE, Zone.MIDDLE, Extent.SOME);
        Facts left = facts(Fact.DISTRESSED, 1, Fact.RESIDUE_WIPED, 0, Fact.HUMIDITY, 45, Fact.DEW_MARGIN_C, 10);
        assertThat(Diagnosis.of(MODEL, List.of(haze), Map.of(), left)
                        .held()
                        .get(0)
                        .cause()
                        .key())
                .isEqualTo("paint-residue");
        Facts wiped = facts(Fact.DISTRESSED, 1, Fact.RESIDUE_WIPED, 1);
        assertThat(shares(Diagnosis.of(MODEL, List.of(haze), Map.of(), wiped)).getOrDefault("paint-residue", 0.0))
                .isLessThan(0.2);
        assertThat(shares(Diagnosis.of(MODEL, List.of(haze), Map.of(), facts(Fact.DISTRESSED, 0))))
                .doesNotContainKey("paint-residue");
    }

    @Test
    void everyFaultHasACauseAndSomethingToDo() {
        for (Blemish fault : Blemish.values()) {
            Diagnosis diagnosis = of(fault, Zone.MIDDLE, Facts.NONE);
            assertThat(diagnosis.held()).as(fault.words()).isNotEmpty();
            assertThat(open(diagnosis)).as(fault.words()).isNotEmpty();
        }
    }

    private static Model withOwn(StepKind... kinds) {
        List<Cause> causes = new ArrayList<>(MODEL.causes());
        causes.add(new Cause(
                "draught",
                "A draught over the turner",
                0.6,
                List.of(),
                Map.of("soft", 0.9),
                List.of(),
                Set.of(),
                Optional.of(new OwnRemedy("draught", "A box over it, then coat", List.of(kinds)))));
        return new Model(causes, MODEL.signs());
    }

    /** P39: a shop's own way of coating over it is no exception; scraped off first it is none. */
    @Test
    void aShopsOwnCoatIsForbiddenWherePracticeForbidsAny() {
        List<Sighting> soft = List.of(new Sighting(Blemish.SOFT, Zone.ALL, Extent.MUCH));
        Facts off = facts(Fact.RATIO_ERROR, 0.2);
        Diagnosis over = Diagnosis.of(withOwn(StepKind.SAND, StepKind.BUILD_COAT), soft, Map.of(), off);
        assertThat(over.offers())
                .filteredOn(offer -> offer.remedy() instanceof OwnRemedy)
                .singleElement()
                .satisfies(
                        offer -> assertThat(offer.against().orElseThrow().key()).isEqualTo("ratio-off"));
        Diagnosis scraped =
                Diagnosis.of(withOwn(StepKind.WIPE, StepKind.FLASH_OFF, StepKind.BUILD_COAT), soft, Map.of(), off);
        assertThat(open(scraped)).anyMatch(OwnRemedy.class::isInstance);
        assertThat(over.against(Remedy.THIN_COAT))
                .as("though it is not offered")
                .isPresent();
    }

    @Test
    void aShopsOwnRemedyHasItsStepsWithTheirUsualWaits() {
        OwnRemedy own = new OwnRemedy("x", "Again", List.of(StepKind.SAND, StepKind.WASH, StepKind.THIN_COAT));
        assertThat(own.steps()).extracting(TechniqueStep::kind).containsExactlyElementsOf(own.kinds());
        assertThat(own.handsOnMinutes(nursery.core.technique.HandsOn.STARTING))
                .isEqualTo(StepKind.SAND.handsOnMinutes()
                        + StepKind.WASH.handsOnMinutes()
                        + StepKind.THIN_COAT.handsOnMinutes());
        assertThatThrownBy(() -> new OwnRemedy("x", " ", Collections.nCopies(7, StepKind.SAND)))
                .isInstanceOf(InvalidInput.class);
    }
}
