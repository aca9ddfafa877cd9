package nursery.core.technique;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import nursery.core.technique.Fields.Cleaner;
import nursery.core.technique.Fields.Colours;
import nursery.core.technique.Fields.Dust;
import nursery.core.technique.Fields.Grain;
import nursery.core.technique.Fields.Heat;
import nursery.core.technique.Fields.Sealer;
import nursery.core.technique.Fields.Strewn;
import nursery.core.technique.Fields.Turned;
import nursery.core.technique.Fields.Vinyl;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What may be said of each kind of step, how it is written and read, and what it means. */
class FieldsTest {

    private static final Set<StepKind> COATS = EnumSet.of(
            StepKind.ADHESIVE,
            StepKind.FLOOD_COAT,
            StepKind.BUILD_COAT,
            StepKind.THIN_COAT,
            StepKind.PARTIAL_COAT,
            StepKind.FINISHING_COAT);
    private static final Set<StepKind> SANDED = EnumSet.of(StepKind.SAND, StepKind.SAND_RIM, StepKind.TRIM_AND_SAND);

    private static Set<StepKind> kindsWith(Field field) {
        EnumSet<StepKind> kinds = EnumSet.noneOf(StepKind.class);
        Arrays.stream(StepKind.values()).filter(field::isOf).forEach(kinds::add);
        return kinds;
    }

    private static Set<StepKind> and(Set<StepKind> some, StepKind... more) {
        EnumSet<StepKind> all = EnumSet.copyOf(some);
        all.addAll(Arrays.asList(more));
        return all;
    }

    @Test
    void eachFieldIsOfTheKindsItSaysSomethingAbout() {
        assertThat(kindsWith(Field.SEALER)).containsExactly(StepKind.SEAL);
        assertThat(kindsWith(Field.CLEANER))
                .containsExactlyInAnyOrder(StepKind.PREP, StepKind.CLEAN, StepKind.PULL_TAPE, StepKind.WIPE);
        assertThat(kindsWith(Field.HEAT)).isEqualTo(and(COATS, StepKind.HEAT));
        assertThat(kindsWith(Field.GRAIN))
                .isEqualTo(kindsWith(Field.COLOURS))
                .isEqualTo(kindsWith(Field.STREWN))
                .containsExactly(StepKind.GLITTER);
        assertThat(kindsWith(Field.VINYL)).containsExactlyInAnyOrder(StepKind.VINYL, StepKind.STENCIL);
        assertThat(kindsWith(Field.GRIT)).isEqualTo(and(SANDED, StepKind.PREP));
        assertThat(kindsWith(Field.DUST)).isEqualTo(SANDED);
        assertThat(kindsWith(Field.TURNED)).isEqualTo(COATS);
        assertThat(Field.of(StepKind.SAND)).containsExactly(Field.GRIT, Field.DUST, Field.PLACE);
        assertThat(Field.of(StepKind.PACK)).isEmpty();
    }

    /** A rim is trimmed and sanded at the rim; what is done with the whole cup, or with none of it, has no place. */
    @Test
    void whatIsDoneToTheWholeCupHasNoPlace() {
        assertThat(kindsWith(Field.PLACE))
                .contains(StepKind.PARTIAL_COAT, StepKind.VINYL, StepKind.SAND, StepKind.PULL_TAPE)
                .doesNotContain(
                        StepKind.CLEAN,
                        StepKind.SETTLE,
                        StepKind.HEAT,
                        StepKind.TURN,
                        StepKind.HANG,
                        StepKind.REST,
                        StepKind.TRIM,
                        StepKind.SAND_RIM,
                        StepKind.WASH,
                        StepKind.POLISH,
                        StepKind.PACK);
    }

    @Test
    void aFieldIsFoundByItsName() {
        for (Field field : Field.values()) {
            assertThat(Field.named(field.written())).contains(field);
            assertThat(field.isChosen()).isEqualTo(field != Field.GRIT);
            assertThat(field.label()).isNotBlank();
        }
        assertThat(Field.named("Grit")).isEmpty();
        assertThat(Field.CLEANER.label()).isEqualTo("Cleaned with");
        assertThat(Field.HEAT.choice("gun-low")).contains(Heat.GUN_LOW);
        assertThat(Field.HEAT.choice("gun")).isEmpty();
    }

