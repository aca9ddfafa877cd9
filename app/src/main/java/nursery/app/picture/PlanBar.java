package nursery.app.picture;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import nursery.app.picture.TimeBar.Frame;
import nursery.app.picture.TimeBar.Piece;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.CoatTimes.PhaseBegin;
import nursery.core.cure.Phase;
import nursery.core.measure.Span;

/**
 * A cup's or a spindle's row of the plan, drawn across: its coats by phase, the work on it, the sessions behind, the
 * quiet hours and the day it is due. Positions are percentages of its width.
 *
 * @param coats coats in their phases, or what turns
 * @param work hands-on work
 * @param due where the day it is due begins, if that lies in it
 */
public record PlanBar(
        long fromMs,
        long untilMs,
        List<Piece> coats,
        List<Piece> work,
        List<Piece> sessions,
        List<Piece> quiet,
        Optional<Double> due) {

    /** How wide the word is that stands before the line, in percent of a row on a tablet. */
    private static final double DUE_WORD = 4.5;

    /** A coat and until when it is the newest, or until it is sanded. */
    public record Coat(CoatTimes times, Instant untilExclusive) {}

    /** A stretch of work, or of something turning. */
    public record Stretch(Span span, String style, String word, String title) {}

    public static PlanBar of(
            Frame frame, List<Coat> coats, List<Stretch> work, List<Stretch> sessions, Optional<Instant> due) {
        List<Piece> pieces = new ArrayList<>();
        coats.forEach(coat -> phases(frame, coat, pieces));
        return drawn(frame, pieces, work, sessions, due);
    }

    /** A row of what turns on a spindle. */
    public static PlanBar turning(Frame frame, List<Stretch> turning, List<Stretch> sessions) {
        return drawn(frame, pieces(frame, turning), List.of(), sessions, Optional.empty());
    }

    private static PlanBar drawn(
            Frame frame, List<Piece> coats, List<Stretch> work, List<Stretch> sessions, Optional<Instant> due) {
        Optional<Double> dueAt = due.filter(frame.span()::contains).map(frame::percent);
        return new PlanBar(
                frame.span().from().toEpochMilli(),
                frame.span().untilExclusive().toEpochMilli(),
                coats.stream()
                        .map(piece ->
                                dueAt.filter(at -> isWrittenUnder(piece, at)).isPresent()
                                        ? new Piece(piece.x(), piece.width(), piece.style(), "", piece.title())
                                        : piece)
                        .toList(),
                pieces(frame, work),
                pieces(frame, sessions),
                TimeBar.quiet(frame),
                dueAt);
    }

    /** Whether a piece's word would lie under the word that stands before the line of the day it is due. */
    private static boolean isWrittenUnder(Piece piece, double due) {
        return piece.x() < due && piece.x() + 1 + piece.word().length() > due - DUE_WORD;
    }

    private static List<Piece> pieces(Frame frame, List<Stretch> stretches) {
        return stretches.stream()
                .flatMap(stretch -> TimeBar.piece(
                                frame,
                                stretch.span().from(),
                                stretch.span().untilExclusive(),
                                stretch.style(),
                                stretch.word())
                        .stream()
                        .map(piece -> new Piece(
                                piece.x(),
                                piece.width(),
                                piece.style(),
                                stretch.word().isEmpty()
                                                || piece.width()
                                                        < stretch.word().length() * 0.75
                                        ? ""
                                        : stretch.word(),
                                stretch.title())))
                .toList();
    }

    private static void phases(Frame frame, Coat coat, List<Piece> pieces) {
        List<PhaseBegin> spans = coat.times().phases();
        for (int i = 0; i < spans.size(); i++) {
            Instant end = i + 1 < spans.size() && spans.get(i + 1).startsAt().isBefore(coat.untilExclusive())
                    ? spans.get(i + 1).startsAt()
                    : coat.untilExclusive();
            Phase phase = spans.get(i).phase();
            if (phase != Phase.FULL_CURE && end.isAfter(spans.get(i).startsAt())) {
                TimeBar.piece(frame, spans.get(i).startsAt(), end, TimeBar.styleOf(phase), phase.word())
                        .ifPresent(pieces::add);
            }
        }
    }
}
