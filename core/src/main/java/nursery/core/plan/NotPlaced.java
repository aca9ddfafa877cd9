package nursery.core.plan;

/**
 * A cup that cannot be finished by this plan.
 *
 * @param steps how many of its steps found no place
 * @param first the first of them
 * @param why what stands in the way
 */
public record NotPlaced(String cup, int steps, String first, String why) {}