    /** A pass of its own has a heat; in a cup's own plan the schools are chosen, but how it turns follows the cup's. */
    @Test
    void whatCannotBeIsNotOffered() {
        assertThat(Field.CLEANER.choices(StepKind.WIPE, true))
                .containsExactly(Cleaner.SOAP, Cleaner.ACETONE, Cleaner.ALCOHOL, Cleaner.PASTE);
        assertThat(Field.CLEANER.choices(StepKind.WIPE, false)).contains(Cleaner.BY_SCHOOL);
        assertThat(Field.TURNED.choices(StepKind.ADHESIVE, true)).contains(Turned.BY_SCHOOL);
        assertThat(Field.HEAT.choices(StepKind.HEAT, false)).doesNotContain(Heat.NONE);
        assertThat(Field.HEAT.choices(StepKind.FLOOD_COAT, false)).contains(Heat.NONE);
        assertThat(Field.PLACE.choices(StepKind.FLOOD_COAT, false))
                .contains(Where.Part.USUAL, Where.Part.LOWER_HALF, Where.Part.BAND)
                .doesNotContain(Where.Part.ALL, Where.Part.SPOTS, Where.Part.RIM);
        assertThat(Field.PLACE.choices(StepKind.VINYL, false))
                .contains(Where.Part.USUAL, Where.Part.RIM, Where.Part.ALL)
                .doesNotContain(Where.Part.SPOTS);
        assertThat(Field.PLACE.word(StepKind.VINYL, Where.Part.USUAL)).isEqualTo("in spots");
        assertThat(Field.PLACE.word(StepKind.VINYL, Where.Part.RIM)).isEqualTo("rim");
    }

    @Test
    void onlyASchoolsChoiceIsLeftToASchool() {
        assertThat(Arrays.stream(Field.values()).flatMap(Field::choices).filter(Field.Choice::isBySchool))
                .containsExactly(Cleaner.BY_SCHOOL, Turned.BY_SCHOOL);
    }

    @Test
    void whereNothingIsSaidThatKindOfStepHasItsOwnWay() {
        assertThat(Fields.usual(StepKind.HEAT).heat()).isEqualTo(Heat.TORCH);
        assertThat(Fields.usual(StepKind.FLOOD_COAT).heat()).isEqualTo(Heat.NONE);
        assertThat(Fields.usual(StepKind.MICA_SEAL).sealer()).isEqualTo(Sealer.BRUSHED);
        assertThat(Fields.usual(StepKind.SEAL).sealer()).isEqualTo(Sealer.AEROSOL);
        assertThat(Fields.usual(StepKind.STENCIL).vinyl()).isEqualTo(Vinyl.REMOVABLE);
        assertThat(Fields.usual(StepKind.VINYL).vinyl()).isEqualTo(Vinyl.PERMANENT);
        assertThat(Fields.usual(StepKind.ADHESIVE).turned()).isEqualTo(Turned.BY_SCHOOL);
        assertThat(Fields.usual(StepKind.THIN_COAT).turned()).isEqualTo(Turned.SPINDLE);
        assertThat(Fields.usual(StepKind.SAND).grit()).isEqualTo(Grit.of(220));
        assertThat(Fields.usual(StepKind.PREP).grit()).isEqualTo(Grit.UNSAID);
    }

