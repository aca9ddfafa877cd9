package nursery.app.floor;

import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** What was kept in memory from inside a transaction must be forgotten if that is undone. */
final class Undone {

    private Undone() {}

    static void then(Runnable forget) {
        if (TransactionSynchronizationManager.isSynchronizationActive()) {
            TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                @Override
                public void afterCompletion(int status) {
                    if (status != STATUS_COMMITTED) {
                        forget.run();
                    }
                }
            });
        }
    }
}
