package nursery.core.log;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What an inspection can see on a coat, in the words it is logged with. */
public enum Blemish {
    SOFT("soft or sticky"),
    STREAKS("streaks"),
    FISH_EYES("fish-eyes"),
    MICRO_BUBBLES("micro-bubbles"),
    HAZE("haze"),
    GREASY("greasy film"),
    RIPPLES("ripples"),
    SAG("sag or bulge"),
    TEXTURE("texture felt"),
    PATCHY("patchy glitter or lines"),
    SILVER("silver showing"),
    LIFTING("lifting edge"),
    PEELING_COAT("peeling coat"),
    FADED("faded or bled ink"),
    YELLOW("yellowing"),
    PULLED_BACK("pulled back from the rim"),
    SCRATCHES("scratches"),
    CHIP("chip"),
    DUST("dust or hair"),
    DENT("dent of a finger"),
    RUN_DOWN("glitter that ran down"),
    NIBS("bumps or nibs");

    private final String words;

    Blemish(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether glitter shows it before any coat lies on it; all else is a coat's. */
    public boolean isOfGlitter() {
        return this == PATCHY || this == RUN_DOWN;
    }

    /** Its name in a file and in the API, such as {@code fish-eyes}. */
    public String written() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<Blemish> named(String written) {
        return Arrays.stream(values())
                .filter(blemish -> blemish.written().equals(written))
                .findFirst();
    }
}