    /** Each field by itself, with each of its values: what is set is that, and nothing else. */
    @ParameterizedTest
    @EnumSource(Field.class)
    void whatIsSetIsThatAndNothingElse(Field field) {
        Fields usual = Fields.usual(StepKind.PREP);
        field.choices()
                .filter(choice -> choice != Where.Part.BAND)
                .filter(choice -> !usual.choice(field).equals(Optional.of(choice)))
                .forEach(choice -> {
                    Fields other = usual.with(choice);
                    assertThat(other.choice(field)).contains(choice);
                    assertThat(other.written(field)).isEqualTo(choice.written());
                    assertThat(other.word(field)).isEqualTo(choice.word());
                    assertThat(other.with(usual.choice(field).orElseThrow())).isEqualTo(usual);
                    assertThat(usual.with(field, choice.written())).contains(other);
                    assertThat(Fields.parse(other.written())).isEqualTo(other);
                });
        assertThat(usual.with(field, "none of them")).isEmpty();
    }

    @Test
    void theGritIsANumberAndNoChoice() {
        Fields fields = Fields.usual(StepKind.SAND).with(new Grit(60, 220));
        assertThat(fields.choice(Field.GRIT)).isEmpty();
        assertThat(fields.written(Field.GRIT)).isEqualTo("60–220");
        assertThat(fields.word(Field.GRIT)).isEqualTo("60–220");
        assertThat(fields.with(Field.GRIT, "400").orElseThrow().grit()).isEqualTo(Grit.of(400));
        assertThat(fields.with(Field.GRIT, "").orElseThrow().grit()).isEqualTo(Grit.UNSAID);
    }

    @ParameterizedTest
    @CsvSource({"19,", "20, 20", "5000, 5000", "5001,", "400 to 220, 220–400", "20-5000, 20–5000", "9, "})
    void aGritIsOfSomePaper(String written, String read) {
        assertThat(Grit.parse(written).map(Grit::written)).isEqualTo(Optional.ofNullable(read));
    }

    @Test
    void onlyWhatIsSaidOfAKindIsWrittenOfIt() {
        Fields fields = Fields.usual(StepKind.SAND).with(Dust.WASHED_OFF).with(Heat.TORCH);
        assertThat(fields.written(StepKind.SAND)).isEqualTo("grit=220 dust=washed-off place=usual");
        assertThat(Fields.parse(StepKind.SAND, fields.written(StepKind.SAND)))
                .isEqualTo(Fields.usual(StepKind.SAND).with(Dust.WASHED_OFF));
        assertThat(Fields.parse(StepKind.HEAT, "")).isEqualTo(Fields.usual(StepKind.HEAT));
        assertThat(Fields.parse(StepKind.SAND, "place=12.5-60").where()).isEqualTo(Where.band(12.5, 60));
        assertThat(Fields.parse(StepKind.SAND, "place=12.5-60").written(Field.PLACE))
                .isEqualTo("12.50-60");
        assertThatThrownBy(() -> Fields.parse("colour=red")).hasMessageContaining("colour=red");
        assertThatThrownBy(() -> Fields.parse("grit=12345")).hasMessageContaining("grit=12345");
        assertThatThrownBy(() -> Fields.parse("c=red")).hasMessageContaining("c=red");
    }

    @ParameterizedTest
    @EnumSource(Cleaner.class)
    void whatEvaporatesBurns(Cleaner cleaner) {
        assertThat(cleaner.isSolvent()).isEqualTo(cleaner != Cleaner.SOAP && cleaner != Cleaner.PASTE);
    }

    /** P8: torch, or heat gun on high, leaves a coat hot; on low and warm air do not. */
    @Test
    void aTorchAndAGunOnHighLeaveACoatHot() {
        assertThat(Arrays.stream(Heat.values()).filter(Heat::isHot)).containsExactly(Heat.TORCH, Heat.GUN_HIGH);
    }

    @Test
    void metallicAndTexturedVinylMayLift() {
        assertThat(Arrays.stream(Vinyl.values()).filter(Vinyl::mayLift))
                .containsExactly(Vinyl.METALLIC, Vinyl.TEXTURED);
    }

