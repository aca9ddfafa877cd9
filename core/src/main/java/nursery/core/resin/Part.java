package nursery.core.resin;

/** The two bottles of a resin. */
public enum Part {
    A,
    B
}
