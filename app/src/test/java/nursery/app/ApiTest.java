package nursery.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import nursery.app.ShopUnderTest.Running;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** The API as a stranger uses it: plain HTTP, no session, no token. */
@ExtendWith(ShopUnderTest.class)
class ApiTest {

    private static final JsonMapper JSON = new JsonMapper();
    private static String address;

    private static final HttpClient HTTP = HttpClient.newHttpClient();

    @BeforeAll
    static void open(Running shop) {
        address = shop.address();
    }

    private static HttpResponse<String> send(HttpRequest.Builder request) throws IOException, InterruptedException {
        return HTTP.send(request.build(), BodyHandlers.ofString());
    }

    private static HttpResponse<String> post(String path, String body) throws IOException, InterruptedException {
        return send(HttpRequest.newBuilder(URI.create(address + path))
                .header("Content-Type", "application/json")
                .POST(BodyPublishers.ofString(body)));
    }

    private static JsonNode answer(String path, String body) throws IOException, InterruptedException {
        HttpResponse<String> response = post(path, body);
        assertThat(response.statusCode()).as(response.body()).isEqualTo(200);
        return JSON.readTree(response.body());
    }

    private static List<String> wrongFields(String path, String body) throws IOException, InterruptedException {
        HttpResponse<String> response = post(path, body);
        assertThat(response.statusCode()).as(response.body()).isEqualTo(400);
        assertThat(response.headers().firstValue("Content-Type")).contains("application/problem+json");
        JsonNode problem = JSON.readTree(response.body());
        assertThat(problem.get("status").asInt()).isEqualTo(400);
        return problem.get("errors")
                .valueStream()
                .map(error -> error.get("field").asString())
                .distinct()
                .toList();
    }

    /** 31 ml at 2:1 on 1 ml marks is 22 + 11; masses by m = ρV. */
    @Test
    void aMixIsRoundedUpToMarksWithItsRatioKept() throws Exception {
        JsonNode mix = answer(
                "/api/mix", "{\"ratio\":\"2:1\",\"totalMl\":31,\"markMl\":1,\"densityA\":1.15,\"densityB\":0.96}");
        assertThat(mix.get("partAMl").asDouble()).isEqualTo(22);
        assertThat(mix.get("partBMl").asDouble()).isEqualTo(11);
        assertThat(mix.get("totalMl").asDouble()).isEqualTo(33);
        assertThat(mix.get("partAGrams").asDouble()).isEqualTo(25.3);
        assertThat(mix.get("partBGrams").asDouble()).isEqualTo(10.56);
    }

    /** 6:5 is 0.8333 of hardener where 100:83 asks for 0.83: 0.4 % more. Exactly it took 183 ml. */
    @Test
    void anOddRatioIsMeasuredNearlyWhereItWouldTakeFarTooMuch() throws Exception {
        JsonNode mix = answer("/api/mix", "{\"ratio\":\"100:83\",\"totalMl\":30,\"markMl\":1}");
        assertThat(mix.get("partAMl").asDouble()).isEqualTo(18);
        assertThat(mix.get("partBMl").asDouble()).isEqualTo(15);
        assertThat(mix.get("words").asString())
                .isEqualTo("100:83 does not lie on these marks. 6:5 does: 0.4 % more hardener than the "
                        + "label, within its 5 %.");
        assertThat(answer("/api/mix", "{\"ratio\":\"100:83\",\"totalMl\":180,\"markMl\":1}")
                        .get("totalMl")
                        .asDouble())
                .as("exactly where that is no more")
                .isEqualTo(183);
        assertThat(answer("/api/mix", "{\"ratio\":\"3:1\",\"totalMl\":5,\"markMl\":2.5}")
                        .get("totalMl")
                        .asDouble())
                .as("nothing nearer is within 5 %")
                .isEqualTo(10);
    }

