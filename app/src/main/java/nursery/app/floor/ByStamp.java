package nursery.app.floor;

import java.util.Optional;
import java.util.function.Supplier;

/** What is read anew only when its stamp has changed; read inside a transaction that is undone, it is forgotten. */
final class ByStamp<T> {

    private volatile Optional<Known<T>> known = Optional.empty();

    private record Known<T>(long stamp, T what) {}

    T at(long stamp, Supplier<T> reading) {
        Optional<Known<T>> before = known.filter(found -> found.stamp() == stamp);
        if (before.isPresent()) {
            return before.get().what();
        }
        T fresh = reading.get();
        known = Optional.of(new Known<>(stamp, fresh));
        Undone.then(() -> known = Optional.empty());
        return fresh;
    }
}
