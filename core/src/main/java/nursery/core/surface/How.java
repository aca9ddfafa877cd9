package nursery.core.surface;

/**
 * How something is done, each from a closed list; what is not said is what asks for more care.
 *
 * @param grit what it is sanded with, 0 where nothing is said
 * @param generous of a film, and of nothing else
 * @param bloom of a flood meant for ink
 * @param sprinkled of flakes on a wet coat: they sink into it and are no layer of their own
 * @param washed of sanding whose dust is washed off with the same hands
 */
public record How(
        Sealer sealer,
        Cleaner cleaner,
        Heat heat,
        Grain grain,
        boolean severalColours,
        Vinyl vinyl,
        int grit,
        boolean generous,
        boolean bloom,
        boolean sprinkled,
        boolean washed,
        Ratio ratio) {

    public static final How USUAL = new How(
            Sealer.AEROSOL,
            Cleaner.ACETONE,
            Heat.TORCH,
            Grain.FINE,
            false,
            Vinyl.PERMANENT,
            0,
            false,
            false,
            false,
            false,
            Ratio.RIGHT);

    /** The same, mixed wrong. */
    public How mixedWrong() {
        return new How(
                sealer,
                cleaner,
                heat,
                grain,
                severalColours,
                vinyl,
                grit,
                generous,
                bloom,
                sprinkled,
                washed,
                Ratio.WRONG);
    }

    public enum Sealer {
        BRUSHED,
        AEROSOL
    }

    public enum Cleaner {
        SOAP,
        ACETONE,
        ALCOHOL,
        PASTE;

        boolean isSolvent() {
            return this == ACETONE || this == ALCOHOL;
        }
    }

    public enum Heat {
        TORCH,
        GUN_HIGH,
        GUN_LOW,
        WARM_AIR;

        /** Whether a coat is hot after it. */
        boolean isHot() {
            return this == TORCH || this == GUN_HIGH;
        }
    }

    public enum Grain {
        FINE,
        COARSE
    }

    public enum Vinyl {
        PERMANENT,
        METALLIC,
        TEXTURED,
        PRINTED_SHEET,
        REMOVABLE;

        boolean mayLift() {
            return this == METALLIC || this == TEXTURED;
        }
    }

    /** What is known of a coat's mix. */
    public enum Ratio {
        RIGHT,
        /** Measured wrong, or soft and never measured. */
        WRONG
    }
}
