package nursery.app;

import static nursery.app.Visitor.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.StringReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.xml.parsers.DocumentBuilderFactory;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.model.component.CalendarComponent;
import nursery.app.ShopUnderTest.Running;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * Every text that somebody may type and that is kept, written full of markup, on every page and in every file a shop
 * gives out: it is text in all of them, and code in none.
 */
@ExtendWith(ShopUnderTest.class)
class MarkupTest {

    /** What would be a formula, an element, an attribute's end, iCalendar's own signs. */
    private static final String MARKUP = "=<b>m</b>&\"';,\\";

    private static final int MOST_PAGES = 400;
    private static final Pattern LINK = Pattern.compile("(?:href|hx-get|src)=\"(/[^\"#]*)\"");

    /** Columns somebody types into, and what keeps the texts of two rows apart, where they have to be. */
    private static final Map<String, String> TYPED = new TreeMap<>(Map.ofEntries(
            Map.entry("api_token.made_by", "''"),
            Map.entry("art.name", "id"),
            Map.entry("art.added_by", "''"),
            Map.entry("audit.who", "''"),
            Map.entry("audit.device", "''"),
            Map.entry("audit.about", "''"),
            Map.entry("batch.started_by", "''"),
            Map.entry("batch_addition.what", "''"),
            Map.entry("blank.name", "id"),
            Map.entry("blank_edition.made_by", "''"),
            Map.entry("bottle.lot", "''"),
            Map.entry("bottle.added_by", "''"),
            Map.entry("bottle_draw.drawn_by", "''"),
            Map.entry("calendar_feed.made_by", "''"),
            Map.entry("cup.name", "''"),
            Map.entry("cup.made_for", "''"),
            Map.entry("cup.technique", "''"),
            Map.entry("cup_foretold.what", "position"),
            Map.entry("cup_step.title", "''"),
            Map.entry("cup_step.how", "''"),
            Map.entry("design.name", "id"),
            Map.entry("design_version.saved_by", "''"),
            Map.entry("device.name", "''"),
            Map.entry("fault_model.saved_by", "''"),
            Map.entry("keep_run.file", "''"),
            Map.entry("keep_run.said", "''"),
            Map.entry("cup_said.said", "''"),
            Map.entry("entry_question.reason", "''"),
            Map.entry("log_entry.recorded_by", "''"),
            Map.entry("log_entry.note", "''"),
            Map.entry("material.name", "id"),
            Map.entry("material_weighing.weighed_by", "''"),
            Map.entry("step_begun.begun_by", "''"),
            Map.entry("material.place", "''"),
            Map.entry("material_lot.lot", "''"),
            Map.entry("material_lot.added_by", "''"),
            Map.entry("material_move.moved_by", "''"),
            Map.entry("material_weighed.weighed_by", "''"),
            Map.entry("measuring_cup.name", "id"),
            Map.entry("order_link.made_for", "''"),
            Map.entry("order_link.made_by", "''"),
            Map.entry("cup_next_time.words", "''"),
            Map.entry("cup_next_time.written_by", "''"),
            Map.entry("paper_ways.care", "''"),
            Map.entry("photo.words", "''"),
            Map.entry("photo.added_by", "''"),
            Map.entry("plan_wish.name", "''"),
            Map.entry("plan_wish.made_for", "''"),
            Map.entry("resin.name", "id"),
            Map.entry("resin_edition.made_by", "''"),
            Map.entry("resin_edition.source", "''"),
            Map.entry("room_plan.cure_place", "''"),
            Map.entry("room_reading.place", "''"),
            Map.entry("room_reading.recorded_by", "''"),
            Map.entry("room_sensor.made_by", "''"),
            Map.entry("room_sensor.place", "''"),
            Map.entry("spindle.name", "id"),
            Map.entry("technique.name", "id"),
            Map.entry("technique.saved_by", "''"),
            Map.entry("turner.name", "id"),
            Map.entry("week_plan.why", "''"),
            Map.entry("week_plan.made_by", "''")));

