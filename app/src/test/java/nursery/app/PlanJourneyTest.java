package nursery.app;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A maker plans the week: keeps a plan, moves a step, is away an evening, takes an order, and stops a long look. */
class PlanJourneyTest extends Journey {

    @Test
    void aWeekIsPlannedChangedAndPromised() {
        open(1280, 800, ColorScheme.LIGHT);
        measureABlank();
        startACup();
        page.navigate("/plan");
        assertThat(page.locator(".plan-row")).hasCount(2);
        send("Make a plan to keep");
        send("Keep this plan");
        assertThat(page.locator("h1")).hasText("The plan");
        assertThat(page.locator(".plan-page .notice")).hasCount(0);

        page.locator("a.plan-row").first().click();
        assertThat(page.locator(".plan-steps > li").first()).containsText("your bench hours begin");
        page.locator("summary").first().click();
        page.getByLabel("To another time").first().fill("2026-03-03T20:00");
        page.locator(".plan-steps li").first().getByText("Pin it there").click();
        assertThat(page.locator("h1")).hasText("What would change");
        assertThat(page.locator(".lead")).containsText("A-01 is pinned to Tue 20:00");
        send("Keep this plan");
        page.navigate("/plan/today?day=2026-03-03");
        assertThat(page.locator(".session-step").first()).containsText("20:00");

        page.navigate("/plan/hours");
        page.getByLabel("Day", new Page.GetByLabelOptions().setExact(true)).fill("2026-03-04");
        send("See what that changes");
        assertThat(page.locator(".lead")).containsText("Away on Wed 4 Mar");
        send("Drop it");

        page.navigate("/plan/order");
        page.getByLabel("What it will be").fill("Tram bell");
        page.getByLabel("How many").fill("2");
        page.getByLabel("Due on").fill("2026-03-30");
        send("When can it be done?");
        assertThat(page.locator(".promise .huge")).hasText("Yes");
        send("See the plan with them");
        send("Keep this plan");
        assertThat(page.locator("a.plan-row")).hasCount(3);

        send("Search for a minute");
        Locator enough = page.getByText("Enough: take the best so far");
        assertThat(page.locator("#looking")).containsText("plans laid out");
        enough.click();
        assertThat(page.locator("#looking"))
                .containsText(Pattern.compile("See what would change|No better plan was found"));
    }

    /** What is next leads to the day, what is late to its ways out, and an evening away to its picture. */
    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void thePlanIsReadFromTheTop(int width) {
        open(width, 800, ColorScheme.LIGHT);
        measureABlank();
        startACup();
        page.navigate("/plan");
        send("Make a plan to keep");
        send("Keep this plan");
        shop.sql().update("UPDATE cup SET due_on = '2026-03-03' WHERE code = 'A-01'");

        page.navigate("/plan");
        page.locator(".plan-next").click();
        assertThat(page.locator(".session-step").first()).containsText("A-01");
        page.navigate("/plan");
        assertThat(page.locator(".plan-late")).containsText("late by");
        page.locator(".plan-late button").click();
        page.locator(".plan-late .rescues button").first().click();
        assertThat(page.locator("h1")).hasText("What would change");
        send("Drop it");

        page.navigate("/plan/hours");
        page.getByLabel("Day", new Page.GetByLabelOptions().setExact(true)).fill("2026-03-02");
        page.getByLabel("Until, if several days").fill("2026-03-04");
        send("See what that changes");
        assertThat(page.locator(".lead")).containsText("Away from Mon 2 Mar to Wed 4 Mar");
        assertThat(page.locator(".moves-sum")).containsText(Pattern.compile("steps? moves?"));
        assertThat(page.locator(".moved-day .goes").first()).isVisible();
        assertThat(page.locator(".moved-day .comes").first()).isVisible();
        assertThat(page.locator(".moved-day").nth(1)).containsText("none");
        send("Keep this plan");
        assertThat(page.locator("h1")).hasText("The plan");
    }

    /** How surely it holds is said on the plan, on its own page and beside the cup; the maker says how sure to be. */
    @ParameterizedTest
    @ValueSource(ints = {1280, 390})
    void howSurelyThePlanHoldsIsRead(int width) {
        open(width, 800, ColorScheme.LIGHT);
        measureABlank();
        startACup();
        shop.sql().update("UPDATE cup SET due_on = '2026-03-20' WHERE code = 'A-01'");
        page.navigate("/plan");
        send("Make a plan to keep");
        send("Keep this plan");
        assertThat(page.locator("#doubt .plan-sum")).containsText("of 1 promises hold with 90 of 100");
        page.getByText("All of it").click();
        assertThat(page.locator("h1")).hasText("How surely it holds");
        assertThat(page.locator(".lead")).containsText("up to 20 min late");
        for (String sure : new String[] {"50", "70", "80", "95", "90"}) {
            page.getByLabel("How surely you want to promise").selectOption(sure);
            page.getByLabel("How late you may come, minutes").fill("0");
            send("Reckon with that");
            assertThat(page.locator("#doubt .plan-sum")).containsText("hold with " + sure + " of 100");
            assertThat(page.locator(".lead")).containsText("up to 0 min late");
        }
        for (String wrong : new String[] {"", "-1", "a while", "50000"}) {
            page.getByLabel("How late you may come, minutes").fill(wrong);
            send("Reckon with that");
            assertThat(page.locator("#faults")).isVisible();
            assertThat(page.getByLabel("How late you may come, minutes")).hasValue(wrong);
        }
        for (Locator fold : page.locator("details > summary").all()) {
            fold.click();
        }
        assertThat(page.locator(".doubt-dot").first()).isVisible();
        page.navigate("/plan/cup/A-01");
        assertThat(page.locator("body")).containsText(Pattern.compile("In time: (over )?\\d+ of 100"));
        assertThat(page.locator("body")).containsText("with 90 of 100");
    }
}
