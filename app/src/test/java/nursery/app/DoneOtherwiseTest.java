package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nursery.app.ShopUnderTest.Running;
import nursery.app.cups.PlanChanges;
import nursery.app.floor.Floors;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.film.CoatRole;
import nursery.core.log.LogEntry;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import nursery.core.technique.Where;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.springframework.test.web.servlet.assertj.MvcTestResult;

/** Steps done otherwise than planned: said as they are logged, one, in a row or on several cups, and corrected. */
@ExtendWith(ShopUnderTest.class)
class DoneOtherwiseTest {

    private static Running shop;
    private static Tablet tablet;

    @BeforeAll
    static void open(Running running) {
        shop = running;
        tablet = new Tablet(running);
    }

    @BeforeEach
    void freshShop() {
        shop.empty();
        shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        shop.settle("UTC");
    }

    private String start() {
        return shop.start(
                "Night tram",
                shop.shelf().resins().get(0).id(),
                shop.clock().instant().minus(Duration.ofDays(4)));
    }

    private MvcTestResult log(String code, String what, String... more) {
        Map<String, String> entry = typed("what", what, "when", "0", "note", "");
        shop.cup(code)
                .state()
                .next()
                .ifPresent(action -> entry.put("step", "" + action.step().number()));
        entry.putAll(typed(more));
        return tablet.send("/cups/" + code + "/log", entry);
    }

    static Stream<StepKind> kinds() {
        return Stream.of(StepKind.values())
                .filter(kind -> Field.of(kind).stream().anyMatch(field -> field != Field.TURNED));
    }

    /** A cup of which nothing is ahead but one step. */
    private String before(StepKind kind) {
        String code = start();
        Optional<CoatRole> role = kind.isPour() ? Optional.of(CoatRole.BUILD) : Optional.empty();
        List<Integer> ahead =
                shop.cup(code).stepsAhead().stream().map(PlanStep::number).toList();
        shop.bean(PlanChanges.class).replan(code, ahead, List.of(new PlanStep(50, kind, Wait.none(), "", role)));
        return code;
    }

    /** Whatever it is, each of its choices is offered, is logged as it was chosen, and can be put right. */
    @ParameterizedTest
    @MethodSource("kinds")
    void eachChoiceIsOfferedAndLoggedAndCorrected(StepKind kind) {
        String code = before(kind);
        String page = tablet.page("/cups/" + code);
        String what = kind.isPour() ? "POURED" : "DONE";
        assertThat(log(code, what, "amount", "12", "spindle", "", "confirmed", "on", "why", "tried it"))
                .hasStatus(302);
        for (Field field : Field.of(kind)) {
            if (field == Field.TURNED) {
                continue;
            }
            assertThat(page).contains("name=\"how." + field.written() + "\"");
            List<String> choices = field.isChosen()
                    ? field.choices(kind, true).stream()
                            .map(Field.Choice::written)
                            .toList()
                    : List.of("80", "60–220", "");
            for (String choice : choices) {
                if (field.isChosen()) {
                    assertThat(page).contains("<option value=\"" + choice + "\"");
                }
                assertThat(correct(code, "how." + field.written(), choice, "how.band", "12–60"))
                        .hasStatus(302);
                assertThat(done(code).how().written(field))
                        .isEqualTo(choice.equals(Where.Part.BAND.written()) ? "12-60" : choice);
            }
        }
    }

    /** What was really taken is said as the step is logged, and decides from then on: acetone must flash off (P45). */
    @Test
    void howAStepWasReallyDoneIsLoggedWithIt() {
        String code = start();
        assertThat(shop.cup(code).cup().step(1).how().cleaner()).isEqualTo(Fields.Cleaner.SOAP);
        assertThat(tablet.page("/cups/" + code)).contains("Cleaned with").contains("soap and water");
        Map<String, String> typed = typed("what", "DONE", "when", "0", "note", "", "step", "1");
        typed.putAll(Map.of("how.cleaner", "petrol", "how.grit", "rough"));
        MvcTestResult wrong = tablet.send("/cups/" + code + "/log", typed);
        assertThat(wrong).hasStatus(422);
        assertThat(text(wrong))
                .contains("“petrol” is none of")
                .contains("“rough” is no grit")
                .contains("value=\"rough\"");
        assertThat(shop.cup(code).cup().log()).isEmpty();
        typed.putAll(Map.of("how.cleaner", "acetone", "how.grit", "80–180"));
        assertThat(tablet.send("/cups/" + code + "/log", typed)).hasStatus(302);
        Fields how = done(code).how();
        assertThat(how.cleaner()).isEqualTo(Fields.Cleaner.ACETONE);
        assertThat(how.grit()).isEqualTo(new Grit(80, 180));
        assertThat(shop.cup(code).state().next().orElseThrow().why()).contains("flash");
        assertThat(tablet.page("/cups/" + code)).contains("cleaned with acetone, grit 80–180");
        assertThat(tablet.send("/cups/" + code + "/undo", typed("entry", "" + newest(code))))
                .hasStatus(302);
        assertThat(shop.cup(code).cup().step(1).how())
                .as("taken back, it is to be done as it was planned")
                .isEqualTo(how.with(Fields.Cleaner.SOAP).with(new Grit(60, 220)));
    }

