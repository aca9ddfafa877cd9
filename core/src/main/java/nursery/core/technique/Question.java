package nursery.core.technique;

import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/** What makers disagree on (section 7 of the practice). Which resin goes where is chosen with the resins themselves. */
public enum Question {
    ADHESIVE("Glitter adhesive"),
    COATS("The coats"),
    SECOND_COAT("Second coat"),
    THIN_FILM("While a thin film sets"),
    GLITTER_SEAL("Seal the glitter first"),
    BARE_STEEL("Bare steel at rim and base"),
    MIX_REST("The mix"),
    CLEANING("Cleaning the blank"),
    VINYL_ON_INK("Vinyl on ink"),
    MEASURING("Measuring");

    private final String words;

    Question(String words) {
        this.words = words;
    }

    /** What stands for the chosen school's words in a step's detail, such as {@code {cleaning}}. */
    public String slot() {
        return "{" + name().toLowerCase(Locale.ROOT).replace('_', '-') + "}";
    }

    public String words() {
        return words;
    }

    public List<School> schools() {
        return Stream.of(School.values())
                .filter(school -> school.question() == this)
                .toList();
    }
}
