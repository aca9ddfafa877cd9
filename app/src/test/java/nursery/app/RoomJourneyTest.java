package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** A maker and the room, in a real browser. */
class RoomJourneyTest extends Journey {

    @Test
    void theRoomIsDrawnWithTheCoatsInItAndAskedForAWeek() {
        measureABlank();
        startACup();
        upToTheFlood();
        send("Poured");
        page.navigate("/room");
        page.getByLabel("The thermometer reads").fill("66 °F");
        page.getByLabel("Humidity, %").fill("88");
        send("Log it");
        assertThat(page.locator(".do-now .do-title")).hasText("Not now");
        assertThat(page.locator(".room-chart")).isVisible();
        assertThat(page.locator(".room-chart")).containsText("A-01");
        button("A week").click();
        assertThat(page.locator("#room-course .here")).hasText("A week");
    }

    @Test
    void aBannerStandsOnEveryPageUntilItIsPutAwayAndTheRoomCanBeTriedOut() {
        measureABlank();
        startACup();
        upToTheFlood();
        send("Poured");
        forward(4.05);
        page.navigate("/shelf");
        assertThat(page.locator(".alarm").first()).containsText("A-01: Second coat");
        page.navigate("/cups/A-01");
        assertThat(page.locator(".alarm").first()).isVisible();
        button("Put away: A-01: Second coat").click();
        page.waitForResponse("**/alarms/due", () -> page.navigate("/"));
        assertThat(page.locator(".alarm", new Page.LocatorOptions().setHasText("A-01: Second coat"))
                        .first())
                .isHidden();
        page.navigate("/cups/A-01");
        page.locator(".what-if summary").click();
        page.locator("#what-temperature").fill("12");
        assertThat(page.locator("#what-if .huge")).hasText("12\u00a0°C");
        assertThat(page.locator("#what-if")).containsText("later");
    }
}
