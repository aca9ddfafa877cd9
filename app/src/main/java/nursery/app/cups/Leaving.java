package nursery.app.cups;

import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;

/** Sees, before the first page is answered, which cups of an older shop may leave the floor. */
@Component
class Leaving implements SmartInitializingSingleton {

    private final LogBook log;

    Leaving(LogBook log) {
        this.log = log;
    }

    @Override
    public void afterSingletonsInstantiated() {
        log.settleFinished();
    }
}
