package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.options.ColorScheme;
import java.time.Duration;
import nursery.app.people.Makers;
import nursery.app.people.Role;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

/** From the owner's screen to the phone at the bench: joining, a name and a PIN, a screen that locks. */
class PeopleJourneyTest extends Journey {

    private static final String PASSWORD = "tram seed comet lantern";

    @AfterEach
    void nobodyIsAskedAnyMore() {
        shop.empty();
    }

    @Test
    void aPhoneJoinsComesInByPinAndLosesNothingWhenItLocks() {
        measureABlank();
        page.navigate("/people");
        page.getByLabel("Name").fill("Mira");
        page.locator("#password").fill(PASSWORD);
        page.locator("#again").fill(PASSWORD);
        send("Make the owner, and ask from now on");
        page.locator("#who").fill("Mira");
        page.locator("#secret").fill(PASSWORD);
        page.locator("details[open] .btn-big").click();
        assertThat(page.locator(".at-tablet")).hasText("Mira");
        page.navigate("/people");
        page.getByLabel("Name").fill("Jo");
        page.locator("#pin").fill("7093");
        send("Add this maker");
        assertThat(page.locator(".people-list")).containsText("Jo, helper");
        page.navigate("/devices");
        send("Let a device join");
        String code = page.locator(".token code").first().innerText();

        BrowserContext owner = context;
        context = null;
        open(390, 844, ColorScheme.LIGHT);
        page.navigate("/join");
        page.getByLabel("The code").fill(code);
        page.getByLabel("What is this device called?").fill("Phone at the turner");
        send("Join");
        accessible();
        page.locator("label:has(input[value='Jo'])").click();
        page.locator("#pin").fill("7093");
        page.locator(".door-pin .btn-big").click();
        assertThat(page.locator(".at-tablet")).hasText("Jo");
        noWiderThanTheScreen();

        shop.clock().forward(Duration.ofMinutes(25));
        page.navigate("/sign-in");
        page.navigate("/cups");
        assertThat(page.locator("h1")).hasText("Still Jo?");
        accessible();
        page.locator("main #unlock-secret").fill("7093");
        page.locator("main button.go").click();
        page.waitForURL(url -> url.endsWith("/cups"));

        page.navigate("/room");
        page.locator("#temperature").fill("19.5");
        shop.clock().forward(Duration.ofMinutes(25));
        page.evaluate("() => htmx.ajax('GET', '/alarms/due', '#line')");
        assertThat(page.locator("#locked")).isVisible();
        accessible();
        page.locator("#locked-secret").fill("1111");
        page.locator("#locked button.btn-big").click();
        assertThat(page.locator("#locked-said")).hasText("That was neither your PIN nor your password.");
        page.locator("#locked-secret").fill("7093");
        page.locator("#locked button.btn-big").click();
        assertThat(page.locator("#locked")).isHidden();
        assertThat(page.locator("#temperature").inputValue()).isEqualTo("19.5");
        assertThat(complaints).isNotEmpty().allMatch(said -> said.contains("423"));
        complaints.clear();
        owner.close();
    }

    private void accessible() {
        assertThat(new AxeBuilder(page).analyze().getViolations()).isEmpty();
    }

    @Test
    void whatAHelperMayNotIsNotOffered() {
        shop.bean(Makers.class).add("Mira", Role.OWNER, PASSWORD, "");
        shop.bean(Makers.class).add("Jo", Role.HELPER, "comet under the seed tram", "");
        measureABlank();
        page.navigate("/");
        page.locator("#who").fill("Jo");
        page.locator("#secret").fill("comet under the seed tram");
        page.getByLabel("Show: Password").click();
        assertThat(page.locator("#secret").getAttribute("type")).isEqualTo("text");
        page.getByLabel("Show: Password").click();
        assertThat(page.locator("#secret").getAttribute("type")).isEqualTo("password");
        page.locator("details[open] .btn-big").click();
        assertThat(page.locator(".at-tablet")).hasText("Jo");
        assertThat(page.locator("a[href='/cups/new']")).hasCount(0);
        page.navigate("/shop");
        assertThat(page.locator("main a")).hasCount(0);
        assertThat(page.locator("main form")).hasCount(0);
    }
}