    @Test
    void withoutMarksOrDensitiesNothingIsRoundedOrWeighed() throws Exception {
        JsonNode mix = answer("/api/mix", "{\"ratio\":\"3:1\",\"totalMl\":30}");
        assertThat(mix.get("partAMl").asDouble()).isEqualTo(22.5);
        assertThat(mix.has("partAGrams")).isFalse();
    }

    @Test
    void aDiameterSentForACircumferenceIsDoubted() throws Exception {
        String blank =
                "{\"outline\":[{\"heightMm\":0,\"circumferenceMm\":%s},{\"heightMm\":95," + "\"circumferenceMm\":%s}]}";
        assertThat(answer("/api/blank", blank.formatted("85", "85"))
                        .get("doubt")
                        .asString())
                .contains("Is that the diameter? Around it is then 267 mm.");
        assertThat(answer("/api/blank", blank.formatted("267", "267")).has("doubt"))
                .isFalse();
    }

    /**
     * By hand: radii 35.014 and 43.927 mm, s = √(160² + 8.913²) = 160.248 mm, side = (220 + 276)/2 · s, base = 220²/4π.
     */
    @Test
    void aTaperedBlankIsMeasured() throws Exception {
        JsonNode area = answer(
                "/api/blank",
                "{\"outline\":[{\"heightMm\":0,\"circumferenceMm\":220},{\"heightMm\":160,"
                        + "\"circumferenceMm\":276}],\"baseCoated\":true,\"rimBareMm\":0,\"baseBareMm\":0}");
        assertThat(area.get("slantMm").asDouble()).isCloseTo(160.248, within(0.001));
        assertThat(area.get("sideCm2").asDouble()).isCloseTo(397.415, within(0.001));
        assertThat(area.get("baseCm2").asDouble()).isCloseTo(38.515, within(0.001));
        assertThat(area.get("coatedCm2").asDouble()).isCloseTo(435.931, within(0.001));
    }

    /** ASTM C1074 with 50 kJ/mol: a day at 30 °C is 47.2 h at 20 °C. */
    @Test
    void aWarmDayCountsNearlyTwice() throws Exception {
        JsonNode cure = answer(
                "/api/cure",
                "{\"referenceC\":20,\"activationKjPerMol\":50,\"readings\":[{\"at\":\"2026-03-01T18:00:00Z\","
                        + "\"temperatureC\":30.0}],\"from\":\"2026-03-01T18:00:00Z\","
                        + "\"until\":\"2026-03-02T18:00:00Z\"}");
        assertThat(cure.get("equivalentAgeHours").asDouble()).isCloseTo(47.2, within(0.05));
    }

    private static JsonNode amount(double heightMm, double aroundMm, String rest) throws Exception {
        return answer(
                "/api/amount",
                ("{\"blank\":{\"outline\":[{\"heightMm\":0,\"circumferenceMm\":%2$s},{\"heightMm\":%1$s,"
                                + "\"circumferenceMm\":%2$s}],\"baseCoated\":true},%3$s}")
                        .formatted(heightMm, aroundMm, rest));
    }

