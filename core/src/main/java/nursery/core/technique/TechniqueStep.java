package nursery.core.technique;

import java.util.List;
import java.util.Optional;
import nursery.core.film.CoatRole;

/**
 * A step of a technique. In its detail a school's question in braces, such as {@code {cleaning}}, stands for the words
 * of the school chosen on it.
 *
 * @param title what it is called here, empty for the kind's own title
 * @param only the schools it belongs to; empty if it is always done, else one of them must be chosen
 */
public record TechniqueStep(
        StepKind kind,
        String title,
        Wait waiting,
        String detail,
        Optional<CoatRole> role,
        Material material,
        Optional<DecalSize> size,
        String grit,
        List<School> only) {

    public TechniqueStep {
        only = List.copyOf(only);
    }

    boolean isIn(Schools schools) {
        return only.isEmpty() || only.stream().anyMatch(schools::has);
    }

    PlanStep in(Schools schools, int number) {
        String words = detail;
        for (Question question : Question.values()) {
            words = words.replace(question.slot(), schools.on(question).words());
        }
        return new PlanStep(number, kind, title, waiting, words, role, material, size, grit);
    }
}
