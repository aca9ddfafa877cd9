package nursery.app.plan;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.math.BigDecimal;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.made.CostBook;
import nursery.app.materials.Money;
import nursery.app.materials.MoneyBook;
import nursery.app.platform.Desk;
import nursery.app.platform.FileText;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Pdf;
import nursery.app.platform.Show;
import nursery.app.platform.Upload;
import nursery.app.techniques.TechniqueBook;
import nursery.core.plan.Order;
import nursery.core.worth.CupCost;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.ModelAndView;

/** What an order can be promised for on the day it is asked for, and taking it; orders out of a file. */
@Controller
class OrderController {

    private final Orders orders;
    private final OrderForm forms;
    private final TechniqueBook techniques;
    private final Floors floors;
    private final CostBook costs;
    private final MoneyBook money;
    private final Pdf pdf;
    private final FormPost posts;

    OrderController(
            Orders orders,
            OrderForm forms,
            TechniqueBook techniques,
            Floors floors,
            CostBook costs,
            MoneyBook money,
            Pdf pdf,
            FormPost posts) {
        this.costs = costs;
        this.money = money;
        this.pdf = pdf;
        this.orders = orders;
        this.forms = forms;
        this.techniques = techniques;
        this.floors = floors;
        this.posts = posts;
    }

    /** The form; with its answer, once it is filled in. Asking changes nothing. */
    @GetMapping("/plan/order")
    String order(@RequestParam Map<String, String> typed, Model model) {
        if (typed.isEmpty()) {
            return page(
                    model,
                    Form.fresh(Map.of(
                            "count",
                            "1",
                            "matters",
                            "1",
                            "resin",
                            String.valueOf(floors.now().usualResin().id()))));
        }
        FormReader reader = new FormReader(typed);
        forms.read(reader).ifPresent(order -> {
            Orders.Promise promise = orders.promise(order);
            model.addAttribute("promise", promise);
            model.addAttribute("waysOut", waysOut(promise, typed));
            model.addAttribute("quote", quote(order));
            model.addAttribute("asIt", asked(typed));
        });
        return page(
                model,
                reader.faults().none()
                        ? Form.fresh(typed)
                        : Form.rejected(typed, reader.faults().found()));
    }

    /**
     * What is asked for an order.
     *
     * @param each for one cup
     * @param all for all of them
     * @param isWhole whether everything in it has a price
     */
    record Quote(CupCost cost, Money money, BigDecimal each, BigDecimal all, boolean isWhole) {}

    private Quote quote(Order order) {
        Money ways = money.ways();
        CupCost cost = costs.quoted(order);
        BigDecimal each = ways.asking().of(cost.foretold()).price();
        return new Quote(
                cost,
                ways,
                each,
                each.multiply(BigDecimal.valueOf(order.count())),
                cost.unpriced().isEmpty());
    }

    /** The same question with one thing otherwise. */
    record WayOut(String words, String address) {}

    /** What to ask instead where the answer is no: fewer, a later day, a faster resin. */
    private List<WayOut> waysOut(Orders.Promise promise, Map<String, String> typed) {
        if (promise.inTime() && promise.nowLate().isEmpty()) {
            return List.of();
        }
        Show show = floors.show();
        List<WayOut> ways = new ArrayList<>();
        int inTime = promise.inTimeCount();
        Order order = promise.order();
        if (inTime > 0 && inTime < order.count() && orders.holds(order.counting(inTime))) {
            ways.add(way("Promise %d of them".formatted(inTime), typed, "count", "" + inTime));
        }
        promise.surelyAt()
                .flatMap(at -> orders.dayThatHolds(order, at))
                .filter(day -> order.due().filter(day::isAfter).isPresent())
                .ifPresent(day -> ways.add(way("Due on %s".formatted(show.date(day)), typed, "due", "" + day)));
        promise.readyLast()
                .filter(at -> !promise.nowLate().isEmpty())
                .flatMap(at -> orders.dayThatHolds(order, at))
                .ifPresent(day ->
                        ways.add(way("Behind all the rest, on %s".formatted(show.date(day)), typed, "due", "" + day)));
        floors.shelf()
                .fastest()
                .filter(resin -> resin.id() != order.resins().base().id())
                .ifPresent(resin -> ways.add(way("In " + resin.name(), typed, "resin", "" + resin.id())));
        return ways;
    }