    /** P7, common practice: 30 ml flood a 12 oz slim generously, 20–25 a 20 oz slim, 10–20 over a generous film. */
    @Test
    void anAmountGoesByAreaFlakesWayAndFilmAndStaysWhereItIsPoured() throws Exception {
        String turner = ",\"turned\":{\"by\":\"spindle\",\"rpm\":6},\"temperatureC\":22";
        JsonNode generous = amount(
                150,
                207.3,
                "\"coat\":\"flood\",\"glitter\":\"fine\",\"way\":\"generous\",\"below\":\"film-thin\"" + turner);
        assertThat(generous.get("ml").asDouble()).isCloseTo(30, within(0.5));
        assertThat(generous.get("words").asString()).isEqualTo("A generous coat; a thin one takes 15.5 ml.");
        assertThat(amount(205, 229.3, "\"coat\":\"flood\",\"glitter\":\"fine\",\"below\":\"film-thin\"" + turner)
                        .get("ml")
                        .asDouble())
                .isBetween(20.0, 25.0);
        assertThat(amount(205, 229.3, "\"coat\":\"flood\",\"glitter\":\"mixed\",\"below\":\"film-generous\"" + turner)
                        .get("ml")
                        .asDouble())
                .isBetween(10.0, 20.0);
        JsonNode slow = amount(
                150, 207.3, "\"coat\":\"flood\",\"way\":\"generous\",\"turned\":{\"by\":\"spindle\",\"rpm\":0.5}");
        assertThat(slow.get("ml").asDouble()).isLessThan(slow.get("carriesMl").asDouble());
        assertThat(slow.get("words").asString()).contains("but this turner carries no more than");
        assertThat(amount(150, 207.3, "\"coat\":\"flood\",\"turned\":{\"by\":\"hung\"}")
                        .get("ml")
                        .asDouble())
                .isLessThan(2);
        assertThat(wrongFields(
                        "/api/amount",
                        "{\"coat\":\"soup\",\"glitter\":\"some\",\"way\":3,\"turned\":{\"by\":\"spindle\",\"rpm\":0},"
                                + "\"temperatureC\":\"warm\"}"))
                .containsExactlyInAnyOrder("blank", "coat", "glitter", "way", "turned.rpm", "temperatureC");
    }

    /** 45 ml of shares, 2.1 of losses: 47.1, on 2.5 ml marks at 1:1 it is 25 + 25. */
    @Test
    void oneMixServesSeveralCoats() throws Exception {
        JsonNode batch = answer(
                "/api/batch",
                "{\"ratio\":\"1:1\",\"shares\":[{\"cup\":\"A-01\",\"ml\":22.5},{\"cup\":\"A-02\",\"ml\":22.5}]}");
        assertThat(batch.get("totalMl").asDouble()).isEqualTo(50);
        assertThat(batch.get("sharesMl").asDouble()
                        + batch.get("lossesMl").asDouble()
                        + batch.get("leftoverMl").asDouble())
                .isCloseTo(50, within(1e-9));
        assertThat(batch.get("turns").size()).isEqualTo(2);
        assertThat(batch.has("mixAgainBefore")).isFalse();
    }

