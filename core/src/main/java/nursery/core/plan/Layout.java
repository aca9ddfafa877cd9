package nursery.core.plan;

/**
 * A plan as the search knows it, by act.
 *
 * @param at the slot it is begun at; a coat's is when it is poured, after any scuffing; {@value #NOWHERE} if it found
 *     no place
 * @param scuffed whether the coat below is scuffed right before
 * @param missed whether it comes after its window closed, or off its pin
 * @param ready by cup: when it may be handed over
 */
record Layout(int[] at, boolean[] scuffed, boolean[] missed, int[] ready, Score score, long gathered) {

    static final int NOWHERE = -1;
}
