package nursery.core.log;

/** What an inspection can see on a coat, in the words it is logged with. */
public enum Blemish {
    SOFT("soft or sticky"),
    STREAKS("streaks"),
    FISH_EYES("fish-eyes"),
    BUBBLES("micro-bubbles"),
    HAZE("haze"),
    GREASY("greasy film"),
    RIPPLES("ripples"),
    SAG("sag or bulge"),
    TEXTURE("texture felt"),
    PATCHY("patchy glitter or lines"),
    SILVER("silver showing"),
    EDGE("lifting edge"),
    PEELING("peeling"),
    FADED("faded or bled ink"),
    YELLOW("yellowing"),
    PULLED_BACK("pulled back from the rim"),
    SCRATCHES("scratches"),
    CHIP("chip"),
    DUST("dust or hair"),
    DENT("dent of a finger");

    private final String words;

    Blemish(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
