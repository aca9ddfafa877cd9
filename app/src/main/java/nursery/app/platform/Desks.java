package nursery.app.platform;

import nursery.app.platform.DeskMapper.RunRow;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** What the desks of all instances share: where they write how far they are. */
@Published
@Component
public class Desks {

    final DeskMapper mapper;
    final JsonMapper json;
    /** Work is there for all to see at once, whatever becomes of the form that asked for it. */
    final TransactionTemplate apart;

    Desks(DeskMapper mapper, JsonMapper json, PlatformTransactionManager transactions) {
        this.mapper = mapper;
        this.json = json;
        this.apart = new TransactionTemplate(transactions);
        apart.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    /**
     * A desk where one kind of work is done.
     *
     * @param what the work, as its thread and its troubles are called
     * @param type what comes of it: something JSON holds
     */
    public <R> Desk<R> desk(String what, Class<R> type) {
        return new Desk<>(what, type, this);
    }

    static boolean isRunning(RunRow row) {
        return row.state().equals("RUNNING");
    }
}
