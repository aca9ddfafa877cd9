package nursery.app;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.cups.CupBook;
import nursery.app.floor.Floors;
import nursery.app.shelf.ShelfBook;
import nursery.app.techniques.TechniqueBook;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.floor.Shelf;
import nursery.core.floor.ShelfBlank;
import nursery.core.log.Cup;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Pot;
import nursery.core.plan.Departure;
import nursery.core.plan.Order;
import nursery.core.plan.WeekPlan;
import nursery.core.resin.Resin;
import nursery.core.technique.School;
import nursery.core.technique.Schools;
import nursery.core.technique.Technique;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ExtensionContext.Namespace;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * The whole application on a private MariaDB, once for all tests of a run, with a clock the tests can move. Each test
 * class finds the shop empty.
 */
public final class ShopUnderTest implements BeforeAllCallback, ParameterResolver {

    @Override
    public void beforeAll(ExtensionContext context) {
        running(context).empty();
    }

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == Running.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return running(context);
    }

    private static Running running(ExtensionContext context) {
        return context.getRoot().getStore(Namespace.create(ShopUnderTest.class)).getOrComputeIfAbsent(Running.class);
    }

    /** Stands still unless moved. */
    public static final class MovableClock extends Clock {

        private volatile Instant now = Instant.parse("2026-03-02T08:00:00Z");

        public void set(Instant instant) {
            now = instant;
        }

        public void forward(Duration by) {
            now = now.plus(by);
        }

        @Override
        public Instant instant() {
            return now;
        }

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }
    }

    public static final class Running implements AutoCloseable {

        private static final Path ROOT = Path.of("").toAbsolutePath().getParent();
        private static final List<String> TABLES = List.of(
                "submission",
                "desk_run",
                "photo",
                "cup_next_time",
                "technique_material",
                "material_weighing",
                "step_begun",
                "step_timed",
                "cup_foretold",
                "material_move",
                "material_weighed",
                "cup_material",
                "material_lot",
                "material",
                "scale_shown",
                "SPRING_SESSION",
                "maker",
                "device",
                "join_code",
                "order_link",
                "api_token",
                "audit",
                "keep_run",
                "fault_model",
                "plan_wish",
                "week_plan_step",
                "week_plan",
                "plan_pin",
                "doubt",
                "bench_hours",
                "bench_day",
                "bottle_draw",
                "bottle",
                "entry_question",
                "cup_said",
                "log_entry",
                "batch_share",
                "batch",
                "technique_design",
                "cup_design",
                "design_version",
                "design",
                "art",
                "cup_step",
                "cup",
                "technique",
                "spindle",
                "resin_edition",
                "resin",
                "blank_station",
                "blank_edition",
                "blank",
                "room_reading",
                "room_sensor",
                "room_plan",
                "calendar_feed",
                "shop");

        private final Path folder =
                ROOT.resolve("var/test/" + ProcessHandle.current().pid());
        private final MovableClock clock = new MovableClock();
        private final ConfigurableApplicationContext context;
        private Playwright playwright;
        private Browser browser;

        public Running() {
            Thread stop = new Thread(() -> mariadb("stop"));
            Runtime.getRuntime().addShutdownHook(stop);
            mariadb("start");
            Map<String, Object> database = environment();
            context = new SpringApplicationBuilder(NurseryApplication.class)
                    .initializers(starting -> starting.getBeanFactory().registerSingleton("clock", clock))
                    .properties(database)
                    .run(
                            "--server.port=0",
                            "--nursery.tries-per-minute=1000",
                            "--nursery.password-rounds=500",
                            // A minute's search takes a core of two for as long, whatever is tested meanwhile.
                            "--nursery.plan.search=PT3S");
        }

        public int port() {
            return Integer.parseInt(context.getEnvironment().getRequiredProperty("local.server.port"));
        }

        public String address() {
            return "http://127.0.0.1:" + port();
        }

        public MovableClock clock() {
            return clock;
        }

        public ConfigurableApplicationContext context() {
            return context;
        }

        public <T> T bean(Class<T> type) {
            return context.getBean(type);
        }

        public JdbcTemplate sql() {
            return context.getBean(JdbcTemplate.class);
        }

        public Browser browser() {
            if (browser == null) {
                Map<String, String> environment = Stream.of(
                                Map.entry("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1"),
                                Map.entry("PLAYWRIGHT_NODEJS_PATH", "/usr/bin/node"))
                        .filter(entry ->
                                !entry.getValue().startsWith("/") || Files.isExecutable(Path.of(entry.getValue())))
                        .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
                playwright = Playwright.create(new Playwright.CreateOptions().setEnv(environment));
                browser = playwright
                        .chromium()
                        .launch(new BrowserType.LaunchOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium-headless-shell"))
                                .setArgs(List.of(
                                        "--no-sandbox",
                                        "--disable-gpu",
                                        "--disable-dev-shm-usage",
                                        "--disable-background-networking")));
            }
            return browser;
        }

        /** The shop as on its first start, on the morning of 2 March 2026. */
        public void empty() {
            clock.set(Instant.parse("2026-03-02T08:00:00Z"));
            sql().update("UPDATE log_entry SET cancels_id = NULL");
            sql().update("UPDATE week_plan_kept SET plan_id = NULL");
            TABLES.forEach(table -> sql().update("DELETE FROM " + table));
            sql().update("DELETE FROM measuring_cup WHERE id <> (SELECT MIN(id) FROM measuring_cup)");
            sql().update("UPDATE measuring_cup SET at_hand = TRUE");
            sql().update("DELETE FROM turner WHERE id <> (SELECT MIN(id) FROM turner)");
            sql().update("UPDATE turner SET rpm = 6, speed_assumed = TRUE");
            sql().update("UPDATE cup_counter SET last = 0");
            sql().update("UPDATE money_ways SET currency = 'EUR', hour_rate = 0, margin_percent = 45, fee_percent = 0, "
                    + "fee_fixed = 0, round_to = 0");
            sql().update("UPDATE stamp SET version = version + 1");
            bean(ShelfBook.class).stockIfEmpty();
        }

        /** The shop's settings as if a maker had chosen millimetres, millilitres and degrees Celsius. */
        public void settle(String zone) {
            sql().update(
                            "INSERT INTO shop (id, length_unit, volume_unit, temperature_unit, zone, quiet_from, "
                                    + "quiet_until) VALUES (1, 'MM', 'ML', 'C', ?, '22:30', '06:30')",
                            zone);
        }

        /** A cup in one colour of glitter, on the first blank of the shelf. */
        public Order glitterCup(String name, long resin, School... schools) {
            Technique technique = bean(TechniqueBook.class).shippedOnes().get(0).technique();
            ShelfBlank blank = shelf().blanks().get(0);
            Resin mixed = shelf().resin(resin).orElseThrow();
            Cup.About about =
                    new Cup.About(name, "Heritage tram society", technique.name(), blank.name(), "#112233", "#445566");
            return new Order(
                    about,
                    1,
                    blank.id(),
                    blank.blank(),
                    new Cup.Resins(mixed, mixed),
                    Schools.of(schools),
                    technique.plan(Schools.of(schools), Map.of()),
                    Optional.of(LocalDate.of(2026, 3, 20)),
                    1);
        }

        /** Starts one, and returns its code. */
        public String start(String name, long resin, Instant startedAt, School... schools) {
            return bean(CupBook.class)
                    .start(glitterCup(name, resin, schools), startedAt)
                    .get(0);
        }

        /** A step of a cup's plan done at a moment, with so much poured if it is a coat; hung. */
        public LogEntry entry(String code, int step, Instant at, double ml) {
            Cup cup = cup(code).cup();
            Mark mark = Mark.unnumbered(at, at, "Mira", "");
            return cup.step(step).kind().isPour()
                    ? new LogEntry.Poured(
                            mark,
                            step,
                            ml,
                            Optional.empty(),
                            Optional.of(Pot.of(cup.resinFor(cup.step(step)), OptionalLong.empty())))
                    : new LogEntry.StepDone(mark, step);
        }

        public Floor floor() {
            return bean(Floors.class).now();
        }

        public Shelf shelf() {
            return bean(Floors.class).shelf();
        }

        public CupNow cup(String code) {
            return bean(Floors.class).cup(code).orElseThrow();
        }

        /** What a cup's next coat needs. */
        public double shareMl(String code) {
            CupNow cup = cup(code);
            return floor().share(cup, cup.nextCoat().orElseThrow()).suggestedMl();
        }

        public WeekPlan plan() {
            return bean(Floors.class).standing(floor()).plan();
        }

        public List<Departure> departures() {
            return bean(Floors.class).standing(floor()).departures();
        }

        @Override
        public void close() {
            if (browser != null) {
                browser.close();
                playwright.close();
            }
            context.close();
            mariadb("stop");
        }

        private void mariadb(String action) {
            try {
                Process process = new ProcessBuilder(
                                ROOT.resolve("scripts/mariadb").toString(), action, folder.toString())
                        .inheritIO()
                        .start();
                if (!process.waitFor(90, TimeUnit.SECONDS) || process.exitValue() != 0) {
                    throw new IllegalStateException(
                            "scripts/mariadb " + action + " failed; see " + folder.resolve("mariadb.log"));
                }
            } catch (IOException e) {
                throw new IllegalStateException(e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }

        /** What an instance of the application is told of the database, and of where its pictures lie. */
        public Map<String, Object> environment() {
            try (Stream<String> lines = Files.lines(folder.resolve("database.env"))) {
                return lines.map(line -> line.split("=", 2))
                        .collect(Collectors.toMap(
                                parts -> parts[0],
                                parts -> (Object) parts[1].replace("'", ""),
                                (a, b) -> a,
                                () -> new HashMap<>(Map.of(
                                        "NURSERY_FILES_FOLDER",
                                        folder.resolve("files").toString()))));
            } catch (IOException e) {
                throw new IllegalStateException(e);
            }
        }
    }
}
