package nursery.app.settings;

import nursery.app.platform.Published;
import nursery.core.floor.Ways;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes the shop's own ways. */
@Published
@Service
public class ShopBook {

    private final ShopMapper mapper;

    ShopBook(ShopMapper mapper) {
        this.mapper = mapper;
    }

    /** Whether anybody has ever said how this shop does things. */
    boolean isKept() {
        return mapper.kept() > 0;
    }

    /** @param unchanged called once nobody else can change them any more; throws if someone has */
    @Transactional
    public void save(Ways ways, Runnable unchanged) {
        mapper.hold();
        unchanged.run();
        save(ways);
    }

    @Transactional
    public void save(Ways ways) {
        mapper.save(
                ways,
                ways.zone().getId(),
                ways.minutesPerCup().isPresent() ? ways.minutesPerCup().getAsDouble() : null,
                ways.weekStarts().getValue());
    }
}
