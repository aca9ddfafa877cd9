package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import nursery.app.ShopUnderTest.Running;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * However much is in the shop, a page asks the database a handful of questions: counted on every page there is a way
 * to.
 */
@ExtendWith(ShopUnderTest.class)
class StatementsTest {

    /**
     * Forms that begin something, log something or ask something: what they are filled with is a proposal. An entry is
     * never changed: one that was corrected meanwhile is refused by itself.
     */
    private static final String NEW =
            "/cups/[A-Z0-9-]+/(log|entries/\\d+|fault|plan|photos|again|remedy|cause|row|begin|technique|undo"
                    + "|made/\\d+/weighed/\\d+)|/cups/(new|together)|/mix(/\\d+/\\w+)?|/plan/(want|order|import|search)"
                    + "|/room(/import|/sensors)?"
                    + "|/welcome|/shelf/(resins|blanks|materials)/new|/shelf/(bottles|turners|measuring-cups)"
                    + "|/shelf/resins/\\d+/learned|/techniques/compose|/shelf/materials/\\d+/(lots|weighed|jar)|/links"
                    + "|/people|/faults/cause|/designs|/join|/devices/tokens|/shop/maker";

    private static final Pattern FORM = Pattern.compile("(?s)<form[^>]*method=\"post\"[^>]*>.*?</form>");
    private static final Pattern FILLED =
            Pattern.compile("(?s)<(?:input(?![^>]*type=\"(?:hidden|submit|file)\")[^>]*(?:value=\"[^\"]+\"|checked)|"
                    + "textarea[^>]*>[^<\\s]|option[^>]*value=\"[^\"]+\"[^>]*selected)");

    private static final int MOST = 20;
    private static final Pattern LINK = Pattern.compile("href=\"(/[^\"#]*)[\"#]");
    /** No pages: what is downloaded, printed or streamed. */
    private static final String FILE =
            ".*(\\.(pdf|csv|json|zip|svg|ics|crt|jpg|png|js|css|min)\\b|/export/|/feed/|/photos/[0-9a-f]|"
                    + "/print|/webjars|/css|/v3/|/stream|\\?.*page=).*";

    @Test
    void noPageAsksMuchAndNoFormOverwritesWhatItNeverShowed(Running shop) throws Exception {
        shop.empty();
        try (ConfigurableApplicationContext demo = new SpringApplicationBuilder(NurseryApplication.class)
                .initializers(starting -> starting.getBeanFactory().registerSingleton("clock", shop.clock()))
                .properties(shop.environment())
                .run("--server.port=0", "--nursery.demo=true")) {
            Visitor maker =
                    new Visitor("http://127.0.0.1:" + demo.getEnvironment().getProperty("local.server.port"));
            Map<String, Long> asked = walk(maker, shop);
            assertThat(asked).as("pages that there is a way to").hasSizeGreaterThan(60);
            Map<String, Long> tooMany = new TreeMap<>(asked);
            tooMany.entrySet().removeIf(page -> page.getValue() <= MOST);
            assertThat(tooMany).as("pages that ask too many things").isEmpty();
            assertThat(blind)
                    .as("forms that edit what is kept and do not say what they showed")
                    .isEmpty();
        } finally {
            shop.empty();
        }
    }

    /** From the bench on wherever a link leads; of pages alike one. */
    private Map<String, Long> walk(Visitor maker, Running shop) {
        Map<String, Long> asked = new LinkedHashMap<>();
        Deque<String> ahead = new ArrayDeque<>(Set.of("/"));
        Set<String> alike = new LinkedHashSet<>();
        while (!ahead.isEmpty()) {
            String path = ahead.poll();
            if (path.matches(FILE)
                    || !alike.add(path.replaceAll("[A-Z]+-\\d+", "X")
                            .replaceAll("\\d+", "n")
                            .replaceAll("\\?.*", "?"))) {
                continue;
            }
            // Once to warm up what is kept in memory, then counted.
            String page = maker.get(path).body();
            long before = selects(shop);
            maker.get(path);
            asked.put(path, selects(shop) - before - 1);
            look(page);
            Matcher links = LINK.matcher(page);
            while (links.find()) {
                ahead.add(links.group(1).replace("&amp;", "&"));
            }
        }
        return asked;
    }

    private final Set<String> blind = new TreeSet<>();

    private void look(String page) {
        FORM.matcher(page).results().map(found -> found.group()).forEach(form -> {
            String action = form.replaceAll("(?s)^<form[^>]*action=\"([^\"]*)\".*", "$1");
            if (!action.matches(NEW)
                    && FILLED.matcher(form).find()
                    && !form.contains("name=\"seen\"")
                    && !form.contains("name=\"version\"")
                    && !form.contains("name=\"ahead\"")) {
                blind.add(action.replaceAll("[A-Z]+-\\d+", "X").replaceAll("\\d+", "n"));
            }
        });
    }

    private static long selects(Running shop) {
        return shop.sql()
                .queryForObject(
                        "SELECT CAST(VARIABLE_VALUE AS UNSIGNED) FROM information_schema.GLOBAL_STATUS "
                                + "WHERE VARIABLE_NAME = 'COM_SELECT'",
                        Long.class);
    }
}
