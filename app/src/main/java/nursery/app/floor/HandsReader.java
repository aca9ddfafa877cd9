package nursery.app.floor;

import java.util.Optional;
import nursery.core.technique.HandsOn;
import nursery.core.technique.StepKind;
import org.springframework.stereotype.Component;

/** How long hands are on a cup here, read anew only when something was timed. */
@Component
class HandsReader {

    private final FloorMapper mapper;
    private volatile Optional<Known> known = Optional.empty();

    HandsReader(FloorMapper mapper) {
        this.mapper = mapper;
    }

    private record Known(long stamp, HandsOn hands) {}

    HandsOn hands(long stamp) {
        Optional<Known> before = known.filter(found -> found.stamp() == stamp);
        if (before.isPresent()) {
            return before.get().hands();
        }
        HandsOn fresh = HandsOn.learned(mapper.timed(HandsOn.NEWEST).stream()
                .map(row -> new HandsOn.Timed(StepKind.valueOf(row.kind()), row.minutes()))
                .toList());
        known = Optional.of(new Known(stamp, fresh));
        Undone.then(() -> known = Optional.empty());
        return fresh;
    }
}
