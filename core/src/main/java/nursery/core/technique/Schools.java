package nursery.core.technique;

import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** A maker's choice on every question. */
public final class Schools {

    private final Map<Question, School> chosen = new EnumMap<>(Question.class);

    /**
     * A question nobody answered gets its first school, the one that suits a beginner; of two answers the later counts.
     */
    public static Schools of(Collection<School> choices) {
        Schools schools = new Schools();
        Stream.of(Question.values())
                .forEach(question ->
                        schools.chosen.put(question, question.schools().get(0)));
        choices.forEach(choice -> schools.chosen.put(choice.question(), choice));
        return schools;
    }

    public static Schools of(School... choices) {
        return of(List.of(choices));
    }

    /** What {@link #written} wrote. */
    public static Schools read(String written) {
        return of(Stream.of(written.split(","))
                .filter(name -> !name.isEmpty())
                .map(School::valueOf)
                .toList());
    }

    private Schools() {}

    /** Their names, with commas between. */
    public String written() {
        return all().stream().map(School::name).collect(Collectors.joining(","));
    }

    public boolean has(School school) {
        return on(school.question()) == school;
    }

    public School on(Question question) {
        return chosen.getOrDefault(question, question.schools().get(0));
    }

    public List<School> all() {
        return List.copyOf(chosen.values());
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Schools schools && chosen.equals(schools.chosen);
    }

    @Override
    public int hashCode() {
        return chosen.hashCode();
    }
}