    /** Texts of ours: words from a list, numbers as text, what is made here or only hashed. */
    private static final Set<String> OURS = Set.of(
            "art.kind",
            "audit.what",
            "batch.ratio",
            "bench_day.bench",
            "bench_hours.bench",
            "bench_hours.booth",
            "blank.taped",
            "blank_edition.form",
            "blank_edition.why",
            "cup.code",
            "cup.glitter_more",
            "cup_foretold.part",
            "cup_foretold.unit",
            "technique_material.technique",
            "cup.left_how",
            "cup.schools",
            "cup_step.detail",
            "cup_step.kind",
            "cup_step.role",
            "cup_step.wait_kind",
            "desk_run.alone",
            "entry_question.question",
            "desk_run.faults",
            "desk_run.state",
            "desk_run.told",
            "desk_run.what",
            "join_code.made_by",
            "keep_ways.folder",
            "log_entry.cause",
            "log_entry.how",
            "material.kind",
            "material.film",
            "material.mix",
            "log_entry.kind",
            "log_entry.seen",
            "log_entry.touch",
            "maker.name",
            "maker.password_hash",
            "maker.pin_hash",
            "maker.role",
            "measuring_cup.marks",
            "photo.kind",
            "photo.file",
            "photo.small",
            "plan_wish.hours",
            "plan_wish.kind",
            "plan_wish.technique",
            "resin_edition.ratio",
            "resin_edition.why",
            "room_plan.forecast",
            "room_plan.heating",
            "scale_shown.scale",
            "shedlock.locked_by",
            "shedlock.name",
            "shop.clock",
            "shop.length_unit",
            "shop.temperature_unit",
            "shop.volume_unit",
            "shop.zone",
            "stamp.what",
            "submission.leads_to",
            "technique_design.technique",
            "week_plan.state",
            "api_token.name");

    /** JSON, in which the names are typed. */
    private static final List<String> BODIES = List.of("design_version.body", "technique.body", "fault_model.body");

    private final Map<String, Integer> kinds = new TreeMap<>();
    private final Set<String> shown = new TreeSet<>();

    @Test
    void whatSomebodyTypedIsTextEverywhere(Running shop) throws Exception {
        shop.empty();
        try (ConfigurableApplicationContext demo = new SpringApplicationBuilder(NurseryApplication.class)
                .initializers(starting -> starting.getBeanFactory().registerSingleton("clock", shop.clock()))
                .properties(shop.environment())
                .run("--server.port=0", "--nursery.demo=true")) {
            String address = "http://127.0.0.1:" + demo.getEnvironment().getProperty("local.server.port");
            Visitor maker = new Visitor(address);
            maker.post("/devices", "/devices/tokens", typed("token-name", MARKUP));
            maker.post("/alarms", "/alarms/feeds", typed());
            maker.post("/techniques/waves", "/techniques/waves/copy", typed());
            mark(shop.sql());
            crawl(address);
        } finally {
            shop.empty();
        }
        assertThat(kinds)
                .as("what a shop gives out")
                .containsKeys("text/html", "image/svg+xml", "application/pdf", "text/calendar", "text/csv");
        assertThat(shown).as("formats that told a text").contains("text/html", "text/calendar", "text/csv");
    }

    private static void mark(JdbcTemplate sql) {
        Set<String> unlisted = new TreeSet<>(sql.queryForList(
                """
                SELECT CONCAT(table_name, '.', column_name) FROM information_schema.columns
                  WHERE table_schema = DATABASE() AND data_type IN ('varchar', 'text', 'mediumtext', 'longtext')
                    AND table_name NOT LIKE 'SPRING%' AND table_name NOT LIKE 'flyway%'""",
                String.class));
        unlisted.removeAll(TYPED.keySet());
        unlisted.removeAll(OURS);
        unlisted.removeAll(BODIES);
        assertThat(unlisted).as("text columns that stand in no list").isEmpty();
        TYPED.forEach((column, apart) -> {
            String[] parts = column.split("\\.");
            sql.update(
                    "UPDATE %1$s SET %2$s = CONCAT(?, %3$s) WHERE %2$s <> ''".formatted(parts[0], parts[1], apart),
                    MARKUP);
        });
        for (String column : BODIES) {
            String[] parts = column.split("\\.");
            String escaped = MARKUP.replace("\\", "\\\\").replace("\"", "\\\"");
            sql.update(
                    "UPDATE %1$s SET %2$s = REGEXP_REPLACE(%2$s, ?, ?)".formatted(parts[0], parts[1]),
                    "\"(name|about)\":\\s*\"[^\"]*\"",
                    "\"\\\\1\":\"" + escaped.replace("\\", "\\\\") + "\"");
        }
    }

