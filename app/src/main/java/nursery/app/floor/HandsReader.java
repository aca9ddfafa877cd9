package nursery.app.floor;

import nursery.core.technique.HandsOn;
import nursery.core.technique.StepKind;
import org.springframework.stereotype.Component;

/** How long hands are on a cup here, read anew only when something was timed. */
@Component
class HandsReader {

    private final FloorMapper mapper;
    private final ByStamp<HandsOn> known = new ByStamp<>();

    HandsReader(FloorMapper mapper) {
        this.mapper = mapper;
    }

    HandsOn hands(long stamp) {
        return known.at(
                stamp,
                () -> HandsOn.learned(mapper.timed(HandsOn.NEWEST).stream()
                        .map(row -> new HandsOn.Timed(StepKind.valueOf(row.kind()), row.minutes()))
                        .toList()));
    }
}
