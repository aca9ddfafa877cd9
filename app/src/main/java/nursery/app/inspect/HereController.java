package nursery.app.inspect;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.floor.Floors;
import nursery.app.inspect.CaseMapper.CoatRow;
import nursery.app.platform.Form;
import nursery.core.inspect.Cause;
import nursery.core.inspect.Confirmed;
import nursery.core.inspect.OwnRemedy;
import nursery.core.inspect.Rate;
import nursery.core.inspect.Remedy;
import nursery.core.inspect.StartingModel;
import nursery.core.log.Blemish;
import nursery.core.log.Sighting;
import nursery.core.measure.Numbers;
import nursery.core.technique.Question;
import nursery.core.technique.StepKind;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** What goes wrong here: how often, on what, and how sure that is. */
@Controller
class HereController {

    /** About what a busy shop makes in half a year; the newest count. */
    private static final int MOST_CUPS = 2000;

    private static final String ROOM = "ROOM";
    private static final long LOOKS_BACK_H = 3;
    private static final double COLD_C = 18;
    private static final double WARM_C = 25;

    private final CaseMapper mapper;
    private final CaseBook cases;
    private final Floors floors;

    HereController(CaseMapper mapper, CaseBook cases, Floors floors) {
        this.mapper = mapper;
        this.cases = cases;
        this.floors = floors;
    }

    /** What cups are told apart by. */
    record By(String name, String word, Function<CoatRow, String> of) {

        static List<By> all() {
            List<By> all = new ArrayList<>(List.of(
                    new By("TECHNIQUE", "technique", CoatRow::technique),
                    new By("RESIN", "resin of the newest coat", CoatRow::resin),
                    new By("TURNER", "turner of the newest coat", row -> Optional.ofNullable(row.turner())
                            .orElse("hung or by hand")),
                    new By(ROOM, "the room at the newest coat", row -> ""),
                    new By("STEP", "newest coat", CoatRow::step),
                    new By("LOT", "hardener’s lot", row -> Optional.ofNullable(row.lot())
                            .orElse("not in the book"))));
            for (Question question : Question.values()) {
                all.add(new By(question.name(), question.words(), row -> row.ways()
                        .on(question)
                        .words()));
            }
            return all;
        }
    }

    /** How the room was when a coat was poured: in that hour, or the last before it that was read. */
    private Function<CoatRow, String> room(List<CoatRow> cups) {
        Instant since =
                cups.stream().map(CoatRow::pouredAt).min(Instant::compareTo).orElse(Instant.EPOCH);
        TreeMap<Long, Double> hours = new TreeMap<>();
        mapper.hours(floors.roomPlan().curePlace(), since.minus(Duration.ofHours(LOOKS_BACK_H)))
                .forEach(row -> hours.put(row.hour(), row.roomC()));
        return row -> {
            long hour = row.pouredAt().getEpochSecond() / Duration.ofHours(1).toSeconds();
            Map.Entry<Long, Double> last = hours.floorEntry(hour);
            return warmth(last == null || last.getKey() < hour - LOOKS_BACK_H ? null : last.getValue());
        };
    }

    /** P28: below 18 °C resin spreads badly; the label's own warmth is about 21 to 24 °C (from memory). */
    private static String warmth(@Nullable Double roomC) {
        if (roomC == null) {
            return "not read then";
        }
        return roomC < COLD_C ? "cold" : roomC <= WARM_C ? "as the label has it" : "warm";
    }

    /** A group of cups and how often something was seen on one; the interval in per cent of all. */
    record Group(String name, Rate rate) {

        public double from() {
            return 100 * rate.low();
        }

        public double wide() {
            return 100 * (rate.high() - rate.low());
        }

        public double at() {
            return 100 * rate.mean();
        }

        public String told() {
            return "%d of %d".formatted(rate.hits(), rate.of());
        }

        public String sure() {
            return "%s to %s %%".formatted(Numbers.show(from(), 0), Numbers.show(100 * rate.high(), 0));
        }
    }

    @GetMapping("/faults")
    String here(@RequestParam Map<String, String> asked, Model model) {
        return page(Form.fresh(asked), model);
    }