    @Test
    void coarseFlakesAreRoughAndSoAreSeveralColours() {
        Fields fine = Fields.usual(StepKind.GLITTER);
        assertThat(fine.isCoarse() || fine.isRough()).isFalse();
        assertThat(fine.with(Grain.COARSE).isCoarse()).isTrue();
        assertThat(fine.with(Grain.COARSE).isRough()).isTrue();
        assertThat(fine.with(Colours.SEVERAL).isCoarse()).isFalse();
        assertThat(fine.with(Colours.SEVERAL).isRough()).isTrue();
    }

    @Test
    void whatIsLaidIsRead() {
        Fields usual = Fields.usual(StepKind.GLITTER);
        assertThat(usual.laid(StepKind.GLITTER)).isEqualTo("fine glitter");
        assertThat(usual.with(Colours.SEVERAL).laid(StepKind.GLITTER)).isEqualTo("fine glitter, several colours");
        assertThat(usual.with(Vinyl.TEXTURED).laid(StepKind.STENCIL)).isEqualTo("textured vinyl");
        assertThat(usual.laid(StepKind.PAINT)).isEmpty();
    }

    @Test
    void whatGoesWithoutSayingIsNotSaid() {
        assertThat(Fields.usual(StepKind.GLITTER).worthSaying(StepKind.GLITTER)).isEqualTo(Map.of(Field.GRAIN, "fine"));
        assertThat(Fields.usual(StepKind.GLITTER)
                        .with(Strewn.SPRINKLED)
                        .with(Where.Part.RIM)
                        .worthSaying(StepKind.GLITTER))
                .isEqualTo(Map.of(
                        Field.GRAIN, "fine", Field.STREWN, "into a wet coat", Field.PLACE, Where.Part.RIM.word()));
        assertThat(Fields.usual(StepKind.SAND).worthSaying(StepKind.SAND)).isEqualTo(Map.of(Field.GRIT, "220"));
        assertThat(Fields.usual(StepKind.SAND).with(Grit.UNSAID).worthSaying(StepKind.SAND))
                .isEmpty();
        assertThat(Fields.usual(StepKind.WIPE).worthSaying(StepKind.WIPE)).isEqualTo(Map.of(Field.CLEANER, "acetone"));
    }

    @Test
    void aFieldStandsByItselfInASentence() {
        Fields fields = Fields.usual(StepKind.PREP);
        assertThat(fields.told(Field.SEALER)).isEqualTo("sealer aerosol");
        assertThat(fields.told(Field.CLEANER)).isEqualTo("cleaned with acetone");
        assertThat(fields.told(Field.HEAT)).isEqualTo("heat not said");
        assertThat(fields.with(Heat.TORCH).told(Field.HEAT)).isEqualTo("heated with torch");
        assertThat(fields.told(Field.GRAIN)).isEqualTo("fine flakes");
        assertThat(fields.told(Field.GRIT)).isEqualTo("grit not said");
        assertThat(fields.with(Grit.of(220)).told(Field.GRIT)).isEqualTo("grit 220");
        assertThat(fields.told(Field.DUST)).isEqualTo("dust still on it");
        assertThat(fields.told(Field.TURNED)).isEqualTo("on a turner");
    }

    @Test
    void whatWasLeftToASchoolIsDecidedByIt() {
        Fields left = Fields.usual(StepKind.PREP).with(Cleaner.BY_SCHOOL);
        assertThat(left.by(Schools.of(School.SOAP)).cleaner()).isEqualTo(Cleaner.SOAP);
        assertThat(left.by(Schools.of(School.ALCOHOL)).cleaner()).isEqualTo(Cleaner.ALCOHOL);
        assertThat(left.by(Schools.of(School.ACETONE)).cleaner()).isEqualTo(Cleaner.ACETONE);
        assertThat(left.with(Cleaner.PASTE).by(Schools.of(School.SOAP)).cleaner())
                .isEqualTo(Cleaner.PASTE);
    }

