package nursery.core.inspect;

/**
 * Something that can be seen: a fault, or what a question asks about it.
 *
 * @param question what is asked for it; empty for a fault, which is touched
 * @param leak how often it is there without any cause the model knows
 * @param yes what it says in a reason if it is there
 * @param no if it is not
 */
public record Sign(String key, String question, double leak, String yes, String no) {

    public boolean isAsked() {
        return !question.isEmpty();
    }
}
