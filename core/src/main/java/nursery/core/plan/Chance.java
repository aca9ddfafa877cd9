package nursery.core.plan;

/** A chance as a maker says it: "93 of 100" of what should happen, "1 in 5" of what should not. */
public record Chance(double share) {

    private static final double NEARLY = 0.005;
    private static final int HUNDRED = 100;
    private static final double ROUNDING = 1e-9;
    private static final int MOST = 100;

    /** How often it goes well: of a hundred times, rounded down, for what lacks a little of a chance lacks it. */
    public String ofHundred() {
        if (share > 1 - NEARLY) {
            return "over 99 of 100";
        }
        return share * HUNDRED < 1
                ? "hardly ever"
                : "%d of 100".formatted((int) Math.floor(share * HUNDRED + ROUNDING));
    }

    /** How often it goes wrong: once in so many times. */
    public String oneIn() {
        if (share < 1.0 / MOST) {
            return "hardly ever";
        }
        if (share > 1 - NEARLY) {
            return "as good as always";
        }
        if (share > 2.0 / 3) {
            return "%d of 10".formatted(Math.min(9, Math.round(share * 10)));
        }
        return share > 5.0 / 12 ? (share > 7.0 / 12 ? "2 in 3" : "1 in 2") : "1 in %d".formatted(Math.round(1 / share));
    }
}
