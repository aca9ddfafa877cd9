package nursery.core.log;

import java.time.Instant;
import java.util.List;
import java.util.Optional;

/**
 * What every log entry carries.
 *
 * @param id unique within the shop; a later entry has a larger one
 * @param happenedAt when it was done at the bench
 * @param recordedAt when it was written down
 * @param recordedBy who wrote it down
 * @param note anything worth remembering, possibly empty
 * @param answers why it was done all the same, for each question that was asked about it
 */
public record Mark(
        long id, Instant happenedAt, Instant recordedAt, String recordedBy, String note, List<Answer> answers) {

    /** The answer to whatever was asked, from before each question had its own. */
    public static final String ALL_THAT_WAS_ASKED = "ALL";

    /** The answer to a step that came too soon or too late, from before each layer had its own question. */
    private static final String OUT_OF_ITS_TIME = "OUT_OF_ITS_TIME";

    /**
     * Why something was done against the label or practice.
     *
     * @param question what it answers: the key of a concern
     * @param reason in the maker's words
     */
    public record Answer(String question, String reason) {}

    /** Sorts behind every entry there is, until the book gives it its number. */
    private static final long NOT_YET = Long.MAX_VALUE;

    public Mark {
        answers = List.copyOf(answers);
    }

    public Mark(long id, Instant happenedAt, Instant recordedAt, String recordedBy, String note) {
        this(id, happenedAt, recordedAt, recordedBy, note, List.of());
    }

    /** Why it was done all the same, if that was asked and answered. */
    public Optional<String> answerTo(CupState.Concern concern) {
        return answers.stream()
                .filter(answer -> answer.question().equals(concern.key())
                        || answer.question().equals(ALL_THAT_WAS_ASKED) && !concern.isAdvice()
                        || answer.question().equals(OUT_OF_ITS_TIME)
                                && concern.bound().isPresent())
                .map(Answer::reason)
                .findFirst();
    }

    public Mark answering(List<Answer> given) {
        return new Mark(id, happenedAt, recordedAt, recordedBy, note, given);
    }

    /** Whether somebody wrote it; what follows from other cups' logs was never written. */
    public boolean isInTheBook() {
        return id != NOT_YET;
    }

    /** Of an entry that is not in the book yet. */
    public static Mark unnumbered(Instant happenedAt, Instant recordedAt, String recordedBy, String note) {
        return new Mark(NOT_YET, happenedAt, recordedAt, recordedBy, note);
    }
}
