package nursery.core.wrap;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.core.measure.Faults;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.util.AffineTransformation;

/**
 * Art as it was drawn: pieces in millimetres around their common middle, y upwards.
 *
 * @param widthMm of its pieces as drawn
 * @param heightMm the same upwards
 */
public record Art(double widthMm, double heightMm, List<Piece> pieces) {

    /** More points than this are no drawing but an accident. */
    public static final int MOST_POINTS = 200_000;

    private static final int MOST_WORDS = 40;

    public Art {
        pieces = List.copyOf(pieces);
    }

    /** @throws nursery.core.measure.InvalidInput if nothing is in it, or too much */
    public static Art of(List<Piece> pieces) {
        Envelope box = new Envelope();
        int points = 0;
        for (Piece piece : pieces) {
            box.expandToInclude(piece.shape().getEnvelopeInternal());
            points += piece.points();
        }
        Faults faults = new Faults();
        faults.require(
                !box.isNull() && box.getWidth() > 0 && box.getHeight() > 0,
                "art",
                "Nothing in it has an area: fill its shapes, or turn its lines into shapes first.");
        faults.require(
                points <= MOST_POINTS,
                "art",
                "It has %d points; at most %d can be fitted. Simplify its paths.".formatted(points, MOST_POINTS));
        faults.throwIfAny();
        AffineTransformation middle = AffineTransformation.translationInstance(-box.centre().x, -box.centre().y);
        return new Art(
                box.getWidth(),
                box.getHeight(),
                pieces.stream()
                        .map(piece -> piece.with(middle.transform(piece.shape())))
                        .toList());
    }

    /** The same so wide. */
    Art wide(double mm) {
        double scale = mm / widthMm;
        AffineTransformation larger = AffineTransformation.scaleInstance(scale, scale);
        return new Art(
                mm,
                heightMm * scale,
                pieces.stream()
                        .map(piece -> piece.with(larger.transform(piece.shape())))
                        .toList());
    }

    /** One piece of each name, as many as can be told apart; none if all is one word, or one for each is too many. */
    public List<Piece> words() {
        List<Piece> words = pieces.stream()
                .collect(Collectors.toMap(Piece::name, Function.identity(), (one, other) -> one, LinkedHashMap::new))
                .values()
                .stream()
                .toList();
        return words.size() > 1 && words.size() <= MOST_WORDS ? words : List.of();
    }

    public int points() {
        return pieces.stream().mapToInt(Piece::points).sum();
    }
}
