package nursery.core.wrap;

import java.util.Optional;

/**
 * Something about a design that is better known before it is cut.
 *
 * @param kind what it is
 * @param item which item of the design, by its place
 * @param words with its figures, in mm
 * @param fix the item as it would be without that; empty where the maker must decide
 */
public record Concern(Kind kind, int item, String words, Optional<Item> fix) {

    /** What can be wrong. */
    public enum Kind {
        TALLER_THAN_THE_SIDE("Taller than the side", "Make it fit"),
        PAST_THE_RIM("Past the rim", "Move it down"),
        PAST_THE_BASE("Past the base", "Move it up"),
        NEAR_THE_TRIM("Close to where the coat is trimmed", "Move it away"),
        ON_THE_HANDLE("Runs into the handle", "Turn it away"),
        OVER_ITSELF("Runs over itself", "Make it close"),
        LAPS("Laps over itself", ""),
        GAPES("Does not close", "Make it close"),
        ACROSS_THE_SEAM("Crosses the seam", "Turn it away"),
        TOO_LONG_TO_READ("Too long to read from one side", "Make it shorter"),
        BUMPS("Lies over another uncoated one", ""),
        TOO_SMALL("Pieces too small to weed", ""),
        TOO_FINE("Too jagged for an outline", ""),
        TOO_THIN("Lines thinner than a blade leaves", ""),
        ISLANDS("Islands fall out of the stencil", "Hold them by bridges"),
        STRETCHES("Has to stretch", ""),
        CLIMBS("Its ends climb", "Bend it");

        private final String title;
        private final String way;

        Kind(String title, String way) {
            this.title = title;
            this.way = way;
        }

        public String title() {
            return title;
        }

        /** What the touch that puts it right is called. */
        public String way() {
            return way;
        }

        /** Whether it is told, and the design can be cut all the same. */
        public boolean isAdvice() {
            return switch (this) {
                case NEAR_THE_TRIM, LAPS, GAPES, TOO_LONG_TO_READ, STRETCHES, CLIMBS -> true;
                case TALLER_THAN_THE_SIDE,
                        PAST_THE_RIM,
                        PAST_THE_BASE,
                        ON_THE_HANDLE,
                        OVER_ITSELF,
                        ACROSS_THE_SEAM,
                        BUMPS,
                        TOO_SMALL,
                        TOO_FINE,
                        TOO_THIN,
                        ISLANDS -> false;
            };
        }
    }
}