    private static WayOut way(String words, Map<String, String> typed, String field, String value) {
        Map<String, String> otherwise = new LinkedHashMap<>(typed);
        otherwise.put(field, value);
        return new WayOut(words, "/plan/order?" + asked(otherwise));
    }

    /** The same question, as an address has it. */
    private static String asked(Map<String, String> typed) {
        return typed.entrySet().stream()
                .filter(entry ->
                        !entry.getKey().equals("token") && !entry.getKey().equals("_csrf"))
                .map(entry -> URLEncoder.encode(entry.getKey(), StandardCharsets.UTF_8) + "="
                        + URLEncoder.encode(entry.getValue(), StandardCharsets.UTF_8))
                .collect(Collectors.joining("&"));
    }

    /** The quote on paper, with the day it is promised for. */
    @GetMapping("/plan/order/quote.pdf")
    ResponseEntity<byte[]> quote(@RequestParam Map<String, String> typed) {
        FormReader reader = new FormReader(typed);
        Optional<Order> order = forms.read(reader);
        reader.faults().throwIfAny();
        Orders.Promise promise = orders.promise(order.orElseThrow());
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "inline; filename=quote.pdf")
                .body(pdf.of(
                        "plan/quote-print",
                        Map.of("promise", promise, "quote", quote(promise.order()), "show", floors.show())));
    }

    @PostMapping("/plan/order")
    ModelAndView take(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    List<Order> one = forms.read(reader).stream().toList();
                    reader.faults().throwIfAny();
                    return "/plan/changes/" + orders.take(one, Maker.of(request).name());
                },
                form -> page(model, form));
    }

    @GetMapping("/plan/import")
    String imports(Model model) {
        model.addAttribute("form", Form.fresh(Map.of()));
        return "plan/import";
    }

    /** Takes all orders of a file, or none, with every bad row named. */
    @PostMapping("/plan/import")
    ModelAndView take(
            @RequestParam Map<String, String> typed,
            @RequestParam(name = "file", required = false) MultipartFile file,
            Model model,
            HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FileText text = FileText.of(Upload.bytes(file));
                    List<Order> read = OrdersCsv.read(text.text(), row -> {
                        FormReader reader = new FormReader(row);
                        List<Order> order = forms.read(reader).stream().toList();
                        return new OrdersCsv.Row(order, reader.faults().found());
                    });
                    return "/plan/import/"
                            + orders.takeBeside(
                                    read,
                                    text.said().orElse(""),
                                    Maker.of(request).name());
                },
                form -> {
                    model.addAttribute("form", form);
                    return "plan/import";
                });
    }

    /** How far the plan with them is; once it is there, the way to it. */
    @GetMapping("/plan/import/{number}")
    String progress(@PathVariable long number, Model model, HttpServletRequest request, HttpServletResponse response) {
        Desk.Run<Long> run = orders.run(number)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND, "There is no such import."));
        Optional<String> found = run.result().map(proposal -> "/plan/changes/" + proposal);
        boolean fragment = request.getHeader("HX-Request") != null;
        if (found.isPresent() && !fragment) {
            return "redirect:" + found.get();
        }
        found.ifPresent(address -> response.setHeader("HX-Redirect", address));
        model.addAttribute("run", run);
        model.addAttribute("number", number);
        return "plan/importing";
    }

    private String page(Model model, Form form) {
        Map<String, String> typed = new LinkedHashMap<>(form.typed());
        model.addAttribute("form", new Form(typed, form.faults(), form.token()));
        model.addAttribute("techniques", techniques.all());
        model.addAttribute("blanks", floors.shelf().blanks());
        model.addAttribute("resins", floors.shelf().resins());
        return "plan/order";
    }
}
