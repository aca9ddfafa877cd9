package nursery.core.technique;

/** What a step cannot do without, beside hands and the room. */
public enum Need {
    SPINDLE("a spindle"),
    BOOTH("a vented booth, or outdoors"),
    SECOND_HANDS("a second pair of hands");

    private final String words;

    Need(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
