package nursery.app.made;

import java.math.BigDecimal;
import java.util.Currency;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import nursery.app.floor.Floors;
import nursery.app.materials.Money;
import nursery.app.materials.MoneyBook;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Seen;
import nursery.app.shelf.StockBook;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/** The shop's money: its currency, what an hour is worth, what was paid for bottles and blanks, how a price is made. */
@Controller
class MoneyController {

    private final MoneyBook money;
    private final StockBook stock;
    private final Floors floors;
    private final FormPost posts;

    MoneyController(MoneyBook money, StockBook stock, Floors floors, FormPost posts) {
        this.money = money;
        this.stock = stock;
        this.floors = floors;
        this.posts = posts;
    }

    @GetMapping("/money")
    String page(Model model) {
        Map<String, String> typed = waysKept();
        typed.putAll(pricesKept());
        return page(model, Form.fresh(typed));
    }

    private Map<String, String> waysKept() {
        Money ways = money.ways();
        Map<String, String> typed = new TreeMap<>();
        typed.put("currency", ways.currency().getCurrencyCode());
        typed.put("hourRate", Money.plain(ways.hourRate()));
        typed.put("marginPercent", Money.plain(ways.marginPercent()));
        typed.put("feePercent", Money.plain(ways.feePercent()));
        typed.put("feeFixed", Money.plain(ways.feeFixed()));
        typed.put("roundTo", Money.plain(ways.roundTo()));
        return typed;
    }

    private Map<String, String> pricesKept() {
        Map<String, String> typed = new TreeMap<>();
        stock.prices().forEach((id, price) -> typed.put("bottle-" + id, Money.plain(price)));
        stock.blankPrices().forEach((id, price) -> typed.put("blank-" + id, Money.plain(price)));
        return typed;
    }

    @PostMapping("/money")
    ModelAndView save(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    Seen.check(typed, Seen.of(waysKept()));
                    FormReader reader = new FormReader(typed);
                    Optional<Currency> currency =
                            reader.faults().attempt("currency", () -> currency(reader.raw("currency")));
                    BigDecimal hour =
                            reader.money("hourRate", "An hour at the bench").orElse(BigDecimal.ZERO);
                    BigDecimal margin =
                            reader.money("marginPercent", "The margin").orElse(BigDecimal.ZERO);
                    BigDecimal fee =
                            reader.money("feePercent", "The channel’s part").orElse(BigDecimal.ZERO);
                    BigDecimal fixed =
                            reader.money("feeFixed", "The channel’s fixed fee").orElse(BigDecimal.ZERO);
                    BigDecimal round = reader.money("roundTo", "What prices are rounded to")
                            .orElse(BigDecimal.ZERO);
                    reader.faults().throwIfAny();
                    money.save(new Money(currency.orElseThrow(), hour, margin, fee, fixed, round));
                    return "/money#kept";
                },
                form -> page(model, form));
    }

    private static Currency currency(String code) {
        try {
            return Currency.getInstance(code.strip().toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException(
                    "“%s” is no currency: enter its three letters, such as EUR or USD.".formatted(code), e);
        }
    }

    /** What was paid for bottles and blanks; an empty field is not known. */
    @PostMapping("/money/prices")
    ModelAndView prices(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    Seen.check(typed, Seen.of(pricesKept()));
                    FormReader reader = new FormReader(typed);
                    Map<Long, Optional<BigDecimal>> bottles = new TreeMap<>();
                    stock.bottles().stream()
                            .map(stocked -> stocked.bottle())
                            .filter(bottle -> typed.containsKey("bottle-" + bottle.id()))
                            .forEach(bottle -> bottles.put(
                                    bottle.id(),
                                    reader.money("bottle-" + bottle.id(), "What lot %s cost".formatted(bottle.lot()))));
                    Map<Long, Optional<BigDecimal>> blanks = new TreeMap<>();
                    floors.shelf().blanks().stream()
                            .filter(blank -> typed.containsKey("blank-" + blank.id()))
                            .forEach(blank -> blanks.put(
                                    blank.id(),
                                    reader.money("blank-" + blank.id(), "What a %s costs".formatted(blank.name()))));
                    reader.faults().throwIfAny();
                    bottles.forEach(stock::setPrice);
                    blanks.forEach(stock::setBlankPrice);
                    return "/money#prices";
                },
                form -> page(model, form));
    }

    private String page(Model model, Form form) {
        model.addAttribute("form", form);
        model.addAttribute("waysKept", Seen.of(waysKept()));
        model.addAttribute("pricesKept", Seen.of(pricesKept()));
        model.addAttribute("money", money.ways());
        model.addAttribute("bottles", stock.bottles());
        model.addAttribute("shelf", floors.shelf());
        return "made/money";
    }
}
