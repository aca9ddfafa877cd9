package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import nursery.app.ShopUnderTest.Running;
import nursery.app.wrap.SvgDrawing;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.http.MediaType;
import org.springframework.test.web.servlet.assertj.MockMvcTester;
import org.springframework.test.web.servlet.assertj.MvcTestResult;
import org.springframework.web.context.WebApplicationContext;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The flat of a cup, art bent and art outlined, asked for by other programs. */
@ExtendWith(ShopUnderTest.class)
class WrapApiTest {

    private static final JsonMapper JSON = new JsonMapper();
    private static final String TAPER =
            "[{\"heightMm\":0,\"circumferenceMm\":214}," + "{\"heightMm\":172,\"circumferenceMm\":281}]";
    private static final String SQUARE = "<svg xmlns='http://www.w3.org/2000/svg' width='10mm' height='10mm' "
            + "viewBox='0 0 10 10'><path d='M0 0h10v10h-10z M4 4v2h2v-2z'/></svg>";

    private MockMvcTester web;

    @BeforeEach
    void theShopIsOpen(Running shop) {
        web = MockMvcTester.from((WebApplicationContext) shop.context());
    }

    private MvcTestResult post(String path, String body) {
        return web.post()
                .uri(path)
                .contentType(MediaType.APPLICATION_JSON)
                .content(body)
                .exchange();
    }

    private JsonNode answer(String path, String body) throws Exception {
        MvcTestResult result = post(path, body);
        assertThat(result).hasStatusOk();
        return JSON.readTree(result.getResponse().getContentAsString());
    }

    /** Worked value: base 214 mm, rim 281 mm, 172 mm tall. */
    @Test
    void aTaperUnrollsToASector() throws Exception {
        JsonNode flat = answer("/api/flat", "{\"outline\":" + TAPER + "}");
        assertThat(flat.path("kind").asString()).isEqualTo("sector");
        assertThat(flat.path("outerRadiusMm").asDouble()).isCloseTo(722.76, within(0.01));
        assertThat(flat.path("innerRadiusMm").asDouble()).isCloseTo(550.43, within(0.01));
        assertThat(flat.path("angleDeg").asDouble()).isCloseTo(22.276, within(0.001));
        assertThat(flat.path("sheetMm").get(0).asDouble()).isCloseTo(279.2, within(0.05));
        assertThat(flat.path("sheetMm").get(1).asDouble()).isCloseTo(182.7, within(0.05));
    }

    @Test
    void aBulgeIsCutIntoStripsAndACylinderIsARectangle() throws Exception {
        JsonNode strips = answer(
                "/api/flat",
                "{\"outline\":[{\"heightMm\":0,\"circumferenceMm\":180},{\"heightMm\":60,\"circumferenceMm\":262},"
                        + "{\"heightMm\":120,\"circumferenceMm\":200}],\"stretch\":0.01}");
        assertThat(strips.path("kind").asString()).isEqualTo("strips");
        assertThat(strips.path("stretch").asDouble()).isBetween(0.0, 0.01);
        assertThat(strips.path("count").asInt()).isGreaterThan(3);
        JsonNode flat = answer(
                "/api/flat",
                "{\"outline\":[{\"heightMm\":0,\"circumferenceMm\":229.3},"
                        + "{\"heightMm\":205,\"circumferenceMm\":229.3}]}");
        assertThat(flat.path("kind").asString()).isEqualTo("rectangle");
        assertThat(flat.path("sheetMm").get(0).asDouble()).isCloseTo(229.3, within(1e-9));
    }

    private String asked(Map<String, Object> fields) {
        return JSON.writeValueAsString(fields);
    }

    /** Steiner: 100 + 40·1.75 + π·1.75²; the hole of 4 mm² is gone, or too small to stay. */
    @Test
    void anOutlineHasTheAreaSteinerSays() throws Exception {
        JsonNode outline = answer("/api/outline", asked(Map.of("svg", SQUARE, "mm", 1.75, "keepHoles", true)));
        assertThat(outline.path("areaMm2").asDouble()).isCloseTo(179.62, within(0.02));
        assertThat(outline.path("widthMm").asDouble()).isCloseTo(13.5, within(0.001));
        SvgDrawing drawn = SvgDrawing.read(outline.path("svg").asString().getBytes());
        assertThat(drawn.widthMm()).isCloseTo(13.5, within(0.001));
        JsonNode thin = answer("/api/outline", asked(Map.of("svg", SQUARE, "mm", 0.5, "keepHoles", true)));
        // The hole is a square of 2 shrunk by 0.5 on each side: 1 mm².
        assertThat(thin.path("areaMm2").asDouble()).isCloseTo(100 + 20 + Math.PI / 4 - 1, within(0.01));
    }

    @Test
    void whatIsBentIsAnArcAndWhatIsStraightIsNot() throws Exception {
        String bar = "<svg xmlns='http://www.w3.org/2000/svg' width='150mm' height='10mm' viewBox='0 0 150 10'>"
                + "<rect width='150' height='10'/></svg>";
        JsonNode outline = JSON.readTree(TAPER);
        double middle = 172.33 / 2;
        JsonNode bent = answer(
                "/api/warp",
                asked(Map.of(
                        "outline", outline, "svg", bar, "heightFromBaseMm", middle, "aroundMm", 0, "mode", "level")));
        // 150 mm at the middle radius of 636.6 mm: its ends lie 4.4 mm lower than its middle on the flat.
        assertThat(bent.path("heightMm").asDouble()).isCloseTo(10 + 4.4, within(0.1));
        JsonNode straight = answer(
                "/api/warp",
                asked(Map.of("outline", outline, "svg", bar, "heightFromBaseMm", middle, "mode", "straight")));
        assertThat(straight.path("heightMm").asDouble()).isCloseTo(10, within(0.01));
        assertThat(straight.path("areaMm2").asDouble()).isCloseTo(1500, within(0.5));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/api/flat | {}",
                "/api/flat | {\"outline\":[]}",
                "/api/flat | {\"outline\":[{\"heightMm\":0,\"circumferenceMm\":\"wide\"}]}",
                "/api/flat | {\"outline\":TAPER,\"stretch\":-1}",
                "/api/outline | {\"svg\":\"<svg/>\",\"mm\":1}",
                "/api/outline | {\"svg\":\"<!DOCTYPE svg [<!ENTITY a 'b'>]><svg>&a;</svg>\",\"mm\":1}",
                "/api/outline | {\"mm\":1}",
                "/api/outline | {\"svg\":\"SQUARE\",\"mm\":-1}",
                "/api/outline | {\"svg\":\"SQUARE\",\"mm\":1e300}",
                "/api/warp | {\"outline\":TAPER,\"svg\":\"SQUARE\",\"heightFromBaseMm\":999}",
                "/api/warp | {\"outline\":TAPER,\"svg\":\"SQUARE\",\"heightFromBaseMm\":40,\"mode\":\"sideways\"}",
                "/api/warp | {\"outline\":TAPER,\"svg\":\"SQUARE\",\"heightFromBaseMm\":40,\"widthMm\":0}"
            })
    void whatCannotBeIsRefusedWithItsField(String path, String body) {
        assertThat(post(path, body.replace("TAPER", TAPER).replace("SQUARE", SQUARE)))
                .hasStatus(400);
    }
}
