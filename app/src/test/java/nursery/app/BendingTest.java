package nursery.app;

import static nursery.app.Tablet.text;
import static nursery.app.Tablet.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import nursery.app.ShopUnderTest.Running;
import nursery.app.floor.Floors;
import nursery.app.shelf.ShelfBook;
import nursery.app.techniques.EditForm;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.log.CupState;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** A running plan, changed by several hands, with what cannot be sent and what comes too late. */
@ExtendWith(ShopUnderTest.class)
class BendingTest {

    private Running shop;
    private Tablet tablet;
    private String code;
    private long blank;

    @BeforeEach
    void aCupIsUnderWay(Running running) {
        shop = running;
        shop.empty();
        shop.settle("UTC");
        tablet = new Tablet(shop);
        blank = shop.bean(ShelfBook.class)
                .addBlank("20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20)));
        code = shop.start(
                "Winter sky", shop.shelf().resins().get(0).id(), shop.clock().instant());
    }

    private List<PlanStep> ahead() {
        CupState state = shop.cup(code).state();
        return shop.cup(code).cup().plan().stream()
                .filter(step -> !state.done().containsKey(step.number()))
                .toList();
    }

    private Map<String, String> form(List<PlanStep> steps) {
        Map<String, String> form = typed(
                "ahead",
                String.join(
                        ",", ahead().stream().map(step -> "" + step.number()).toList()));
        form.putAll(new LinkedHashMap<>(
                EditForm.filled(steps, shop.bean(Floors.class).show())));
        return form;
    }

    private void upToTheAdhesive() {
        while (ahead().get(0).kind() != StepKind.ADHESIVE) {
            shop.clock().forward(Duration.ofMinutes(70));
            int number = ahead().get(0).number();
            tablet.send("/cups/" + code + "/log", typed("what", "DONE", "step", "" + number, "when", "0"));
        }
        shop.clock().forward(Duration.ofMinutes(70));
    }

    @Test
    void aStepLeftOutAndOneMovedAreWhatIsAheadThen() {
        List<PlanStep> steps = new java.util.ArrayList<>(ahead());
        steps.remove(3);
        java.util.Collections.swap(steps, 0, 1);
        assertThat(tablet.send("/cups/" + code + "/steps", form(steps))).hasStatus(302);
        assertThat(ahead()).isEqualTo(steps);
        assertThat(shop.cup(code).state().next().orElseThrow().step()).isEqualTo(steps.get(0));
    }

    @Test
    void whatSomeoneLoggedMeanwhileIsNotOverwritten() {
        Map<String, String> form = form(ahead().subList(2, ahead().size()));
        int first = ahead().get(0).number();
        tablet.send("/cups/" + code + "/log", typed("what", "DONE", "step", "" + first, "when", "0"));
        assertThat(text(tablet.send("/cups/" + code + "/steps", form))).contains("was logged or changed while you had");
        assertThat(shop.cup(code).cup().find(first)).isPresent();
    }

    @Test
    void aNumberThatIsTakenOrStandsTwiceIsRefused() {
        Map<String, String> twice = form(List.of(ahead().get(0), ahead().get(0)));
        assertThat(text(tablet.send("/cups/" + code + "/steps", twice))).contains("stands there twice");
        int first = ahead().get(0).number();
        tablet.send("/cups/" + code + "/log", typed("what", "DONE", "step", "" + first, "when", "0"));
        Map<String, String> taken = form(ahead());
        taken.put("s0.number", "" + first);
        assertThat(text(tablet.send("/cups/" + code + "/steps", taken))).contains("stands there twice");
    }

    @Test
    void whatIsWrongInARowIsToldAndKept() {
        Map<String, String> form = form(ahead());
        form.putAll(Map.of("s0.do", "", "s1.wait", "dry", "s1.amount", "-4", "s2.coat", "nothing"));
        assertThat(text(tablet.send("/cups/" + code + "/steps", form)))
                .contains("Choose what this step is.")
                .contains("The minutes to wait")
                .contains("value=\"-4\"");
    }

    @Test
    void aPlanIsNotLeftWithoutASingleStep() {
        assertThat(text(tablet.send("/cups/" + code + "/steps", form(List.of()))))
                .contains("A plan needs at least one step");
        assertThat(ahead()).isNotEmpty();
    }

    @Test
    void aMixUnderWayKeepsItsCoat() {
        upToTheAdhesive();
        tablet.send("/mix", typed("resin", "" + shop.shelf().resins().get(0).id(), "pick-" + code, "on"));
        assertThat(shop.floor().open()).hasSize(1);
        assertThat(text(tablet.send("/cups/" + code + "/steps", form(ahead().subList(1, ahead().size())))))
                .contains("somebody is mixing for it");
    }

    @Test
    void aCupIsRenamedPromisedAndPutOnAnotherBlankUntilItIsCoated() {
        long mug = shop.bean(ShelfBook.class)
                .addBlank("16 oz mug", new Blank(new Straight(118, 262), true, 5, 0, 34, OptionalDouble.of(16)));
        long resin = shop.shelf().resins().get(1).id();
        Map<String, String> about = typed(
                "name",
                "Comet",
                "madeFor",
                "Astronomy club",
                "due",
                "2026-03-20",
                "base",
                "" + resin,
                "last",
                "" + resin,
                "paint",
                "#112233",
                "glitter",
                "#445566",
                "blank",
                "" + mug);
        assertThat(tablet.send("/cups/" + code + "/about", about)).hasStatus(302);
        assertThat(shop.cup(code).cup().about().name()).isEqualTo("Comet");
        assertThat(shop.cup(code).cup().about().blank()).isEqualTo("16 oz mug");
        assertThat(shop.cup(code).cup().resins().base().id()).isEqualTo(resin);
        assertThat(shop.cup(code).cup().promise().dueAt()).isPresent();
        about.putAll(typed("name", " ", "due", "2020-01-01", "paint", "red", "base", "999"));
        assertThat(text(tablet.send("/cups/" + code + "/about", about)))
                .contains("The name is missing", "is in the past", "is not a colour", "not on the shelf any more");
        upToTheAdhesive();
        int coat = ahead().get(0).number();
        assertThat(tablet.send(
                        "/cups/" + code + "/log",
                        typed("what", "POURED", "step", "" + coat, "when", "0", "amount", "1", "spindle", "")))
                .hasStatus(302);
        Map<String, String> other = typed(
                "name",
                "Comet",
                "madeFor",
                "",
                "due",
                "",
                "base",
                "" + resin,
                "last",
                "" + resin,
                "paint",
                "#112233",
                "glitter",
                "#445566",
                "blank",
                "" + blank);
        assertThat(text(tablet.send("/cups/" + code + "/about", other))).contains("its blank stays what it was");
    }

    @Test
    void anAmountDecidedForACoatAheadIsWhatIsMixedForIt() {
        upToTheAdhesive();
        List<PlanStep> steps = ahead();
        int flood = steps.stream().map(PlanStep::kind).toList().indexOf(StepKind.FLOOD_COAT);
        Map<String, String> form = form(steps);
        form.put("s0.pour", "1,5");
        form.put("s" + flood + ".pour", "1 fl oz");
        assertThat(tablet.send("/cups/" + code + "/steps", form)).hasStatus(302);
        // 1 US fl oz = 29.5735 ml (NIST SP 811).
        assertThat(ahead().get(flood).amountMl().orElseThrow()).isCloseTo(29.5735, within(0.001));
        assertThat(shop.shareMl(code)).isEqualTo(1.5);
        assertThat(text(tablet.get("/cups/" + code))).contains("Decided for this cup; the area asks for");
        assertThat(text(tablet.get("/cups/" + code + "/steps"))).contains("value=\"29.6\"");
        form = form(ahead());
        form.putAll(Map.of("s0.pour", "-3", "s" + flood + ".pour", "4000"));
        assertThat(text(tablet.send("/cups/" + code + "/steps", form)))
                .contains("-3 ml cannot be right on this cup")
                .contains("4000 ml cannot be right on this cup");
        form = form(ahead());
        form.put("s0.pour", "");
        tablet.send("/cups/" + code + "/steps", form);
        assertThat(ahead().get(0).amountMl()).isEmpty();
    }

    private Map<String, String> anew(String technique, String... more) {
        Map<String, String> form = typed(
                "ahead",
                String.join(
                        ",", ahead().stream().map(step -> "" + step.number()).toList()),
                "technique",
                technique);
        form.putAll(typed(more));
        return form;
    }

    @Test
    void beforeTheFirstCoatItGoesOnByAnyTechnique() {
        upToTheAdhesive();
        int done = shop.cup(code).cup().plan().size() - ahead().size();
        assertThat(tablet.send("/cups/" + code + "/technique", anew("waves", "times-Further wave", "2")))
                .hasStatus(302);
        assertThat(shop.cup(code).cup().about().technique()).isEqualTo("Waves in partial coats");
        assertThat(shop.cup(code).cup().plan().size() - ahead().size())
                .as("what was done stays")
                .isEqualTo(done);
        assertThat(ahead())
                .as("prep and paint are done already")
                .extracting(PlanStep::kind)
                .startsWith(StepKind.PARTIAL_COAT)
                .filteredOn(StepKind.PARTIAL_COAT::equals)
                .hasSize(3);
        assertThat(ahead()).extracting(PlanStep::number).doesNotHaveDuplicates();
    }

    @Test
    void afterItOnlyItsSchoolsChange() {
        upToTheAdhesive();
        int coat = ahead().get(0).number();
        tablet.send(
                "/cups/" + code + "/log",
                typed("what", "POURED", "step", "" + coat, "when", "0", "amount", "1", "spindle", ""));
        assertThat(text(tablet.send("/cups/" + code + "/technique", anew("waves"))))
                .contains("A coat is on this cup: it stays One-colour glitter.");
        List<StepKind> before = ahead().stream().map(PlanStep::kind).toList();
        assertThat(before).doesNotContain(StepKind.MASK);
        assertThat(tablet.send("/cups/" + code + "/technique", anew("one-colour-glitter", "BARE_STEEL", "TAPE")))
                .hasStatus(302);
        assertThat(ahead()).extracting(PlanStep::kind).startsWith(before.get(0)).contains(StepKind.MASK);
        assertThat(text(tablet.get("/cups/" + code + "/technique"))).doesNotContain("another technique can");
        Map<String, String> late = anew("one-colour-glitter");
        shop.clock().forward(Duration.ofMinutes(3));
        tablet.send(
                "/cups/" + code + "/log",
                typed("what", "DONE", "step", "" + ahead().get(0).number(), "when", "0"));
        assertThat(text(tablet.send("/cups/" + code + "/technique", late))).contains("was logged or changed while you");
    }
}
