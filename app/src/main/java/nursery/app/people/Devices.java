package nursery.app.people;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import nursery.app.people.DeviceMapper.DeviceRow;
import nursery.app.people.DeviceMapper.LinkRow;
import nursery.app.people.DeviceMapper.TokenRow;
import nursery.app.platform.Gone;
import nursery.app.platform.Maker;
import nursery.app.platform.Moments;
import nursery.app.platform.Secret;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Devices that joined, the codes they join by, tokens of programs, links for customers. Of each secret the hash is
 * kept.
 */
@Service
class Devices {

    static final Duration CODE_LASTS = Duration.ofMinutes(5);
    private static final Duration SEEN_EVERY = Duration.ofMinutes(1);
    private static final String ASK = "Ask the owner for a new one.";
    private static final double MOST_LINK_DAYS = 366;

    private final DeviceMapper mapper;
    private final Moments moments;
    private final Audit audit;

    Devices(DeviceMapper mapper, Moments moments, Audit audit) {
        this.mapper = mapper;
        this.moments = moments;
        this.audit = audit;
    }

    List<DeviceRow> all() {
        return mapper.all();
    }

    /** The device a token was given to, also one that was removed; notes that it was seen. */
    Optional<DeviceRow> of(String token) {
        Optional<DeviceRow> found = token.isEmpty() ? Optional.empty() : mapper.byToken(new Secret(token).hash());
        Instant now = moments.now();
        found.filter(row -> row.removedAt() == null && row.seenAt().isBefore(now.minus(SEEN_EVERY)))
                .ifPresent(row -> mapper.seen(row.id(), now));
        return found;
    }

    /** A code for one device, good for five minutes. */
    @Transactional
    String newCode(String by) {
        Instant now = moments.now();
        Secret code = Secret.fresh();
        mapper.forgetCodes(now.minus(Duration.ofDays(7)));
        mapper.insertCode(code.hash(), now, by, now.plus(CODE_LASTS));
        return code.text();
    }

    boolean isGood(String code) {
        return mapper.isGood(new Secret(code).hash(), moments.now());
    }

    /**
     * Lets a device join.
     *
     * @return its token, told this once
     * @throws InvalidInput if the code was used, is too old, or never was
     */
    @Transactional
    String join(String code, String name) {
        Faults faults = new Faults();
        faults.require(
                !name.isBlank() && name.length() <= Maker.LONGEST_NAME,
                "device",
                "Name the device in 1 to %d characters.".formatted(Maker.LONGEST_NAME));
        faults.throwIfAny();
        String hash = new Secret(code).hash();
        if (mapper.use(hash, moments.now()) == 0) {
            boolean used = mapper.usedAt(hash).isPresent();
            audit.tell(
                    name,
                    Audit.What.WRONG,
                    used ? "a code that was used already: seen by somebody else?" : "a code that is not good any more");
            throw new InvalidInput(List.of(new Fault(
                    "code",
                    used
                            ? "This code was used already; each is good for one device. " + ASK
                            : "This code is not good any more, five minutes is all it has. " + ASK)));
        }
        Secret token = Secret.fresh();
        mapper.insert(name, token.hash(), moments.now());
        audit.tell(name, Audit.What.JOINED, name);
        return token.text();
    }

    @Transactional
    void remove(long id) {
        String name = mapper.all().stream()
                .filter(row -> row.id() == id)
                .map(DeviceRow::name)
                .findFirst()
                .orElseThrow(Gone::new);
        mapper.remove(id, moments.now());
        audit.tell(Audit.What.DEVICE, name + " removed");
    }

    List<TokenRow> tokens() {
        return mapper.tokens();
    }

    @Transactional
    String newToken(String name, String by) {
        Faults faults = new Faults();
        faults.require(
                !name.isBlank() && name.length() <= Maker.LONGEST_NAME,
                "token-name",
                "Name the program in 1 to %d characters.".formatted(Maker.LONGEST_NAME));
        faults.throwIfAny();
        Secret token = Secret.fresh();
        mapper.insertToken(name, token.hash(), moments.now(), by);
        audit.tell(Audit.What.TOKEN, name + " made");
        return token.text();
    }

    @Transactional
    void revokeToken(long id) {
        if (mapper.revokeToken(id, moments.now()) == 0) {
            throw new Gone();
        }
        audit.tell(Audit.What.TOKEN, "number %d revoked".formatted(id));
    }

    Optional<TokenRow> token(String text) {
        Optional<TokenRow> found = mapper.token(new Secret(text).hash());
        found.ifPresent(row -> mapper.tokenUsed(row.id(), moments.now()));
        return found;
    }

    List<LinkRow> links() {
        return mapper.links(moments.now());
    }

    /** @return the secret, told this once */
    @Transactional
    String newLink(String madeFor, double days, String by) {
        Faults faults = new Faults();
        faults.require(!madeFor.isBlank(), "madeFor", "Choose the order it is for.");
        faults.within("days", "The days it stays open", days, 1, MOST_LINK_DAYS, "d");
        faults.throwIfAny();
        Secret secret = Secret.fresh();
        Instant now = moments.now();
        mapper.insertLink(secret.hash(), madeFor, now, by, now.plus(Duration.ofHours(Math.round(24 * days))));
        audit.tell(Audit.What.LINK, "for %s, %.0f days".formatted(madeFor, days));
        return secret.text();
    }

    Optional<LinkRow> link(String secret) {
        return mapper.link(new Secret(secret).hash(), moments.now());
    }

    @Transactional
    void revokeLink(long id) {
        if (mapper.revokeLink(id, moments.now()) == 0) {
            throw new Gone();
        }
        audit.tell(Audit.What.LINK, "number %d revoked".formatted(id));
    }
}
