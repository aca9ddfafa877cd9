package nursery.app.plan;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import java.util.stream.Stream;
import nursery.app.floor.Floors;
import nursery.app.plan.DoubtMapper.SureRow;
import nursery.app.platform.Seen;
import nursery.core.cure.Calibration;
import nursery.core.cure.Forecast;
import nursery.core.cure.PossibleRooms;
import nursery.core.cure.Spread;
import nursery.core.floor.Air;
import nursery.core.floor.Floor;
import nursery.core.plan.Budget;
import nursery.core.plan.Doubt;
import nursery.core.plan.Slack;
import nursery.core.plan.WeekPlan;
import nursery.core.resin.Label;
import nursery.core.resin.Resin;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** How surely the plan holds; worked out once for as long as shop, plan and room stay as they are. */
@Service
class DoubtBook {

    /** Nine in ten; and who says seven comes by twenty past. */
    static final SureRow STARTING = new SureRow(90, 20);
    /** How far hands may be from the minutes they take here: the standard deviation of the logarithm; from memory. */
    private static final double HANDS_SPREAD = 0.25;

    private final DoubtMapper mapper;
    private final PlanMapper plans;
    private final Floors floors;
    private volatile Optional<Known> known = Optional.empty();

    DoubtBook(DoubtMapper mapper, PlanMapper plans, Floors floors) {
        this.mapper = mapper;
        this.plans = plans;
        this.floors = floors;
    }

    private record Known(WeekPlan plan, Spread spread, int lateMin, Doubt doubt) {}

    SureRow sure() {
        return mapper.sure().orElse(STARTING);
    }

    @Transactional
    void save(SureRow sure, String seen) {
        plans.hold();
        Seen.check(seen, sure().typed());
        mapper.save(sure);
    }

    /** Of the plan as it stands. */
    Doubt doubt(SureRow sure) {
        Floor floor = floors.now();
        WeekPlan plan = floors.standing(floor).plan();
        Spread spread = floor.air().spread();
        Optional<Known> before =
                known.filter(one -> one.plan() == plan && one.spread() == spread && one.lateMin() == sure.lateMin());
        if (before.isPresent()) {
            return before.get().doubt();
        }
        Doubt doubt = of(plan, sure);
        known = Optional.of(new Known(plan, spread, sure.lateMin(), doubt));
        return doubt;
    }

    /** Of a plan that is only thought of. */
    Doubt of(WeekPlan plan, SureRow sure) {
        return Doubt.of(plan, ranges(floors.now(), plan, sure.lateMin()));
    }

    /** The plan as it stands with slack where it is needed, if there is one in which more promises hold. */
    Optional<Slack> withSlack(SureRow sure, Supplier<Budget> each) {
        Floor floor = floors.now();
        WeekPlan plan = floors.standing(floor).plan();
        return Slack.find(plan, doubt(sure), ranges(floor, plan, sure.lateMin()), sure.sure(), each);
    }

    /** What no chance can hold: a room that is hardly known, or was never like this. */
    Optional<String> cannotHold() {
        Floor floor = floors.now();
        Air air = floor.air();
        return Stream.of(
                        air.lastReadAt()
                                .flatMap(last -> Forecast.strange(
                                        air.course(),
                                        air.course().firstReadingAt(),
                                        floors.show().now())),
                        air.doubt())
                .flatMap(Optional::stream)
                .findFirst();
    }

    private static Doubt.Ranges ranges(Floor floor, WeekPlan plan, int lateMin) {
        Air air = floor.air();
        Instant from = plan.workshop().now();
        Map<Label, Integer> touches = new HashMap<>();
        for (Resin resin : floor.shelf().resins()) {
            touches.put(
                    resin.label(),
                    resin.copy().found().map(Resin.Found::observations).orElse(0));
        }
        return new Doubt.Ranges(
                PossibleRooms.of(
                        air.course(), air.spread(), air.lastReadAt().orElse(from), from, Doubt.WORLDS, Doubt.SEED),
                label -> Calibration.coatSpread(touches.getOrDefault(label, 0)),
                HANDS_SPREAD,
                lateMin);
    }
}
