package nursery.app.shelf;

import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Component;

/** Stocks an empty shelf before the first page is answered. */
@Component
class FirstStart implements SmartInitializingSingleton {

    private final ShelfBook shelf;

    FirstStart(ShelfBook shelf) {
        this.shelf = shelf;
    }

    @Override
    public void afterSingletonsInstantiated() {
        shelf.stockIfEmpty();
    }
}
