package nursery.core.technique;

/** What a step cannot do without, beside hands and the room. */
public enum Need {
    SPINDLE("a spindle"),
    BOOTH("a vented booth, or outdoors"),
    NO_DAYLIGHT("a place out of daylight, and one lamp from the side"),
    SECOND_HANDS("a second pair of hands");

    private final String words;

    Need(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
