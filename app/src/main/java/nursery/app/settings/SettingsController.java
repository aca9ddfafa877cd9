package nursery.app.settings;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.core.measure.LengthUnit;
import nursery.core.measure.Numbers;
import nursery.core.measure.TemperatureUnit;
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
    private final FormPost posts;

    SettingsController(ShopBook shops, FormPost posts) {
        this.shops = shops;
        this.posts = posts;
    }

    @GetMapping("/shop")
    String shop(HttpServletRequest request, Model model) {
        return page(model, Form.fresh(typedFrom(shops.shop(), Maker.of(request))));
    }

    @PostMapping("/shop")
    ModelAndView save(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(typed, model, () -> {
            shops.save(read(new FormReader(typed)));
            return "/shop#saved";
        }, form -> page(model, form));
    }

    @PostMapping("/shop/maker")
    ModelAndView maker(@RequestParam Map<String, String> typed, Model model, HttpServletResponse response) {
        return posts.handle(typed, model, () -> {
            FormReader reader = new FormReader(typed);
            String name = reader.line("maker", "The name", Maker.LONGEST_NAME, true);
            reader.faults().throwIfAny();
            response.addHeader(HttpHeaders.SET_COOKIE, new Maker(name).cookie().toString());
            return "/shop#maker";
        }, form -> page(model, form));
    }

    private Shop read(FormReader reader) {
        Optional<LengthUnit> length = reader.choice("lengthUnit", "Lengths", LengthUnit.class);
        Optional<VolumeUnit> volume = reader.choice("volumeUnit", "Amounts", VolumeUnit.class);
        Optional<TemperatureUnit> temperature = reader.choice("temperatureUnit", "Temperatures", TemperatureUnit.class);
        String zone = reader.raw("zone");
        reader.faults().require(ZoneId.getAvailableZoneIds().contains(zone), "zone", "“%s” is not a time zone: choose one from the list.".formatted(zone));
        Optional<LocalTime> from = time(reader, "quietFrom");
        Optional<LocalTime> until = time(reader, "quietUntil");
        // The form names the unit it was filled in, which this very form may be changing.
        VolumeUnit filledIn = shops.shop().volumeUnit();
        double lossFillMl = reader.quantity("lossFill", "What stays on a mixing cup", filledIn, 0, Losses.MOST_ML);
        double lossCupMl = reader.quantity("lossCup", "What stays on the glove", filledIn, 0, Losses.MOST_ML);
        OptionalDouble minutes = reader.optionalNumber("minutesPerCup");
        minutes.ifPresent(found -> reader.faults().attempt("minutesPerCup", () -> new Pace(Pace.USUAL_MIXING_MIN, found)));
        reader.faults().throwIfAny();
        return new Shop(length.orElseThrow(), volume.orElseThrow(), temperature.orElseThrow(), zone, from.orElseThrow(), until.orElseThrow(),
                lossFillMl, lossCupMl, minutes.isPresent() ? minutes.getAsDouble() : null);
    }

    private static Optional<LocalTime> time(FormReader reader, String field) {
        try {
            return Optional.of(LocalTime.parse(reader.raw(field)));
        } catch (DateTimeParseException e) {
            reader.faults().add(field, "“%s” is not a time: write it as 22:30.".formatted(reader.raw(field)));
            return Optional.empty();
        }
    }

    private static Map<String, String> typedFrom(Shop shop, Maker maker) {
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("lengthUnit", shop.lengthUnit().name());
        typed.put("volumeUnit", shop.volumeUnit().name());
        typed.put("temperatureUnit", shop.temperatureUnit().name());
        typed.put("zone", shop.zone());
        typed.put("quietFrom", shop.quietFrom().toString());
        typed.put("quietUntil", shop.quietUntil().toString());
        typed.put("lossFill", shop.volumeUnit().showNumber(shop.lossFillMl()));
        typed.put("lossCup", shop.volumeUnit().showNumber(shop.lossCupMl()));
        typed.put("minutesPerCup", shop.setMinutesPerCup().stream().mapToObj(minutes -> Numbers.show(minutes, 1)).findFirst().orElse(""));
        typed.put("maker", maker.isNamed() ? maker.name() : "");
        return typed;
    }

    private String page(Model model, Form form) {
        Map<String, String> all = typedFrom(shops.shop(), new Maker(form.value("maker")));
        all.putAll(form.typed());
        model.addAttribute("form", new Form(all, form.faults(), form.token()));
        model.addAttribute("zones", ZoneId.getAvailableZoneIds().stream().filter(zone -> zone.contains("/") && !zone.startsWith("Etc")).sorted().toList());
        model.addAttribute("lengthUnits", LengthUnit.values());
        model.addAttribute("volumeUnits", VolumeUnit.values());
        model.addAttribute("temperatureUnits", TemperatureUnit.values());
        return PAGE;
    }
}