    /**
     * By hand: 8.8 for 10 is 12 % too little, and 1.2 ml bring it back. Moffatt: 1 Pa·s, 6 rpm, 36.5 mm, 1.1 g/ml carry
     * 1.03 mm.
     */
    @Test
    void pairsAndTurnersAreJudged() throws Exception {
        JsonNode ratio = answer("/api/ratio", "{\"ratio\":\"1:1\",\"partAMl\":10,\"partBMl\":8.8}");
        assertThat(ratio.get("verdict").asString()).isEqualTo("DO_NOT_USE");
        assertThat(ratio.get("addBMl").asDouble()).isCloseTo(1.2, within(1e-9));
        JsonNode turner = answer("/api/turner", "{\"viscosityPaS\":1,\"rpm\":6,\"radiusMm\":36.5,\"areaCm2\":512}");
        assertThat(turner.get("carriesMm").asDouble()).isCloseTo(1.03, within(0.005));
        assertThat(turner.get("carriesMl").asDouble()).isCloseTo(52.8, within(0.2));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "/api/mix | {\"ratio\":\"1/1\",\"totalMl\":\"7,5\",\"markMl\":-1} | ratio,totalMl,markMl",
                "/api/mix | {\"ratio\":\"0:1\",\"totalMl\":1e308} | ratio,totalMl",
                "/api/mix | {\"ratio\":\"1:\",\"totalMl\":NaN,\"markMl\":0} | ratio,totalMl,markMl",
                "/api/mix | {\"ratio\":5,\"totalMl\":null,\"densityA\":1.1} | ratio,totalMl,densityB",
                "/api/mix | {\"totalMl\":-3,\"densityA\":100,\"densityB\":\"x\"} | ratio,totalMl,densityB",
                "/api/mix | {} | ratio,totalMl",
                "/api/batch | {\"ratio\":\"1/1\",\"shares\":[{\"cup\":\"a\",\"ml\":\"x\"},null],\"roomC\":99} | "
                        + "ratio,shares[0].ml,shares[1].cup,shares[1].ml,roomC",
                "/api/batch | {\"ratio\":\"1:1\",\"shares\":[{\"cup\":\"a\",\"ml\":0},{\"cup\":\"b\",\"ml\":501}]} "
                        + "| share-a,share-b",
                "/api/batch | {\"ratio\":\"1:1\",\"shares\":[]} | shares",
                "/api/ratio | {\"ratio\":\"1:1\",\"partAMl\":0,\"partBMl\":-1} | partA,partB",
                "/api/turner | {\"viscosityPaS\":0,\"rpm\":\"fast\",\"areaCm2\":-1} | "
                        + "viscosityPaS,rpm,radiusMm,areaCm2",
                "/api/blank | {} | outline",
                "/api/blank | {\"outline\":[{\"heightMm\":0,\"circumferenceMm\":-1},{\"heightMm\":1e308,"
                        + "\"circumferenceMm\":276}]} | outline[0].circumferenceMm,outline[1].heightMm",
                "/api/blank | {\"outline\":[{\"heightMm\":0},null],\"baseCoated\":\"yes\",\"rimBareMm\":\"a\"} | "
                        + "outline[0].circumferenceMm,outline[1].heightMm,outline[1].circumferenceMm,baseCoated,"
                        + "rimBareMm",
                "/api/blank | {\"outline\":[{\"heightMm\":0,\"circumferenceMm\":220},{\"heightMm\":160,"
                        + "\"circumferenceMm\":276}],\"rimBareMm\":-1,\"baseBareMm\":900} | rimBare,baseBare",
                "/api/cure | {\"referenceC\":75,\"readings\":[{\"at\":\"yesterday\",\"temperatureC\":100}],"
                        + "\"from\":\"2026-03-01T18:00:00\",\"until\":5} | referenceC,readings[0].at,from,until",
                "/api/cure | {\"referenceC\":24,\"readings\":[],\"from\":\"2026-03-02T18:00:00Z\","
                        + "\"until\":\"2026-03-01T18:00:00Z\"} | readings,until",
                "/api/cure | {\"referenceC\":24,\"activationKjPerMol\":-1,"
                        + "\"readings\":[{\"at\":\"2026-03-01T18:00:00Z\",\"temperatureC\":70}],"
                        + "\"from\":\"2026-03-01T18:00:00Z\",\"until\":\"2026-03-01T18:00:00Z\"} | "
                        + "activationKjPerMol,readings[0].temperatureC"
            })
    void everyWrongFieldIsNamed(String path, String body, String fields) throws Exception {
        assertThat(wrongFields(path, body)).containsExactlyInAnyOrder(fields.split(","));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {"[]", "``", "{\"ratio\":", "\"2:1\"", "{\"outline\":7}"})
    void whatIsNotTheExpectedObjectIsAProblemToo(String body) throws Exception {
        assertThat(post("/api/blank", body).statusCode()).isEqualTo(400);
        assertThat(post("/api/blank", body).headers().firstValue("Content-Type"))
                .contains("application/problem+json");
    }

    @Test
    void theApiDescribesItself() throws Exception {
        JsonNode description = JSON.readTree(send(HttpRequest.newBuilder(URI.create(address + "/v3/api-docs")))
                .body());
        assertThat(description.get("openapi").asString()).startsWith("3.");
        assertThat(description.get("paths").propertyNames())
                .contains("/api/mix", "/api/blank", "/api/cure", "/api/cups", "/api/cups/{code}");
        JsonNode ratio = description.at("/components/schemas/MixRequest/properties/ratio");
        assertThat(ratio.get("type").asString()).isEqualTo("string");
    }

    @Test
    void aCupThatIsNotThereIsA404Problem() throws Exception {
        HttpResponse<String> response = send(HttpRequest.newBuilder(URI.create(address + "/api/cups/Z-99")));
        assertThat(response.statusCode()).isEqualTo(404);
        assertThat(JSON.readTree(response.body()).get("detail").asString()).contains("Z-99");
    }

    /** 15/16 in are 23.8125 mm: 15/16 · 25.4 (NIST SP 811). */
    @Test
    void aMeasureIsReadAsAFormReadsIt() throws Exception {
        JsonNode inch = answer("/api/read", "{\"text\":\"15/16 in\",\"kind\":\"length\"}");
        assertThat(inch.get("value").asDouble()).isCloseTo(23.8125, within(1e-9));
        assertThat(inch.get("unit").asString()).isEqualTo("mm");
        assertThat(answer("/api/read", "{\"text\":\"70 °F\",\"kind\":\"temperature\"}")
                        .get("value")
                        .asDouble())
                .isCloseTo(21.111, within(1e-3));
        assertThat(wrongFields("/api/read", "{\"text\":\"1,234 ml\",\"kind\":\"volume\"}"))
                .containsExactly("text");
        assertThat(wrongFields("/api/read", "{\"text\":\"\",\"kind\":\"weight\"}"))
                .containsExactly("text", "kind");
        assertThat(wrongFields("/api/read", "{}")).containsExactlyInAnyOrder("text", "kind");
    }

    /** Three days of a room that swings by 5 °C about 18 °C, warmest at 15:00: so it is foretold for the next week. */
    @Test
    void aRoomIsForetoldAsOnItsLastDays() throws Exception {
        StringBuilder readings = new StringBuilder();
        for (int hour = 0; hour <= 96; hour++) {
            readings.append("%s{\"at\":\"2026-03-%02dT%02d:00:00Z\",\"temperatureC\":%.3f}"
                    .formatted(
                            hour == 0 ? "" : ",",
                            2 + hour / 24,
                            hour % 24,
                            18 - 5 * Math.cos(2 * Math.PI * (hour - 3) / 24)));
        }
        String asked =
                """
                {"readings": [%s], "asOf": "2026-03-06T00:00:00Z",
                 "at": ["2026-03-06T15:00:00Z", "2026-03-13T03:00:00Z"]}""";
        JsonNode points = answer("/api/forecast", asked.formatted(readings)).get("points");
        assertThat(points.get(0).get("temperatureC").asDouble()).isCloseTo(23, within(0.1));
        assertThat(points.get(1).get("temperatureC").asDouble()).isCloseTo(13, within(0.1));
        for (JsonNode point : points) {
            assertThat(point.get("lowC").asDouble())
                    .isLessThan(point.get("temperatureC").asDouble());
            assertThat(point.get("highC").asDouble())
                    .isGreaterThan(point.get("temperatureC").asDouble());
        }
        assertThat(wrongFields("/api/forecast", "{\"readings\":[],\"asOf\":\"yesterday\",\"at\":[]}"))
                .containsExactlyInAnyOrder("readings", "asOf", "at");
    }

    /** In a room that never changes a coat of 48 label hours is ready in two days, and hardly anything is doubted. */
    @Test
    void howSurelyACupIsReadyIsAnswered() throws Exception {
        Instant first = Instant.parse("2026-03-02T00:00:00Z");
        String readings = IntStream.range(0, 14 * 24)
                .mapToObj(hour -> "{\"at\":\"%s\",\"temperatureC\":22}".formatted(first.plusSeconds(3600L * hour)))
                .collect(Collectors.joining(","));
        String asked =
                """
                {"cups": [
                  {"readyHours": [10, 48], "dueAt": "2026-03-19T00:00:00Z"},
                  {"readyHours": [48], "dueAt": "2026-03-17T00:00:00Z"},
                  {"readyHours": [48]}],
                 "room": {"readings": [%s]}, "asOf": "2026-03-16T00:00:00Z"}""";
        JsonNode answer = answer("/api/doubt", asked.formatted(readings));
        JsonNode cups = answer.get("cups");
        assertThat(cups.get(0).get("inTime").asDouble()).isEqualTo(1);
        assertThat(cups.get(1).get("inTime").asDouble()).isZero();
        assertThat(cups.get(2).has("inTime")).isFalse();
        assertThat(Instant.parse(cups.get(2).get("at90").asString()))
                .isBetween(Instant.parse("2026-03-18T00:00:00Z"), Instant.parse("2026-03-18T02:00:00Z"));
        assertThat(answer.has("doubt")).isFalse();
        assertThat(
                        wrongFields(
                                "/api/doubt",
                                """
                        {"cups": [{"readyHours": []}, {"readyHours": [-1, "x"], "dueAt": "soon"}, null],
                         "room": {"readings": []}}"""))
                .containsExactlyInAnyOrder(
                        "cups[0].readyHours",
                        "cups[1].readyHours[0]",
                        "cups[1].readyHours[1]",
                        "cups[1].dueAt",
                        "cups[2].readyHours",
                        "room.readings",
                        "asOf");
    }

    /** P24: a water-slide dries overnight before a coat. */
    @Test
    void aTechniqueIsJudged() throws Exception {
        String judged =
                """
                {"technique": {"format": "nursery-technique", "version": 1, "name": "Slide", "about": "", "steps": [
                  {"do": "water-slide"},
                  {"do": "thin-coat", "coat": "seal", "wait": {"kind": "dry", "minutes": %d}}]},
                 "blank": {"outline": [{"heightMm": 0, "circumferenceMm": 229},
                                       {"heightMm": 205, "circumferenceMm": 229}]},
                 "fast": false}""";
        JsonNode wet = answer("/api/judge", judged.formatted(60));
        assertThat(wet.get("findings").valueStream().map(finding -> finding.get("rule")
                        .asString()))
                .contains("SLIDE_NOT_DRY");
        assertThat(wet.get("findings").get(0).get("step").asInt()).isEqualTo(2);
        assertThat(answer("/api/judge", judged.formatted(600)).get("findings").isEmpty())
                .isTrue();
        assertThat(wrongFields("/api/judge", "{\"technique\":{\"name\":3},\"fast\":\"no\"}"))
                .anyMatch(field -> field.startsWith("technique"))
                .contains("blank", "fast");
    }

    @Test
    void aResinsSpeedIsLearned() throws Exception {
        String asked =
                """
                {"label": {"turningH": 4, "recoatFromH": 4, "recoatUntilH": 12, "sandableFromH": 8,
                           "sandableSureH": 12, "scuffAfterH": 24, "curedH": 24, "fullCureH": 72,
                           "referenceC": 22, "activationKjPerMol": 50},
                 "coats": [%s]}""";
        String coat =
                """
                {"temperatureC": 22, "touches": [
                  {"afterH": 1.8, "touch": "strings"}, {"afterH": 4.3, "touch": "sands-to-dust"}]}""";
        JsonNode fast = answer("/api/learn", asked.formatted(String.join(",", Collections.nCopies(6, coat))));
        assertThat(fast.get("speed").asDouble()).isBetween(1.6, 2.6);
        assertThat(fast.get("speedLow").asDouble()).isGreaterThan(1);
        assertThat(fast.get("differs").asBoolean()).isTrue();
        assertThat(fast.get("slips").asInt()).isZero();
        assertThat(
                        wrongFields(
                                "/api/learn",
                                """
                        {"label": {"turningH": -4},
                         "coats": [{"temperatureC": 99, "touches": [{"afterH": -1, "touch": "sour"}]}]}"""))
                .contains("label.recoatFromH", "coats[0].temperatureC", "coats[0].touches[0].touch");
    }

    /** P39: soft where the ratio was off is scraped off, and nothing is coated over it. */
    @Test
    void aFaultIsDiagnosed() throws Exception {
        JsonNode found = answer(
                "/api/diagnose",
                """
                {"seen":[{"fault":"soft","zone":"all","extent":"much"}],
                 "facts":{"ratioError":0.12,"ambientC":21,"dewMarginC":8,"humidity":45,"ageH":30,
                          "filmMm":0.4,"carriesMm":0.9,"secondsStirred":180,"scuffed":true}}""");
        assertThat(found.at("/causes/0/cause").asString()).isEqualTo("ratio-off");
        assertThat(found.at("/causes/0/share").asDouble()).isBetween(0.5, 1.0);
        assertThat(found.at("/causes/0/reasons/0/words").asString()).isEqualTo("measured 12 % off the ratio");
        assertThat(found.at("/remedies/0/remedy").asString()).isEqualTo("scrape-off");
        found.get("remedies").forEach(remedy -> {
            if (remedy.get("remedy").asString().endsWith("-and-coat")) {
                assertThat(remedy.get("notWhile").asString()).isEqualTo("ratio-off");
            }
        });
        JsonNode unsure = answer("/api/diagnose", "{\"seen\":[{\"fault\":\"soft\",\"zone\":\"middle\"}]}");
        assertThat(unsure.at("/tells").asBoolean()).isFalse();
        assertThat(unsure.at("/ask/bits").asDouble()).isPositive();
        assertThat(
                        wrongFields(
                                "/api/diagnose",
                                """
                        {"seen":[{"fault":"ugly","zone":"inside","extent":9},null],
                         "facts":{"moon":1,"ageH":"old"},"answers":{"why":true}}"""))
                .containsExactlyInAnyOrder(
                        "seen[0].fault",
                        "seen[0].zone",
                        "seen[0].extent",
                        "seen[1]",
                        "facts.moon",
                        "facts.ageH",
                        "answers.why");
    }

    private static final String CUP = "\"blank\":{\"outline\":[{\"heightMm\":0,\"circumferenceMm\":229},"
            + "{\"heightMm\":205,\"circumferenceMm\":229}],\"baseCoated\":true,\"factoryCoat\":true}";

    /**
     * P20, P25: paint dries in half an hour (from memory), whatever is done to the cup meanwhile; glue is stiff in 60.
     */
    @Test
    void aWindowComesOfTheLayersThatAreMet() throws Exception {
        JsonNode told = answer(
                "/api/surface",
                "{" + CUP
                        + """
                ,"done":[{"do":"mask","at":"2026-03-01T11:20:00Z","minutes":5},
                         {"do":"paint","at":"2026-03-01T10:40:00Z","minutes":10}],
                 "next":[{"do":"glue"},{"do":"flood-coat","coat":"flood"}],"asOf":"2026-03-01T11:30:00Z"}""");
        JsonNode glue = told.get("next").get(0);
        assertThat(glue.get("do").asString()).isEqualTo("glue");
        assertThat(glue.get("from").asString()).isEqualTo("2026-03-01T11:20:00Z");
        assertThat(glue.get("until").isNull()).isTrue();
        assertThat(glue.get("never").asBoolean()).isFalse();
        assertThat(glue.get("verdictNow").asString()).isEqualTo("fine");
        assertThat(glue.get("because").get(0).get("layer").asString()).isEqualTo("paint");
        assertThat(told.get("patches").get(0).get("layer").asString()).isEqualTo("paint");
        assertThat(told.get("patches").get(0).get("condition").asString()).isEqualTo("dry");
        JsonNode wet = answer(
                "/api/surface",
                "{" + CUP
                        + """
                ,"done":[{"do":"build-coat","coat":"build","at":"2026-03-01T03:05:00Z","minutes":15}],
                 "next":[{"do":"finishing-coat"}],"asOf":"2026-03-01T03:16:00Z"}""");
        assertThat(wet.get("next").get(0).get("verdictNow").asString()).isEqualTo("ruins");
        assertThat(wet.get("next").get(0).get("from").asString()).isGreaterThan("2026-03-01T07");
    }

    @Test
    void whatIsWrongWithASurfaceIsNamedByItsPlace() throws Exception {
        assertThat(
                        wrongFields(
                                "/api/surface",
                                "{" + CUP
                                        + """
                ,"fast":"no","temperatureC":400,"done":[{"do":"bake","at":"2026-03-01T10:00:00Z"},
                 {"do":"paint"},{"do":"vinyl","at":"2026-03-01T10:00:00Z","place":"0-900","vinyl":"gold","minutes":-1},
                 null],"next":[{"do":"sand","grit":3}],"asOf":"soon"}"""))
                .containsExactlyInAnyOrder(
                        "fast",
                        "temperatureC",
                        "done[0].do",
                        "done[1].at",
                        "done[2].place",
                        "done[2].vinyl",
                        "done[2].minutes",
                        "done[3]",
                        "next[0].grit",
                        "asOf");
        String many = "{\"do\":\"wash\",\"at\":\"2026-03-01T10:00:00Z\"},".repeat(201);
        assertThat(wrongFields("/api/surface", "{" + CUP + ",\"done\":[" + many.substring(0, many.length() - 1) + "]}"))
                .containsExactly("done");
    }

    /** Six hundred cups logged together are one form: it is read, and only then refused for want of a token. */
    @Test
    void aFormMayHaveThousandsOfFields() throws Exception {
        StringBuilder form = new StringBuilder("what=DONE");
        for (int i = 0; i < 3000; i++) {
            form.append("&cup-").append(i).append("=on");
        }
        HttpResponse<String> response = send(HttpRequest.newBuilder(URI.create(address + "/cups/together"))
                .header("Content-Type", "application/x-www-form-urlencoded")
                .POST(BodyPublishers.ofString(form.toString())));
        assertThat(response.statusCode()).isEqualTo(403);
    }

    /** Whatever is sent is answered in the 400s, as a problem that names no library. */
    @Test
    void nothingSentIsAnsweredWithAFault() throws Exception {
        String huge = "9".repeat(401);
        for (String path : List.of(
                "/api/mix",
                "/api/blank",
                "/api/cure",
                "/api/read",
                "/api/forecast",
                "/api/doubt",
                "/api/judge",
                "/api/surface",
                "/api/learn",
                "/api/diagnose",
                "/api/batch",
                "/api/ratio",
                "/api/turner")) {
            for (String body : List.of(
                    "",
                    "[]",
                    "null",
                    "3",
                    "\"x\"",
                    "{",
                    "{\"ratio\":\"\",\"totalMl\":30}",
                    "{\"totalMl\":" + huge + "}",
                    "{\"readings\":3,\"outline\":{},\"coats\":\"\",\"shares\":[null],\"ratio\":[]}",
                    "{\"referenceC\":1e39,\"roomC\":" + huge + "}")) {
                for (String type : List.of(
                        "application/json", "text/plain", "*/*", "application/*", "multipart/form-data", "nonsense")) {
                    HttpResponse<String> response = send(HttpRequest.newBuilder(URI.create(address + path))
                            .header("Content-Type", type)
                            .POST(BodyPublishers.ofString(body)));
                    assertThat(response.statusCode())
                            .as("%s %s %s: %s", path, type, body, response.body())
                            .isBetween(400, 499);
                    assertThat(response.headers().firstValue("Content-Type"))
                            .as("%s %s %s", path, type, body)
                            .contains("application/problem+json");
                    assertThat(response.body()).doesNotContain("java.", "org.springframework", "jackson");
                }
            }
            HttpResponse<String> wrongMethod =
                    send(HttpRequest.newBuilder(URI.create(address + path)).GET());
            assertThat(wrongMethod.statusCode()).isEqualTo(405);
            assertThat(wrongMethod.headers().firstValue("Content-Type")).contains("application/problem+json");
        }
        assertThat(send(HttpRequest.newBuilder(URI.create(address + "/error"))).statusCode())
                .isEqualTo(404);
    }
}
