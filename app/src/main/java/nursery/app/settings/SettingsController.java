package nursery.app.settings;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.floor.Floors;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Seen;
import nursery.core.floor.Ways;
import nursery.core.log.QuietHours;
import nursery.core.measure.Clock;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.measure.TemperatureUnit;
import nursery.core.measure.TimeOfDay;
import nursery.core.measure.VolumeUnit;
import nursery.core.resin.Losses;
import nursery.core.resin.Pace;
import org.springframework.http.HttpHeaders;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

@Controller
class SettingsController {

    private static final String PAGE = "shop/shop";

    private final ShopBook shops;
    private final Floors floors;
    private final FormPost posts;

    SettingsController(ShopBook shops, Floors floors, FormPost posts) {
        this.shops = shops;
        this.floors = floors;
        this.posts = posts;
    }

    @GetMapping("/shop")
    String shop(HttpServletRequest request, Model model) {
        return page(model, Form.fresh(typedFrom(floors.ways(), Maker.of(request))));
    }

    @PostMapping("/shop")
    ModelAndView save(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    String seen = typed.getOrDefault(Seen.FIELD, "");
                    shops.save(
                            read(new FormReader(typed)),
                            () -> Seen.check(seen, typedFrom(floors.waysAfresh(), new Maker(""))));
                    return "/shop#saved";
                },
                form -> page(model, form));
    }

    @PostMapping("/shop/maker")
    ModelAndView maker(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    String name = reader.line("maker", "The name", Maker.LONGEST_NAME, true);
                    reader.faults().throwIfAny();
                    response.addHeader(
                            HttpHeaders.SET_COOKIE, new Maker(name).cookie().toString());
                    return "/shop#maker";
                },
                form -> page(model, form));
    }

    private Ways read(FormReader reader) {
        Optional<LengthUnit> length = reader.choice("lengthUnit", "Lengths", LengthUnit.class);
        Optional<VolumeUnit> volume = reader.choice("volumeUnit", "Amounts", VolumeUnit.class);
        Optional<TemperatureUnit> temperature = reader.choice("temperatureUnit", "Temperatures", TemperatureUnit.class);
        Optional<Clock> clock = reader.choice("clock", "The clock", Clock.class);
        Optional<DayOfWeek> weekStarts = reader.choice("weekStarts", "The first day of the week", DayOfWeek.class);
        String zone = reader.raw("zone");
        reader.faults()
                .require(
                        ZoneId.getAvailableZoneIds().contains(zone),
                        "zone",
                        "“%s” is not a time zone: choose one from the list.".formatted(zone));
        Optional<LocalTime> from = reader.faults().attempt("quietFrom", () -> TimeOfDay.parse(reader.raw("quietFrom")));
        Optional<LocalTime> until =
                reader.faults().attempt("quietUntil", () -> TimeOfDay.parse(reader.raw("quietUntil")));
        // The form names the unit it was filled in, which this very form may be changing.
        VolumeUnit filledIn = floors.ways().volumeUnit();
        Losses were = floors.ways().losses();
        double lossFillMl = loss(reader, "lossFill", "What stays on a mixing cup", filledIn, were.perFillMl());
        double lossCupMl = loss(reader, "lossCup", "What stays on the glove", filledIn, were.perCupMl());
        OptionalDouble minutes = reader.optionalNumber("minutesPerCup");
        minutes.ifPresent(
                found -> reader.faults().attempt("minutesPerCup", () -> new Pace(Pace.USUAL_MIXING_MIN, found)));
        reader.faults().throwIfAny();
        return new Ways(
                length.orElseThrow(),
                volume.orElseThrow(),
                temperature.orElseThrow(),
                new QuietHours(from.orElseThrow(), until.orElseThrow(), ZoneId.of(zone)),
                new Losses(lossFillMl, lossCupMl),
                minutes,
                clock.orElseThrow(),
                weekStarts.orElseThrow());
    }

    /** What was not touched stays what it is, to the last digit: it is shown rounded. */
    private static double loss(FormReader reader, String field, String what, VolumeUnit filledIn, double wasMl) {
        return reader.raw(field).equals(filledIn.showNumber(wasMl))
                ? wasMl
                : reader.quantity(field, what, filledIn, 0, Losses.MOST_ML);
    }

    private static Map<String, String> typedFrom(Ways ways, Maker maker) {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("lengthUnit", ways.lengthUnit().name());
        typed.put("volumeUnit", ways.volumeUnit().name());
        typed.put("temperatureUnit", ways.temperatureUnit().name());
        typed.put("clock", ways.clock().name());
        typed.put("weekStarts", ways.weekStarts().name());
        typed.put("zone", ways.zone().getId());
        typed.put("quietFrom", ways.clock().show(ways.quiet().from()));
        typed.put("quietUntil", ways.clock().show(ways.quiet().untilExclusive()));
        typed.put("lossFill", ways.volumeUnit().showNumber(ways.losses().perFillMl()));
        typed.put("lossCup", ways.volumeUnit().showNumber(ways.losses().perCupMl()));
        typed.put(
                "minutesPerCup",
                ways.minutesPerCup().stream()
                        .mapToObj(minutes -> Numbers.show(minutes, 1))
                        .findFirst()
                        .orElse(""));
        typed.put("maker", maker.isNamed() ? maker.name() : "");
        return typed;
    }

    private String page(Model model, Form form) {
        Map<String, String> all = typedFrom(floors.ways(), new Maker(form.value("maker")));
        all.put(Seen.FIELD, Seen.of(typedFrom(floors.ways(), new Maker(""))));
        all.putAll(form.typed());
        if (form.isWrong(Seen.FIELD)) {
            all.put(Seen.FIELD, Seen.of(typedFrom(floors.waysAfresh(), new Maker(""))));
        }
        model.addAttribute("form", new Form(all, form.faults(), form.token()));
        model.addAttribute(
                "zones",
                ZoneId.getAvailableZoneIds().stream()
                        .filter(zone -> zone.contains("/") && !zone.startsWith("Etc"))
                        .sorted()
                        .toList());
        model.addAttribute("lengthUnits", LengthUnit.values());
        model.addAttribute("volumeUnits", VolumeUnit.values());
        model.addAttribute("temperatureUnits", TemperatureUnit.values());
        model.addAttribute("clocks", Clock.values());
        model.addAttribute("weekdays", List.of(DayOfWeek.MONDAY, DayOfWeek.SATURDAY, DayOfWeek.SUNDAY));
        model.addAttribute("zoneAssumed", !shops.isKept());
        return PAGE;
    }
}