    @ParameterizedTest
    @EnumSource(StepKind.class)
    void aKindIsFoundByItsName(StepKind kind) {
        assertThat(StepKind.named(kind.written())).contains(kind);
        assertThat(StepKind.named(kind.name())).isEmpty();
        assertThat(kind.isPour()).isEqualTo(COATS.contains(kind));
        assertThat(kind.isSanding()).isEqualTo(SANDED.contains(kind));
        assertThat(kind.isClearCoat()).isEqualTo(COATS.contains(kind) && kind != StepKind.ADHESIVE);
        assertThat(kind.isWholeCoat())
                .isEqualTo(COATS.contains(kind) && kind != StepKind.ADHESIVE && kind != StepKind.PARTIAL_COAT);
        assertThat(kind.scuffsTheBody()).isEqualTo(kind == StepKind.SAND || kind == StepKind.TRIM_AND_SAND);
        assertThat(kind.isCut())
                .isEqualTo(kind == StepKind.VINYL || kind == StepKind.STENCIL || kind == StepKind.WATER_SLIDE);
    }

    /** Nobody sands, paints or lays vinyl on a cup that turns; tape is pulled, ink dropped and flakes strewn on one. */
    @Test
    void whatIsDoneInTheHandsEndsTheTurning() {
        assertThat(List.of(StepKind.SAND, StepKind.PAINT, StepKind.VINYL, StepKind.SEAL, StepKind.PACK, StepKind.HANG))
                .allMatch(StepKind::endsTurning);
        assertThat(List.of(
                        StepKind.PULL_TAPE,
                        StepKind.INK_BLOOM,
                        StepKind.GLITTER,
                        StepKind.HEAT,
                        StepKind.FLOOD_COAT,
                        StepKind.INSPECT))
                .noneMatch(StepKind::endsTurning);
    }

    @Test
    void aStepAsksForWhatItIsDoneWith() {
        PlanStep coat = planned(StepKind.ADHESIVE);
        assertThat(planned(StepKind.FLOOD_COAT).needs()).containsExactly(Need.SPINDLE);
        assertThat(planned(StepKind.FLOOD_COAT)
                        .doneAs(Fields.usual(StepKind.FLOOD_COAT).with(Turned.BY_HAND))
                        .needs())
                .isEmpty();
        assertThat(planned(StepKind.FLOOD_COAT)
                        .doneAs(Fields.usual(StepKind.FLOOD_COAT).with(Turned.HUNG))
                        .needs())
                .isEmpty();
        assertThat(planned(StepKind.SEAL).needs()).containsExactly(Need.BOOTH);
        assertThat(planned(StepKind.SEAL)
                        .doneAs(Fields.usual(StepKind.SEAL).with(Sealer.BRUSHED))
                        .needs())
                .isEmpty();
        assertThat(coat.isLike(planned(StepKind.ADHESIVE))).isTrue();
        assertThat(coat.isLike(planned(StepKind.FLOOD_COAT))).isFalse();
        assertThat(planned(StepKind.SAND).isLike(planned(StepKind.SAND_RIM))).isFalse();
        assertThat(planned(StepKind.VINYL).sized(new DecalSize(80, 60)).size()).contains(new DecalSize(80, 60));
        for (Need need : Need.values()) {
            assertThat(need.words()).isNotBlank();
        }
    }

    private static PlanStep planned(StepKind kind) {
        return TechniqueStep.usual(kind).in(1);
    }

    /** A caution stands where the danger is: soap does not burn, and dry flakes are no epoxy. */
    @Test
    void aStepWarnsOfWhatItIsDoneWith() {
        PlanStep prep = planned(StepKind.PREP);
        assertThat(prep.caution(false)).isEqualTo(Caution.DUST_AND_SOLVENT);
        assertThat(with(prep, Cleaner.SOAP).caution(false)).isEqualTo(Caution.DUST);
        assertThat(with(planned(StepKind.WIPE), Cleaner.SOAP).caution(false)).isEqualTo(Caution.NONE);
        assertThat(planned(StepKind.WIPE).caution(false)).isEqualTo(Caution.SOLVENT);
        assertThat(planned(StepKind.SEAL).caution(false)).isEqualTo(Caution.AEROSOL);
        assertThat(with(planned(StepKind.SEAL), Sealer.BRUSHED).caution(false)).isEqualTo(Caution.NONE);
        PlanStep flakes = planned(StepKind.GLITTER);
        assertThat(flakes.caution(false)).isEqualTo(Caution.POWDER);
        assertThat(flakes.caution(true)).isEqualTo(Caution.EPOXY);
        assertThat(with(flakes, Strewn.STIRRED_IN).caution(false)).isEqualTo(Caution.EPOXY);
        assertThat(Arrays.stream(Caution.values())
                        .filter(caution -> caution.words().isEmpty()))
                .containsExactly(Caution.NONE);
    }

