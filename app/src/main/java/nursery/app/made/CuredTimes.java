package nursery.app.made;

import java.time.Duration;
import java.util.List;
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
                            LOG.debug("Worked out when {} cups were cured", AT_ONCE);
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
        for (FiguresMapper.LeftRow row : left) {
            // One that never had a coat was never wet.
            mapper.setCured(
                    row.id(),
                    row.version(),
                    floors.cup(row.code())
                            .flatMap(cup -> cup.state().fullCureAt())
                            .orElse(row.leavesAt()));
        }
        return left.size();
    }

    @Override
    public void destroy() {
        beside.shutdownNow();
    }
}
