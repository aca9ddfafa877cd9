package nursery.app.platform;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import nursery.core.measure.Fault;

/** A form as a page shows it: what was typed, kept to the letter, and what is wrong with it. */
public record Form(Map<String, String> typed, List<Fault> faults, String token) {

    public static Form fresh(Map<String, String> defaults) {
        return new Form(new LinkedHashMap<>(defaults), List.of(), Submissions.newToken());
    }

    /** The same form back, with its faults; it keeps its token, since nothing was done yet. */
    public static Form rejected(Map<String, String> typed, List<Fault> faults) {
        return new Form(new LinkedHashMap<>(typed), faults, typed.getOrDefault("token", Submissions.newToken()));
    }

    public String value(String field) {
        return typed.getOrDefault(field, "");
    }

    public boolean is(String field, String value) {
        return value.equals(typed.get(field));
    }

    /** Inputs whose fault is a question start so. */
    /** Every fault that is a question, and the inputs that answer it, are named by this. */
    public static final String QUESTION = "concern-";

    /** Something that is asked before the form is taken: its name and its words. */
    public record Asked(String id, String words) {}

    public List<Asked> asked() {
        return faults.stream()
                .filter(fault -> fault.field().startsWith(QUESTION))
                .map(fault -> new Asked(fault.field().substring(QUESTION.length()), fault.message()))
                .toList();
    }

    public boolean isWrong(String field) {
        return faults.stream().anyMatch(fault -> fault.field().equals(field));
    }

    public String fault(String field) {
        return faults.stream()
                .filter(fault -> fault.field().equals(field))
                .map(Fault::message)
                .findFirst()
                .orElse("");
    }
}