    /** The page, for whoever fills in one of its forms. */
    String page(Form form, Model model) {
        String fault = form.value("fault");
        String by = form.value("by");
        String one = form.value("one");
        String other = form.value("other");
        Optional<Blemish> only = Blemish.named(fault);
        List<By> ways = By.all();
        By way = ways.stream()
                .filter(known -> known.name().equals(by))
                .findFirst()
                .orElse(ways.get(0));
        List<CoatRow> cups = mapper.coated(MOST_CUPS);
        List<Group> groups = groups(cups, way.name().equals(ROOM) ? room(cups) : way.of, only);
        model.addAttribute("cups", cups.size());
        model.addAttribute("faults", Blemish.values());
        model.addAttribute("fault", only.orElse(null));
        model.addAttribute("bys", ways);
        model.addAttribute("by", way);
        model.addAttribute("groups", groups);
        model.addAttribute("one", one);
        model.addAttribute("other", other);
        model.addAttribute("compared", compared(groups, one, other));
        model.addAttribute("often", often(cups));
        model.addAttribute("settled", settled());
        model.addAttribute("form", form);
        model.addAttribute("remedies", Remedy.values());
        model.addAttribute("kinds", StepKind.values());
        model.addAttribute("ownSteps", OwnRemedy.MOST_STEPS);
        model.addAttribute("causes", cases.written().causes().size());
        model.addAttribute("own", !cases.written().equals(StartingModel.MODEL));
        return "inspect/here";
    }

    private static List<Group> groups(List<CoatRow> cups, Function<CoatRow, String> of, Optional<Blemish> only) {
        Map<String, List<CoatRow>> together =
                cups.stream().collect(Collectors.groupingBy(of, TreeMap::new, Collectors.toList()));
        return together.entrySet().stream()
                .map(entry -> new Group(
                        entry.getKey(),
                        new Rate(
                                (int) entry.getValue().stream()
                                        .filter(row -> shows(row, only))
                                        .count(),
                                entry.getValue().size())))
                .sorted(Comparator.comparing((Group group) -> -group.rate().mean()))
                .toList();
    }

    private static Set<Blemish> faultsOf(CoatRow row) {
        return Sighting.read(Optional.ofNullable(row.seen()).orElse("")).stream()
                .map(Sighting::fault)
                .collect(Collectors.toCollection(HashSet::new));
    }

    private static boolean shows(CoatRow row, Optional<Blemish> only) {
        Set<Blemish> seen = faultsOf(row);
        return only.map(seen::contains).orElse(!seen.isEmpty());
    }

    /** Two ways compared in a sentence; nothing is claimed that the interval does not carry. */
    private static Optional<String> compared(List<Group> groups, String one, String other) {
        Optional<Group> first =
                groups.stream().filter(group -> group.name().equals(one)).findFirst();
        Optional<Group> second =
                groups.stream().filter(group -> group.name().equals(other)).findFirst();
        if (first.isEmpty() || second.isEmpty() || one.equals(other)) {
            return Optional.empty();
        }
        Rate.Difference difference = first.get().rate().comparedTo(second.get().rate());
        String between = "95 %%: %s to %s points"
                .formatted(Numbers.show(100 * difference.low(), 0), Numbers.show(100 * difference.high(), 0));
        String verdict = difference.isSure()
                ? difference.low() > 0 ? "surely less often" : "surely more often"
                : "surely different? Not yet";
        return Optional.of("%s: %s cups instead of %s with %s, %s (%s)."
                .formatted(one, first.get().told(), second.get().told(), other, verdict, between));
    }

    /** A fault and on how many cups it was seen. */
    record Often(Blemish fault, Group group) {}

    private static List<Often> often(List<CoatRow> cups) {
        List<Often> often = new ArrayList<>();
        for (Blemish fault : Blemish.values()) {
            int hits = (int)
                    cups.stream().filter(row -> faultsOf(row).contains(fault)).count();
            if (hits > 0) {
                often.add(new Often(fault, new Group(fault.words(), new Rate(hits, cups.size()))));
            }
        }
        often.sort(Comparator.comparing(one -> -one.group().rate().hits()));
        return often;
    }

    /** What was behind it, as it was settled. */
    private Map<String, Long> settled() {
        nursery.core.inspect.Model known = cases.written();
        return cases.cases().stream()
                .map(Confirmed::cause)
                .collect(Collectors.groupingBy(
                        key -> known.cause(key).map(Cause::words).orElse(key), TreeMap::new, Collectors.counting()));
    }
}