    /** The first step, as its newest entry tells of it. */
    private PlanStep done(String code) {
        return shop.cup(code).stepsDone().get(0);
    }

    private long newest(String code) {
        List<LogEntry> log = shop.cup(code).cup().log();
        return log.get(log.size() - 1).mark().id();
    }

    /** A correction changes what it says and nothing else: the time alone, how it was done alone. */
    @Test
    void howAStepWasDoneIsCorrectedWithItsEntry() {
        String code = start();
        assertThat(log(code, "DONE", "how.cleaner", "acetone")).hasStatus(302);
        long first = newest(code);
        assertThat(tablet.page("/cups/" + code + "/entries/" + first))
                .contains("name=\"how.cleaner\"")
                .contains("value=\"acetone\" selected");
        MvcTestResult timeOnly = correct(code, "how.cleaner", "acetone", "note", "later");
        assertThat(timeOnly).hasStatus(302);
        assertThat(done(code).how().cleaner()).isEqualTo(Fields.Cleaner.ACETONE);
        MvcTestResult nothingSaid = correct(code, "note", "later still");
        assertThat(nothingSaid).hasStatus(302);
        assertThat(done(code).how().cleaner()).isEqualTo(Fields.Cleaner.ACETONE);
        MvcTestResult wrong = correct(code, "how.grit", "-3");
        assertThat(wrong).hasStatus(422);
        assertThat(text(wrong)).contains("“-3” is no grit");
        MvcTestResult asPlanned = correct(code, "how.cleaner", "soap");
        assertThat(asPlanned).hasStatus(302);
        assertThat(done(code).how()).isEqualTo(shop.cup(code).cup().step(1).how());
        assertThat(shop.cup(code).state().next().orElseThrow().why()).doesNotContain("flash");
    }

    private MvcTestResult correct(String code, String... fields) {
        Map<String, String> typed = typed("amount", "12", "spindle", "", "instead", "this");
        typed.putAll(typed(fields));
        typed.put("at", shop.bean(Floors.class).show().input(shop.clock().instant()));
        return tablet.send("/cups/" + code + "/entries/" + newest(code), typed);
    }

    @Test
    void aRowTellsHowEachOfItsStepsWasDone() {
        String code = start();
        assertThat(tablet.page("/cups/" + code + "/row")).contains("name=\"how.cleaner-1\"");
        String at = shop.bean(Floors.class).show().input(shop.clock().instant());
        Map<String, String> typed = typed("step-1", "on", "at-1", at, "how.cleaner-1", "petrol");
        MvcTestResult wrong = tablet.send("/cups/" + code + "/row", typed);
        assertThat(wrong).hasStatus(422);
        assertThat(text(wrong)).contains("“petrol” is none of").contains("class=\"log-more\" open");
        typed.put("how.cleaner-1", "alcohol");
        assertThat(tablet.send("/cups/" + code + "/row", typed)).hasStatus(302);
        assertThat(done(code).how().cleaner()).isEqualTo(Fields.Cleaner.ALCOHOL);
    }

    @Test
    void severalCupsTellHowTheirStepWasDone() {
        String one = start();
        String other = start();
        Map<String, String> typed = typed("what", "DONE", "when", "0", "note", "");
        for (String code : List.of(one, other)) {
            typed.putAll(Map.of("cup-" + code, "on", "step-" + code, "1", "of-" + code, "-" + one));
        }
        typed.put("how.cleaner-" + one, "petrol");
        MvcTestResult wrong = tablet.send("/cups/together", typed);
        assertThat(wrong).hasStatus(422);
        assertThat(text(wrong)).containsOnlyOnce("“petrol” is none of what can be chosen here: choose one.</li>");
        typed.put("how.cleaner-" + one, "acetone");
        assertThat(tablet.send("/cups/together", typed)).hasStatus(302);
        assertThat(List.of(done(one), done(other)))
                .allSatisfy(step -> assertThat(step.how().cleaner()).isEqualTo(Fields.Cleaner.ACETONE));
    }

    /** What is asked about and left is not half written: neither the entry nor how it would have been done. */
    @Test
    void howAStepWasDoneGoesWithAQuestionThatIsNotAnswered() {
        String code = start();
        log(code, "DONE");
        shop.clock().forward(Duration.ofMinutes(30));
        log(code, "DONE");
        MvcTestResult onWetPaint = log(code, "POURED", "amount", "1", "spindle", "", "how.heat", "torch");
        assertThat(onWetPaint).hasStatus(422);
        assertThat(shop.cup(code).cup().log()).hasSize(2);
    }
}
