package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import nursery.core.technique.Field;
import nursery.core.technique.StepKind;
import nursery.core.technique.Where;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Where a block goes, and a layer in the editor: each choice touched, on a phone and beside it. */
class PlacesJourneyTest extends Journey {

    /** Picks it, and waits until what stands together is drawn anew. */
    private void pick(String select, String choice) {
        page.waitForResponse(
                response -> response.url().endsWith("/techniques/compose/draft") && response.ok(),
                () -> page.locator(select).selectOption(choice));
        assertThat(page.locator(select)).hasValue(choice);
    }

    private List<String> choices(String select) {
        return page.locator(select + " option").all().stream()
                .map(option -> option.getAttribute("value"))
                .toList();
    }

    private void press(String button) {
        page.waitForResponse(
                response -> response.url().endsWith("/draft") && response.ok(),
                () -> button(button).first().click());
    }

    @ParameterizedTest
    @ValueSource(ints = {390, 1280})
    void everyPlaceOfABlockIsChosenAndDrawn(int width) {
        open(width, 844, ColorScheme.LIGHT);
        page.navigate("/techniques/compose");
        press("Add: Decal");
        List<String> ofACoat = Field.PLACE.choices(StepKind.FLOOD_COAT, true).stream()
                .map(Field.Choice::written)
                .toList();
        assertThat(choices("#where-0")).isEqualTo(ofACoat);
        assertThat(choices("#where-2"))
                .isEqualTo(Field.PLACE.choices(StepKind.VINYL, true).stream()
                        .map(Field.Choice::written)
                        .toList());
        for (String select : List.of("#where-base", "#where-0", "#where-2")) {
            Locator band = page.locator(select.replace("where", "band"));
            for (String choice : choices(select)) {
                pick(select, choice);
                assertThat(band)
                        .isVisible(new com.microsoft.playwright.assertions.LocatorAssertions.IsVisibleOptions()
                                .setVisible(choice.equals(Where.Part.BAND.written())));
                assertThat(page.locator(".composed-cup svg")).isVisible();
            }
            page.waitForResponse(response -> response.url().endsWith("/draft") && response.ok(), () -> {
                band.fill("60–120");
                band.blur();
            });
            assertThat(band).hasValue("60–120");
            noWiderThanTheScreen();
        }
        // A band moves with its layer.
        press("Up: Decal");
        assertThat(page.locator("#where-1")).hasValue("band");
        assertThat(page.locator("#band-1")).hasValue("60–120");
        page.locator("#name").fill("Bands " + width);
        page.locator("#band-1").fill("120–120");
        send("Keep it");
        assertThat(page.locator("#band-1")).hasValue("120–120");
        assertThat(page.locator(".notice.bad")).containsText("cannot be");
        page.waitForResponse(response -> response.url().endsWith("/draft"), () -> {
            page.locator("#band-1").fill("60–120");
            page.locator("#band-1").blur();
        });
        send("Keep it");
        assertThat(page.locator(".stack")).containsText("Lay the decal, in a band");
    }

    @ParameterizedTest
    @ValueSource(ints = {390, 1280})
    void aLayerIsMovedAndTakenOutInTheEditor(int width) {
        open(width, 844, ColorScheme.LIGHT);
        page.navigate("/techniques/waves");
        send("Copy and change it");
        Locator heads = page.locator(".layer-head");
        int layers = heads.count();
        assertThat(heads.first()).hasText("The blank");
        assertThat(heads.nth(1)).containsText("Layer 1: Paint the sea");
        press("Outwards: Layer 1: Paint the sea");
        assertThat(heads.nth(2)).containsText("Layer 2: Paint the sea");
        press("Inwards: Layer 2: Paint the sea");
        assertThat(heads.nth(1)).containsText("Layer 1: Paint the sea");
        press("Take out: Layer 1: Paint the sea");
        assertThat(heads).hasCount(layers - 1);
        assertThat(page.locator(".edit-rows")).not().containsText("Paint the sea");
        noWiderThanTheScreen();
    }
}
