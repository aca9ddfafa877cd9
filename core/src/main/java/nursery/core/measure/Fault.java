package nursery.core.measure;

/**
 * One thing wrong with an input.
 *
 * @param field the name of the field as the sender knows it, for example {@code outline[2].heightMm}
 * @param message what was given, what is allowed and the likely fix, in one sentence
 */
public record Fault(String field, String message) {}
