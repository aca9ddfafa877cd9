package nursery.core.log;

/** A place on a turner. */
public record Spindle(long id, String name) {}
