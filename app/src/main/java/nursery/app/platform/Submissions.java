package nursery.app.platform;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Forms sent twice. Each form carries a token; the first to arrive does its work and remembers where it led, in one
 * transaction; a repeat leads to the same place and does nothing.
 */
@Service
public class Submissions {

    /** Nobody sends the same form again after a week. */
    private static final Duration REMEMBERED = Duration.ofDays(7);

    private static final Duration TIDIED_EVERY = Duration.ofHours(1);
    private static final int MOST_TRIES = 5;

    private final SubmissionMapper mapper;
    private final TransactionTemplate transaction;
    private final Moments moments;
    private volatile Instant tidiedAt = Instant.EPOCH;

    Submissions(SubmissionMapper mapper, TransactionTemplate transaction, Moments moments) {
        this.mapper = mapper;
        this.transaction = transaction;
        this.moments = moments;
    }

    public static String newToken() {
        return UUID.randomUUID().toString();
    }

    /**
     * Does the work unless it is done already.
     *
     * @param token 36 characters that are the same only for the same form
     * @param work does it and returns the address to go on to; what it throws undoes everything
     */
    public String once(String token, Supplier<String> work) {
        tidy();
        Optional<String> earlier = mapper.leadsTo(token);
        if (earlier.isPresent()) {
            return earlier.get();
        }
        for (int tried = 1; ; tried++) {
            try {
                return transaction.execute(status -> {
                    mapper.insert(token, "", moments.now());
                    String leadsTo = work.get();
                    mapper.update(token, leadsTo);
                    return leadsTo;
                });
            } catch (DuplicateKeyException e) {
                return mapper.leadsTo(token)
                        .filter(leadsTo -> !leadsTo.isEmpty())
                        .orElseThrow(() -> e);
            } catch (PessimisticLockingFailureException e) {
                // Two waited for each other and the database gave this one up: nothing of it is done, so try again.
                if (tried == MOST_TRIES) {
                    throw e;
                }
            }
        }
    }

    /**
     * Lets forms that edit what is kept come one after the other, until the caller's transaction ends: between looking
     * whether something else holds by now and saving, nobody else saves.
     */
    void alone() {
        mapper.holdForms();
    }

    private void tidy() {
        Instant now = moments.now();
        // Either way: a clock that was set back must not put it off.
        if (Duration.between(tidiedAt, now).abs().compareTo(TIDIED_EVERY) > 0) {
            tidiedAt = now;
            mapper.forget(now.minus(REMEMBERED));
        }
    }
}
