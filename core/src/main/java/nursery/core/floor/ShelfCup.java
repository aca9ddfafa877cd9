package nursery.core.floor;

import nursery.core.resin.MeasuringCup;

/**
 * A measuring cup with the name the maker knows it by.
 *
 * @param atHand whether it is the one in use
 */
public record ShelfCup(long id, String name, MeasuringCup cup, boolean atHand) {}
