package nursery.core.resin;

import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Two resins to start from until the maker types what their own label says. Times are common practice (P13–P17) at
 * about 22 °C; a figure marked "from memory" in {@link #source()} has no practice behind it.
 */
public enum StartingProfile {
    REGULAR(
            "Regular tumbler epoxy",
            "1:1",
            new LabelTimes(40 / 60.0, 4, 4, 12, 8, 12, 24, 24, 72),
            "Common practice. Working time, full cure, densities and viscosity from memory."),
    FAST(
            "Fast tumbler epoxy",
            "1:1",
            new LabelTimes(15 / 60.0, 2, 2, 6, 2, 3, 24, 24, 24),
            "Common practice; how long it grips well scaled from a regular resin. Working time, densities and "
                    + "viscosity from memory.");

    private static final double ROOM_C = 22;

    private final String title;
    private final String ratio;
    private final LabelTimes times;
    private final String source;

    StartingProfile(String title, String ratio, LabelTimes times, String source) {
        this.title = title;
        this.ratio = ratio;
        this.times = times;
        this.source = source;
    }

    public String title() {
        return title;
    }

    public String source() {
        return source;
    }

    public Label label() {
        return new Label(
                MixRatio.parse(ratio),
                times,
                ROOM_C,
                Label.DEFAULT_ACTIVATION_KJ_PER_MOL,
                Optional.of(new Densities(1.15, 0.96)),
                OptionalDouble.of(this == FAST ? 1.5 : 1.0));
    }
}
