package nursery.core.plan;

import java.time.Instant;

/** Where a plan that was kept has a step: all that need be remembered of it. */
public record Placement(String cup, int step, Instant begins) {}
