package nursery.app.room;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.floor.Floors;
import nursery.app.floor.RoomPlan;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Moments;
import nursery.app.platform.Seen;
import nursery.core.cure.RoomReading;
import nursery.core.floor.Air;
import nursery.core.floor.Floor;
import nursery.core.measure.TemperatureUnit;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** The room: what it is, whether it is fit for a coat, what is expected of it, and where its readings come from. */
@Controller
class RoomController {

    private static final int SHOWN = 8;
    private static final int LONGEST_PLACE = 40;

    private final RoomBook room;
    private final ImportDesk imports;
    private final SimulatedSensor simulated;
    private final Floors floors;
    private final Moments moments;
    private final FormPost posts;
    private final CoatsOverRoomController course;

    RoomController(
            RoomBook room,
            ImportDesk imports,
            SimulatedSensor simulated,
            Floors floors,
            Moments moments,
            FormPost posts,
            CoatsOverRoomController course) {
        this.room = room;
        this.imports = imports;
        this.simulated = simulated;
        this.floors = floors;
        this.moments = moments;
        this.posts = posts;
        this.course = course;
    }

    @GetMapping("/room")
    String room(@RequestParam Map<String, String> typed, Model model) {
        return page(model, Form.fresh(typed));
    }

    @PostMapping("/room")
    ModelAndView add(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    Instant now = moments.now();
                    FormReader reader = new FormReader(typed);
                    double celsius = reader.roomC(
                            "temperature",
                            "The room's temperature",
                            floors.ways().temperatureUnit());
                    OptionalDouble percent = reader.optionalNumber("humidity");
                    String place = place(reader);
                    reader.faults().throwIfAny();
                    reader.faults()
                            .attempt("temperature", () -> new RoomReading(now, celsius, percent))
                            .ifPresent(reading -> room.add(
                                    place, List.of(reading), Maker.of(request).name()));
                    reader.faults().throwIfAny();
                    return "/room";
                },
                form -> page(model, form));
    }

    @PostMapping("/room/plan")
    ModelAndView plan(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    Seen.check(typed, Seen.of(floors.roomPlan()));
                    RoomPlan.Way way = reader.choice("way", "What to go by", RoomPlan.Way.class)
                            .orElse(RoomPlan.Way.LAST_DAYS);
                    OptionalDouble steady = way == RoomPlan.Way.STEADY
                            ? OptionalDouble.of(reader.roomC(
                                    "steady",
                                    "The temperature expected",
                                    floors.ways().temperatureUnit()))
                            : OptionalDouble.empty();
                    String heating = reader.line("heating", "The heating's settings", 400, way == RoomPlan.Way.HEATING);
                    String place = place(reader);
                    reader.faults().throwIfAny();
                    RoomPlan plan = reader.faults()
                            .attempt(
                                    "heating",
                                    () -> new RoomPlan(
                                            place,
                                            way,
                                            steady,
                                            RoomPlan.written(RoomPlan.settings(
                                                    heating, floors.ways().temperatureUnit()))))
                            .orElse(RoomPlan.STARTING);
                    reader.faults().attempt(way == RoomPlan.Way.STEADY ? "steady" : "heating", plan::forecast);
                    reader.faults().throwIfAny();
                    room.save(plan);
                    return "/room#plan";
                },
                form -> page(model, form));
    }

    @PostMapping("/room/import")
    ModelAndView read(
            @RequestParam Map<String, String> typed,
            @RequestParam("file") MultipartFile file,
            Model model,
            HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    reader.faults().require(!file.isEmpty(), "file", "No file was chosen.");
                    Optional<TemperatureUnit> unit = reader.raw("unit").isEmpty()
                            ? Optional.empty()
                            : reader.choice("unit", "The unit", TemperatureUnit.class);
                    String place = place(reader);
                    ZoneId zone = ZoneId.getAvailableZoneIds().contains(reader.raw("fileZone"))
                            ? ZoneId.of(reader.raw("fileZone"))
                            : floors.ways().zone();
                    reader.faults().throwIfAny();
                    return "/room/import/"
                            + imports.start(
                                    file, place, zone, unit, Maker.of(request).name());
                },
                form -> page(model, form));
    }

    @GetMapping("/room/import/{number}")
    String progress(@PathVariable long number, Model model) {
        model.addAttribute("number", number);
        model.addAttribute(
                "run",
                imports.run(number)
                        .orElseThrow(
                                () -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such import.")));
        return "room/import";
    }

    /** Makes a token for a sensor; it is shown on this answer and never again. */
    @PostMapping("/room/sensors")
    String sensor(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        FormReader reader = new FormReader(typed);
        String place = place(reader);
        if (!reader.faults().none()) {
            return page(model, Form.rejected(typed, reader.faults().found()));
        }
        model.addAttribute("token", room.newSensor(place, Maker.of(request).name()));
        model.addAttribute("tokenPlace", place);
        return page(model, Form.fresh(Map.of()));
    }

    @PostMapping("/room/sensors/{id}/revoke")
    String revoke(@PathVariable long id) {
        room.revoke(id);
        return "redirect:/room#sensors";
    }

    @PostMapping("/room/simulated")
    String simulate(@RequestParam(defaultValue = "off") String press, HttpServletRequest request) {
        if (press.equals("on")) {
            simulated.switchOn(Maker.of(request).name());
        } else {
            simulated.switchOff();
        }
        return "redirect:/room#sensors";
    }

    private static String place(FormReader reader) {
        String place = reader.line("place", "The place", LONGEST_PLACE, false);
        return place.isEmpty() ? RoomPlan.BENCH : place;
    }

    private static final Duration TONIGHT = Duration.ofHours(8);
    private static final Duration WEEK = Duration.ofDays(7);

    private String page(Model model, Form form) {
        Floor floor = floors.now();
        Air air = floor.air();
        TemperatureUnit unit = floor.ways().temperatureUnit();
        RoomPlan plan = floors.roomPlan();
        Map<String, String> all = new LinkedHashMap<>(Map.of(
                "way",
                plan.way().name(),
                "heating",
                RoomPlan.written(
                        RoomPlan.settings(plan.heating(), TemperatureUnit.C),
                        unit,
                        floors.ways().clock()),
                "place",
                plan.curePlace(),
                "fileZone",
                floor.ways().zone().getId(),
                "steady",
                plan.steadyC().isPresent() ? unit.showNumber(plan.steadyC().getAsDouble()) : ""));
        all.putAll(form.typed());
        model.addAttribute("form", new Form(all, form.faults(), form.token()));
        course.draw(false, model);
        model.addAttribute("unit", unit);
        model.addAttribute("units", TemperatureUnit.values());
        model.addAttribute("plan", plan);
        model.addAttribute("planKept", Seen.of(plan));
        model.addAttribute("ways", RoomPlan.Way.values());
        model.addAttribute("places", room.places());
        model.addAttribute("readings", room.newest(plan.curePlace(), SHOWN));
        model.addAttribute("nowC", air.temperatureC(floor.now()));
        model.addAttribute(
                "percent",
                air.course().humidityPercentAt(floor.now()).stream()
                        .boxed()
                        .findFirst()
                        .orElse(null));
        model.addAttribute("fitness", air.fitness(floor.now()));
        model.addAttribute("turnsAt", air.fitnessTurnsAt(floor.now()).orElse(null));
        model.addAttribute("silentSince", air.silentSince().orElse(null));
        model.addAttribute("tonightC", air.spreadC(floor.now(), floor.now().plus(TONIGHT)));
        model.addAttribute("weekC", air.spreadC(floor.now(), floor.now().plus(WEEK)));
        model.addAttribute(
                "doubt", plan.way() == RoomPlan.Way.LAST_DAYS ? air.doubt().orElse(null) : null);
        model.addAttribute(
                "coldestC",
                plan.way() == RoomPlan.Way.LAST_DAYS && air.coldestC().isPresent()
                        ? air.coldestC().getAsDouble()
                        : null);
        model.addAttribute("sensors", room.sensors());
        model.addAttribute("simulating", simulated.isOn());
        model.addAttribute("zones", zones());
        return "room/room";
    }

    private static List<String> zones() {
        return Arrays.stream(ZoneId.getAvailableZoneIds().toArray(String[]::new))
                .filter(zone -> zone.contains("/") && !zone.startsWith("Etc"))
                .sorted()
                .toList();
    }
}
