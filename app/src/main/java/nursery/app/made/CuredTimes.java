package nursery.app.made;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import net.javacrumbs.shedlock.core.DefaultLockingTaskExecutor;
import net.javacrumbs.shedlock.core.LockConfiguration;
import net.javacrumbs.shedlock.core.LockProvider;
import nursery.app.floor.Floors;
import nursery.app.platform.Moments;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.stereotype.Component;

/**
 * Works out, beside everything else, when cups that have left the floor were fully cured: each once, since its room is
 * known by then. Of thousands no page could do it while somebody waits.
 */
@Component
class CuredTimes implements DisposableBean {

    private static final Logger LOG = LoggerFactory.getLogger(CuredTimes.class);
    private static final int AT_ONCE = 200;
    private static final Duration SAME_DAYS = Duration.ofDays(30);
    private static final Duration REST = Duration.ofSeconds(2);
    private static final long FIRST_AFTER_S = 60;
    private static final long LOOKS_EVERY_S = 600;
    private static final Duration LONGEST = Duration.ofMinutes(10);

    private final FiguresMapper mapper;
    private final Floors floors;
    private final Moments moments;
    private final DefaultLockingTaskExecutor once;
    private final ScheduledExecutorService beside = Executors.newSingleThreadScheduledExecutor(work -> {
        Thread thread = new Thread(work, "cured-times");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        return thread;
    });

    CuredTimes(FiguresMapper mapper, Floors floors, LockProvider locks, Moments moments) {
        this.mapper = mapper;
        this.floors = floors;
        this.moments = moments;
        this.once = new DefaultLockingTaskExecutor(locks);
        beside.scheduleWithFixedDelay(this::look, FIRST_AFTER_S, LOOKS_EVERY_S, TimeUnit.SECONDS);
    }

    private void look() {
        try {
            once.executeWithLock(
                    (Runnable) () -> {
                        while (some() == AT_ONCE && !beside.isShutdown()) {
                            rest();
                        }
                    },
                    new LockConfiguration(moments.real(), "cured-times", LONGEST, Duration.ZERO));
        } catch (RuntimeException e) {
            LOG.warn("Working out when cups were cured failed; tried again later", e);
        }
    }

    /** @return how many were worked out */
    int some() {
        List<FiguresMapper.LeftRow> left = mapper.uncured(moments.now(), AT_ONCE);
        for (int from = 0, until; from < left.size(); from = until) {
            until = from + 1;
            while (until < left.size() && near(left.get(from), left.get(until))) {
                until++;
            }
            settle(left.subList(from, until));
        }
        return left.size();
    }

    private void settle(List<FiguresMapper.LeftRow> left) {
        Map<Long, Instant> cured =
                floors.curedAt(left.stream().map(FiguresMapper.LeftRow::id).toList());
        // One that never had a coat was never wet.
        mapper.setCured(left.stream()
                .map(row -> new FiguresMapper.CuredRow(
                        row.id(), row.version(), cured.getOrDefault(row.id(), row.leavesAt())))
                .toList());
    }

    /** Cups of about the same days share the room that is read for them. */
    private static boolean near(FiguresMapper.LeftRow one, FiguresMapper.LeftRow other) {
        return Duration.between(one.leavesAt(), other.leavesAt()).abs().compareTo(SAME_DAYS) < 0;
    }

    /** Whoever works with the shop comes first. */
    private static void rest() {
        try {
            Thread.sleep(REST.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    @Override
    public void destroy() {
        beside.shutdownNow();
    }
}
