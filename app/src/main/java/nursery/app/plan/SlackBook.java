package nursery.app.plan;

import java.time.Duration;
import java.util.List;
import java.util.Optional;
import nursery.app.plan.DoubtMapper.SureRow;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans that hold more surely: each promise aimed at as much earlier as it may come later. */
@Service
class SlackBook {

    private static final Duration EACH_FOR = Duration.ofMillis(400);
    private static final long MOST_STEPS = 4000;

    private final PlanBook plans;
    private final DoubtBook doubts;

    SlackBook(PlanBook plans, DoubtBook doubts) {
        this.plans = plans;
        this.doubts = doubts;
    }

    /** @return the proposal; empty if no plan was found in which more promises hold and nothing is later by the plan */
    @Transactional
    Optional<Long> propose(String by) {
        SureRow sure = doubts.sure();
        return doubts.withSlack(sure, () -> PlanBook.within(EACH_FOR, MOST_STEPS))
                .map(slack -> plans.record(
                        "With more slack: %d promises hold with %d of 100, %d did"
                                .formatted(slack.holding(), sure.surePercent(), slack.held()),
                        List.of(),
                        slack.plan(),
                        plans.keptId(),
                        by));
    }
}