    private static PlanStep with(PlanStep step, Field.Choice choice) {
        return step.doneAs(step.how().with(choice));
    }

    @Test
    void schoolsAreWrittenAndReadAndCompared() {
        Schools schools = Schools.of(School.ACETONE, School.MIX_RESTED);
        assertThat(Schools.read(schools.written())).isEqualTo(schools).hasSameHashCodeAs(schools);
        assertThat(schools.written()).contains("ACETONE", "MIX_RESTED").doesNotContain("SOAP");
        assertThat(Schools.read("")).isEqualTo(Schools.of()).isNotEqualTo(schools);
        assertThat(schools.hashCode()).isNotZero();
        assertThat(schools).isNotEqualTo(schools.written());
    }

    /** What a step of a cup's own plan is as one of a technique: the same, under its kind's title where it has that. */
    @Test
    void aStepOfAPlanIsOneOfATechnique() {
        PlanStep plain = planned(StepKind.SAND);
        PlanStep named = new PlanStep(
                4,
                StepKind.SAND,
                "Sand it level",
                Wait.of(Wait.Kind.SANDABLE),
                "220, wet.",
                Optional.empty(),
                Fields.usual(StepKind.SAND),
                Optional.empty());
        assertThat(TechniqueStep.of(plain)).isEqualTo(TechniqueStep.usual(StepKind.SAND));
        assertThat(TechniqueStep.of(plain).title()).isEmpty();
        assertThat(TechniqueStep.of(named).title()).isEqualTo("Sand it level");
        assertThat(TechniqueStep.of(named).in(4)).isEqualTo(named);
        Fields wet = Fields.usual(StepKind.SAND).with(Dust.WASHED_OFF);
        assertThat(TechniqueStep.of(named).doneAs(wet).how()).isEqualTo(wet);
    }

    /** Straight on over the coat before, sanded when it can be, the rest as that kind has it (P19, P22). */
    @Test
    void aStepOfAKindWaitsAsSuchAStepDoes() {
        assertThat(TechniqueStep.usual(StepKind.SAND).waiting().kind()).isEqualTo(Wait.Kind.SANDABLE);
        assertThat(TechniqueStep.usual(StepKind.FLOOD_COAT).waiting().kind()).isEqualTo(Wait.Kind.STRAIGHT_ON);
        assertThat(TechniqueStep.usual(StepKind.ADHESIVE).waiting()).isEqualTo(Wait.none());
        assertThat(TechniqueStep.usual(StepKind.PULL_TAPE).waiting().span()).isEqualTo("45 min");
        assertThat(TechniqueStep.usual(StepKind.WASH).waiting()).isEqualTo(Wait.none());
    }

    /** Of two ages the one that is this resin's; what is no age stays what it is. */
    @Test
    void aFastResinHasItsOwnAge() {
        assertThat(Wait.age(12, 3).on(1.5)).isEqualTo(Wait.age(3));
        assertThat(Wait.age(12, 3).on(2)).isEqualTo(Wait.age(3));
        assertThat(Wait.age(12, 3).on(5)).isEqualTo(Wait.age(12));
        assertThat(Wait.straightOn().on(1)).isEqualTo(Wait.straightOn());
    }

    @Test
    void aTimeTakenIsPlausibleFromHalfAMinuteToFourHours() {
        assertThat(HandsOn.isPlausible(0.5)).isTrue();
        assertThat(HandsOn.isPlausible(240)).isTrue();
        assertThat(HandsOn.isPlausible(0.49)).isFalse();
        assertThat(HandsOn.isPlausible(240.1)).isFalse();
    }

