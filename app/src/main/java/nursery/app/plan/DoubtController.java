package nursery.app.plan;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.picture.ReadyDots;
import nursery.app.plan.DoubtMapper.SureRow;
import nursery.app.platform.Form;
import nursery.app.platform.FormPost;
import nursery.app.platform.FormReader;
import nursery.app.platform.Maker;
import nursery.app.platform.Seen;
import nursery.core.log.Cup;
import nursery.core.measure.Faults;
import nursery.core.plan.Chance;
import nursery.core.plan.Doubt;
import nursery.core.plan.WeekPlan;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.ModelAndView;

/**
 * How surely the plan holds: which cups may be late, which windows may be missed, and what the maker wants to be sure
 * of.
 */
@Controller
class DoubtController {

    /** How surely a promise can be wanted, of a hundred. */
    private static final List<Integer> CHOICES = List.of(50, 70, 80, 90, 95);
    /** Who comes a month late comes no more. */
    private static final int LATEST_MIN = 31 * 24 * 60;

    private final DoubtBook doubts;
    private final SlackBook slack;
    private final Floors floors;
    private final FormPost posts;

    DoubtController(DoubtBook doubts, SlackBook slack, Floors floors, FormPost posts) {
        this.doubts = doubts;
        this.slack = slack;
        this.floors = floors;
        this.posts = posts;
    }

    /**
     * A promised cup.
     *
     * @param inTime the chance that it is ready when promised
     * @param holds when it is ready as surely as the maker wants it; empty if that is too far off to say
     * @param dots the same drawn
     */
    record Promised(Cup cup, Chance inTime, Optional<Instant> holds, ReadyDots dots) {}

    /**
     * A window that may be missed, or be shut still.
     *
     * @param wrong what may go wrong, in words
     * @param then what may go wrong at a better time, in words
     */
    record Watched(Doubt.Risk risk, String wrong, Optional<String> then) {

        /** Less is not worth a word. */
        private static final double TOLD = 0.01;

        static Watched of(Doubt.Risk risk) {
            return new Watched(
                    risk,
                    wrong(risk.missed(), risk.waits()).orElse(""),
                    risk.better().map(other -> wrong(other.missed(), other.waits())
                            .orElse("hardly ever too late or not ready")));
        }

        private static Optional<String> wrong(double missed, double waits) {
            return Stream.of(
                            Optional.of("too late " + new Chance(missed).oneIn())
                                    .filter(words -> missed >= TOLD),
                            Optional.of("not ready yet " + new Chance(waits).oneIn())
                                    .filter(words -> waits >= TOLD))
                    .flatMap(Optional::stream)
                    .reduce((a, b) -> a + ", " + b);
        }
    }

    @GetMapping("/plan/doubt")
    String doubt(Model model) {
        return page(model, Form.fresh(Map.of()));
    }

    @PostMapping("/plan/doubt")
    ModelAndView save(@RequestParam Map<String, String> typed, Model model) {
        return posts.handle(
                typed,
                model,
                () -> {
                    FormReader reader = new FormReader(typed);
                    doubts.save(read(reader), reader.raw(Seen.FIELD));
                    return "/plan/doubt";
                },
                form -> page(model, form));
    }

    /** Plans anew with slack where it is needed, to be kept or dropped like any other plan. */
    @PostMapping("/plan/doubt/slack")
    ModelAndView slack(@RequestParam Map<String, String> typed, Model model, HttpServletRequest request) {
        return posts.handle(
                typed,
                model,
                () -> {
                    Faults faults = new Faults();
                    Optional<Long> proposal = slack.propose(Maker.of(request).name());
                    faults.require(
                            proposal.isPresent(),
                            "slack",
                            "I found no plan in which more promises hold and none is later. More hours at the bench or "
                                    + "a later day would help.");
                    faults.throwIfAny();
                    return "/plan/changes/" + proposal.orElseThrow();
                },
                form -> page(model, form));
    }

