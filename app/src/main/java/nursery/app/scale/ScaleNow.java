package nursery.app.scale;

import java.time.Duration;
import java.util.Comparator;
import java.util.OptionalDouble;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.app.scale.ScaleMapper.ShownRow;
import org.springframework.stereotype.Component;

/** What a scale that is connected shows at this moment. */
@Published
@Component
public class ScaleNow {

    /** Older than this, something else may lie on it. */
    private static final Duration FRESH = Duration.ofSeconds(10);

    private final ScaleMapper mapper;
    private final Moments moments;

    ScaleNow(ScaleMapper mapper, Moments moments) {
        this.mapper = mapper;
        this.moments = moments;
    }

    /** Grams on the scale that spoke last, if that was just now and it has come to rest. */
    public OptionalDouble grams() {
        return mapper.all().stream()
                .max(Comparator.comparing(ShownRow::at))
                .filter(ShownRow::stable)
                .filter(row -> !row.at().isBefore(moments.real().minus(FRESH)))
                .map(row -> OptionalDouble.of(row.grams()))
                .orElse(OptionalDouble.empty());
    }
}