    @Test
    void aTermHasAWordAndAMeaning() {
        assertThat(Arrays.stream(Term.values()).map(Term::word))
                .doesNotHaveDuplicates()
                .doesNotContain("");
        assertThat(Arrays.stream(Term.values()).map(Term::meaning)).allMatch(meaning -> meaning.endsWith("."));
    }

    /** A file of the first version said in words and in a material what is a field today. */
    @Test
    void aStepOfTheFirstVersionIsReadAsFields() {
        assertThat(Words.read(StepKind.SEAL, "Seal", "Brush on a thin sealer.", "", "")
                        .sealer())
                .isEqualTo(Sealer.BRUSHED);
        assertThat(Words.read(StepKind.GLITTER, "Brush", "acetone", "", "")).isEqualTo(Fields.usual(StepKind.GLITTER));
        assertThat(Words.read(StepKind.WIPE, "Wipe", "with soap", "", "").cleaner())
                .isEqualTo(Cleaner.SOAP);
        assertThat(Words.read(StepKind.HEAT, "Warm it on low", "", "", "").heat())
                .isEqualTo(Heat.GUN_LOW);
        assertThat(Words.read(StepKind.FLOOD_COAT, "Torch it", "", "", "").heat())
                .isEqualTo(Heat.NONE);
        Fields sanded = Words.read(StepKind.SAND, "Sand and wash", "", "", "60–220");
        assertThat(sanded.dust()).isEqualTo(Dust.WASHED_OFF);
        assertThat(sanded.grit()).isEqualTo(new Grit(60, 220));
        assertThat(Words.read(StepKind.SAND, "Sand", "", "", "").dust()).isEqualTo(Dust.LEFT);
        Fields mixed = Words.read(StepKind.GLITTER, "", "", "mixed-glitter", "");
        assertThat(mixed.grain()).isEqualTo(Grain.COARSE);
        assertThat(mixed.colours()).isEqualTo(Colours.SEVERAL);
        assertThat(Words.read(StepKind.VINYL, "", "", "metallic-vinyl", "").vinyl())
                .isEqualTo(Vinyl.METALLIC);
        assertThat(Words.read(StepKind.VINYL, "", "", "ordinary", "").vinyl()).isEqualTo(Vinyl.PERMANENT);
        assertThat(Words.isMaterial("mixed-glitter") && Words.isMaterial("")).isTrue();
        assertThat(Words.isMaterial("gold")).isFalse();
        assertThat(Words.grit("20, 5000")).isEqualTo(new Grit(20, 5000));
        assertThat(Words.grit("19, 5001")).isEqualTo(Grit.UNSAID);
    }

    /** One base, any layers, one finish; what stands between stands alone. */
    @Test
    void blocksStandInTheOrderOfACup() {
        var base = Technique.Place.BASE;
        var layer = Technique.Place.LAYER;
        var between = Technique.Place.BETWEEN;
        var finish = Technique.Place.FINISH;
        assertThat(Technique.inOrder(List.of(base, finish))).isTrue();
        assertThat(Technique.inOrder(List.of(base, layer, between, layer, finish)))
                .isTrue();
        assertThat(Technique.inOrder(List.of(base, between, finish))).isTrue();
        assertThat(Technique.inOrder(List.of(base, layer, between, between, finish)))
                .isFalse();
        assertThat(Technique.inOrder(List.of(base, base, finish))).isFalse();
        assertThat(Technique.inOrder(List.of(base, finish, finish))).isFalse();
        assertThat(Technique.inOrder(List.of(layer, finish))).isFalse();
        assertThat(Technique.inOrder(List.of(base, layer))).isFalse();
        assertThat(Technique.inOrder(List.of(base))).isFalse();
        assertThat(Technique.inOrder(List.of())).isFalse();
        assertThat(between.written()).isEqualTo("between");
    }
}
