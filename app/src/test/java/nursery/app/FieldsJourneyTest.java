package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.ColorScheme;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import nursery.app.cups.PlanChanges;
import nursery.app.shelf.ShelfBook;
import nursery.core.cup.Blank;
import nursery.core.cup.Straight;
import nursery.core.film.CoatRole;
import nursery.core.technique.Field;
import nursery.core.technique.PlanStep;
import nursery.core.technique.StepKind;
import nursery.core.technique.Wait;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * What can be said of how a step was done, of every kind of step: each choice picked by hand, logged, and told again.
 */
class FieldsJourneyTest extends Journey {

    private static Stream<Field> said(StepKind kind) {
        return Field.of(kind).stream().filter(field -> field != Field.TURNED);
    }

    /** A cup of which nothing is ahead but one step. */
    private String before(StepKind kind) {
        String code = shop.start(
                kind.name(),
                shop.shelf().resins().get(0).id(),
                shop.clock().instant().minus(Duration.ofDays(4)));
        Optional<CoatRole> role = kind.isPour() ? Optional.of(CoatRole.BUILD) : Optional.empty();
        shop.bean(PlanChanges.class)
                .replan(
                        code,
                        shop.cup(code).stepsAhead().stream()
                                .map(PlanStep::number)
                                .toList(),
                        List.of(new PlanStep(50, kind, Wait.none(), "", role)));
        return code;
    }

    /** Picks every choice in turn, and says which of each was picked last. */
    private List<String> pickEach(StepKind kind) {
        List<String> last = new ArrayList<>();
        said(kind).forEach(field -> {
            Locator input = page.locator("[id='how.%s']".formatted(field.written()));
            if (!field.isChosen()) {
                input.fill("80–120");
                last.add("80–120");
                return;
            }
            List<String> choices = field.choices(kind, true).stream()
                    .map(Field.Choice::written)
                    .toList();
            assertThat(input.locator("option").all().stream()
                            .map(option -> option.getAttribute("value"))
                            .toList())
                    .as("%s of %s", field, kind)
                    .isEqualTo(choices);
            for (String choice : choices) {
                input.selectOption(choice);
                assertThat(input).hasValue(choice);
            }
            if (field == Field.PLACE) {
                // The last of its choices is a band, and asks where that begins and ends.
                page.locator("[id='how.band']").fill("12–60");
                last.add("12-60");
                return;
            }
            last.add(choices.get(choices.size() - 1));
        });
        return last;
    }

    /** Presses, and answers each question that comes back; what was picked must have stayed. */
    private void log() {
        // The coats before hold every spindle: none is offered, and the maker says where it goes.
        Locator places = page.locator("label.chip:has(input[name=spindle])");
        if (places.count() > 0 && page.locator("input[name=spindle]:checked").count() == 0) {
            places.first().click();
        }
        press();
        List<Locator> asked = page.locator(".confirm-part fieldset").all();
        if (!asked.isEmpty()) {
            asked.forEach(question -> question.locator("label.chip").first().click());
            press();
        }
    }

    /** "Done", or "Done without" where practice wants something first. */
    private void press() {
        send(page.locator(".log-bar button[name=what]").first().innerText());
    }

    @ParameterizedTest
    @ValueSource(ints = {390, 1280})
    void everyChoiceOfEveryKindIsPickedLoggedAndTold(int width) {
        // With a coat of powder from its maker: nothing has to come before whatever is tried.
        shop.bean(ShelfBook.class)
                .addBlank(
                        "20 oz slim", new Blank(new Straight(205, 229.3), true, 5, 0, 0, OptionalDouble.of(20), true));
        open(width, 844, ColorScheme.LIGHT);
        for (StepKind kind : StepKind.values()) {
            if (said(kind).findAny().isEmpty()) {
                continue;
            }
            String code = before(kind);
            page.navigate("/cups/" + code);
            unfold("change it, or add a note");
            List<String> picked = pickEach(kind);
            noWiderThanTheScreen();
            log();
            List<PlanStep> done = shop.cup(code).stepsDone();
            assertThat(done).as("%s", kind).hasSize(1);
            assertThat(said(kind).map(field -> done.get(0).how().written(field)).toList())
                    .as("%s", kind)
                    .isEqualTo(picked);
            unfold("History");
            assertThat(page.locator("#history")).containsText(done.get(0).title());
        }
    }
}