    private static SureRow read(FormReader reader) {
        String late = "How late you may come";
        double minutes = reader.number("late", late);
        if (!Double.isNaN(minutes)) {
            reader.faults().within("late", late, minutes, 0, LATEST_MIN, "min");
        }
        double sure = reader.number("sure", "How surely you want to promise");
        reader.faults()
                .require(
                        Double.isNaN(sure) || CHOICES.stream().anyMatch(choice -> choice == sure),
                        "sure",
                        "Choose one of the chances in the list.");
        reader.faults().throwIfAny();
        return new SureRow((int) sure, (int) Math.round(minutes));
    }

    private String page(Model model, Form form) {
        WeekPlan plan = floors.standing(floors.now()).plan();
        SureRow sure = doubts.sure();
        Doubt doubt = doubts.doubt(sure);
        ZoneId zone = floors.ways().zone();
        List<Promised> promised = plan.workshop().cups().stream()
                .flatMap(cup -> promised(doubt, cup, sure, zone).stream())
                .sorted(Comparator.comparingDouble(
                                (Promised one) -> one.inTime().share())
                        .thenComparing(one -> one.cup().code()))
                .toList();
        model.addAttribute("form", filled(form, sure));
        model.addAttribute("choices", CHOICES);
        model.addAttribute("sure", sure);
        // What is late by the plan itself is in no doubt, and stands where the plan is read.
        List<Cup> late = plan.late();
        Predicate<Promised> isLate = one -> late.contains(one.cup());
        Predicate<Promised> isSound = isLate.negate().and(one -> doubt.holds(one.cup(), sure.sure()));
        model.addAttribute("sound", promised.stream().filter(isSound).toList());
        model.addAttribute("late", promised.stream().filter(isLate).toList());
        model.addAttribute(
                "doubtful",
                promised.stream().filter(isSound.or(isLate).negate()).toList());
        model.addAttribute("lateByPlan", late.size());
        model.addAttribute(
                "all",
                plan.workshop().cups().stream()
                        .filter(cup -> cup.promise().dueAt().isPresent())
                        .count());
        model.addAttribute("watched", doubt.risks().stream().map(Watched::of).toList());
        model.addAttribute("cannotHold", doubts.cannotHold().orElse(null));
        model.addAttribute("worlds", doubt.worlds());
        return "plan/doubt";
    }

    /** What is said of one cup beside its own plan. */
    @GetMapping("/plan/cup/{code}/doubt")
    String cup(@PathVariable String code, Model model) {
        Cup cup = PlanController.planned(floors.standing(floors.now()).plan(), code);
        SureRow sure = doubts.sure();
        Doubt doubt = doubts.doubt(sure);
        model.addAttribute("inTime", doubt.inTime(cup).map(Chance::new).orElse(null));
        model.addAttribute("holds", doubt.readyWith(code, sure.sure()).orElse(null));
        model.addAttribute("sure", sure);
        return "plan/cup-doubt";
    }

    private static Optional<Promised> promised(Doubt doubt, Cup cup, SureRow sure, ZoneId zone) {
        return doubt.inTime(cup)
                .map(share -> new Promised(
                        cup,
                        new Chance(share),
                        doubt.readyWith(cup.code(), sure.sure()),
                        ReadyDots.of(
                                doubt.ready(cup.code()), cup.promise().dueAt().orElseThrow(), zone)));
    }

    /** The form as it stands, or as it was typed. */
    private static Form filled(Form form, SureRow sure) {
        Map<String, String> typed = new HashMap<>(sure.typed());
        typed.put(Seen.FIELD, Seen.of(sure.typed()));
        typed.putAll(form.typed());
        if (form.isWrong(Seen.FIELD)) {
            typed.put(Seen.FIELD, Seen.of(sure.typed()));
        }
        return new Form(typed, form.faults(), form.token());
    }
}