    /** Everything that can be reached by following links. */
    private void crawl(String address) throws Exception {
        HttpClient http = HttpClient.newBuilder()
                .followRedirects(HttpClient.Redirect.NORMAL)
                .cookieHandler(new java.net.CookieManager())
                .build();
        Set<String> seen = new LinkedHashSet<>(List.of("/", "/plan/week.csv", "/plan/week.ics", "/plan/week.pdf"));
        Deque<String> ahead = new ArrayDeque<>(seen);
        Map<String, Integer> likes = new TreeMap<>();
        for (int pages = 0; !ahead.isEmpty() && pages < MOST_PAGES; pages++) {
            String path = ahead.poll();
            HttpResponse<byte[]> answer = http.send(
                    HttpRequest.newBuilder(URI.create(address + path)).build(),
                    HttpResponse.BodyHandlers.ofByteArray());
            assertThat(answer.statusCode()).as(path).isLessThan(500);
            String type = answer.headers().firstValue("Content-Type").orElse("").replaceFirst(";.*", "");
            kinds.merge(type, 1, Integer::sum);
            check(path, type, answer.body());
            if (type.equals("text/html")) {
                Matcher link = LINK.matcher(new String(answer.body(), StandardCharsets.UTF_8));
                while (link.find()) {
                    String to = link.group(1).replace("&amp;", "&");
                    // Of pages that differ in a number only, some are enough.
                    String like = to.replaceAll("[A-Z]-\\d+|\\d+|=[^&]*", "#");
                    if (!to.matches(".*(\\.(css|js|png|woff2|webmanifest)|/scale/stream|/export/shop.zip).*")
                            && likes.merge(like, 1, Integer::sum) <= 2
                            && seen.add(to)) {
                        ahead.add(to);
                    }
                }
            }
        }
    }

    private void check(String path, String type, byte[] body) throws Exception {
        String text = new String(body, StandardCharsets.UTF_8);
        switch (type) {
            case "text/html" -> {
                assertThat(text).as(path).doesNotContain("<b>m</b>").doesNotContain("&\"'");
                told(type, text, "=&lt;b&gt;m&lt;/b&gt;&amp;&quot;&#39;;,\\");
            }
            case "image/svg+xml" -> {
                DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
                factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
                var document = factory.newDocumentBuilder().parse(new ByteArrayInputStream(body));
                assertThat(document.getElementsByTagName("b").getLength())
                        .as(path)
                        .isZero();
                told(type, text, "&lt;b&gt;m");
            }
            case "application/pdf" -> {
                try (PDDocument document = Loader.loadPDF(body)) {
                    told(type, new PDFTextStripper().getText(document), "<b>m</b>");
                }
            }
            case "text/calendar" -> {
                for (CalendarComponent event :
                        new CalendarBuilder().build(new StringReader(text)).getComponents()) {
                    told(type, event.toString(), "=<b>m</b>&\"'\\;\\,\\\\");
                }
            }
            case "text/csv" -> {
                try (CSVParser parser = CSVParser.parse(text, CSVFormat.RFC4180)) {
                    for (CSVRecord row : parser) {
                        row.forEach(cell -> {
                            assertThat(cell).as(path).doesNotStartWith("=");
                            told(type, cell, MARKUP);
                        });
                    }
                }
            }
            default -> assertThat(type).as(path).doesNotContain("html");
        }
    }

    private void told(String type, String text, String marked) {
        if (text.contains(marked)) {
            shown.add(type);
        }
    }
}
