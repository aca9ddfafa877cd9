package nursery.core.plan;

import java.time.Instant;

/** A step the maker wants at a certain moment. */
public record Pin(String cup, int step, Instant at) {}
