package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A maker at the mixing bench, in a real browser. */
class MixJourneyTest extends Journey {

    @Test
    void aMixIsPickedJudgedAndPoured() {
        measureABlank();
        startACup();
        upToTheFlood();
        page.navigate("/");
        link("Mix for 1 coat").click();
        assertThat(page.locator("#sheet .ab")).containsText("12.5\u00a0ml");
        page.getByLabel("share, ml").fill("32");
        page.keyboard().press("Tab");
        assertThat(page.locator("#sheet .ab")).containsText("17.5\u00a0ml");
        send("Start this mix");
        page.getByLabel("B", new Page.GetByLabelOptions().setExact(true)).fill("16");
        assertThat(page.locator("#verdict")).containsText("Add 1.5\u00a0ml of B");
        page.getByLabel("B", new Page.GetByLabelOptions().setExact(true)).fill("17.5");
        assertThat(page.locator("#verdict")).containsText("Fine.");
        send("Both are in: start the clock");
        assertThat(page.locator(".pot-word")).hasText("Work");
        page.locator(".timer").first().click();
        assertThat(page.locator(".timer").first()).containsText("1:5");
        page.getByLabel("on", new Page.GetByLabelOptions().setExact(true)).selectOption("Spindle 2");
        send("Poured A-01");
        assertThat(page.locator(".shares .done")).containsText("32\u00a0ml");
        forward(1);
        assertThat(page.locator(".pot-word")).hasText("Stop");
        page.getByLabel("4. Thrown away").fill("1.5");
        send("Close this mix");
        assertThat(page.locator(".coming")).containsText("Second coat");
    }

    /** 12.5 ml of A at 1.15 g/ml is 14.4 g; 12.5 ml of B at 0.96 on top makes 26.4 g. */
    @Test
    void theScaleFillsUpLiveAndStopsTheMakerAtEachLine() {
        measureABlank();
        startACup();
        upToTheFlood();
        page.navigate("/mix");
        send("Start this mix");
        button("Watch the scale").click();
        page.locator(".live-scale summary").click();
        button("Clean cup").click();
        assertThat(page.locator("#scale-word")).hasText("Pour A");
        button("Pour").click();
        assertThat(page.locator("#scale-word")).hasText("Pour B");
        assertThat(page.getByLabel("A", new Page.GetByLabelOptions().setExact(true)))
                .hasValue(Pattern.compile("14\\.[345]\\d"));
        button("Pour").click();
        assertThat(page.locator("#scale-word")).hasText("Stop B");
        assertThat(page.getByLabel("B", new Page.GetByLabelOptions().setExact(true)))
                .hasValue(Pattern.compile("26\\.[2-6]\\d"));
        assertThat(page.locator("#verdict")).containsText("Fine.");
        page.evaluate(
                "csrf => fetch('/scale/simulated', { method: 'POST', headers: { [csrf.header]: csrf.token }, body: "
                        + "new URLSearchParams({ press: 'off' }) })",
                csrf());
        assertThat(page.locator("#scale-trouble")).containsText("The scale is silent");
        send("Both are in: start the clock");
        assertThat(page.locator(".pot-word")).hasText("Work");
    }

    @Test
    void theGuideLeadsThroughTheStirringOneStepAtATime() {
        measureABlank();
        startACup();
        upToTheFlood();
        page.navigate("/mix");
        send("Start this mix");
        Locator now = page.locator(".guide .now");
        assertThat(now.first()).containsText("Pour A up to");
        now.first().getByRole(AriaRole.BUTTON).last().click();
        assertThat(now.first()).containsText("Pour B on top");
        page.reload();
        assertThat(now.first()).containsText("Pour B on top");
    }

    private Object csrf() {
        return page.evaluate("() => { const meta = document.querySelector('meta[name=csrf]'); return { header: "
                + "meta.dataset.header, token: meta.content }; }");
    }
}
