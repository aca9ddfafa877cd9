package nursery.core.technique;

import java.util.List;
import java.util.stream.Stream;

/** What makers disagree on (section 7 of the practice), as far as a one-colour glitter cup meets it. */
public enum Question {
    ADHESIVE("Glitter adhesive"),
    SECOND_COAT("Second coat"),
    THIN_FILM("While a thin film sets"),
    GLITTER_SEAL("Seal the glitter first"),
    BARE_STEEL("Bare steel at rim and base"),
    MIX_REST("The mix"),
    CLEANING("Cleaning the blank"),
    MEASURING("Measuring");

    private final String words;

    Question(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    public List<School> schools() {
        return Stream.of(School.values()).filter(school -> school.question() == this).toList();
    }
}
