package nursery.app.people;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import nursery.app.people.PeopleMapper.MakerRow;
import nursery.app.platform.Gone;
import nursery.app.platform.Hosts;
import nursery.app.platform.Maker;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import org.jspecify.annotations.Nullable;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.DefaultTransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;

/** Makers and their roles; who sits where. Nothing of it is remembered between requests, so all instances agree. */
@Published
@Service
public class Makers {

    static final int SHORTEST_PASSWORD = 12;
    static final int LONGEST_PASSWORD = 200;
    static final int MOST_TRIES = 5;
    static final Duration WAIT = Duration.ofMinutes(5);
    /** Of zxcvbn's five classes: safely unguessable for somebody who tries it at the shop's door. */
    private static final int LEAST_SCORE = 3;

    private static final String SEAT = "nursery.seat.";
    private static final Zxcvbn STRENGTH = new Zxcvbn();
    private static final Seat BENCH = new Seat("the bench", Role.OWNER, true);

    private final PeopleMapper mapper;
    private final DeviceMapper devices;
    private final PasswordEncoder encoder;
    private final Moments moments;
    private final Audit audit;
    private final FindByIndexNameSessionRepository<?> sessions;
    private final Hosts hosts;
    private final TransactionTemplate counting;

    Makers(
            PeopleMapper mapper,
            DeviceMapper devices,
            PasswordEncoder encoder,
            Moments moments,
            Audit audit,
            FindByIndexNameSessionRepository<?> sessions,
            Hosts hosts,
            PlatformTransactionManager transactions) {
        this.counting = new TransactionTemplate(
                transactions, new DefaultTransactionDefinition(TransactionDefinition.PROPAGATION_REQUIRES_NEW));
        this.mapper = mapper;
        this.devices = devices;
        this.encoder = encoder;
        this.moments = moments;
        this.audit = audit;
        this.sessions = sessions;
        this.hosts = hosts;
    }

    /** Whether anybody has to sign in: an owner has a password. */
    public boolean isSignInWanted() {
        return mapper.isSignInWanted();
    }

    /** Who acts in this request; empty for somebody who is not signed in, or not any more. */
    public Optional<Seat> seat() {
        return seat(SecurityContextHolder.getContext().getAuthentication());
    }

    /** Asked several times in a request, found once. */
    Optional<Seat> seat(@Nullable Authentication signedIn) {
        RequestAttributes request = RequestContextHolder.getRequestAttributes();
        if (request == null) {
            return found(signedIn);
        }
        String name = SEAT + (signedIn == null ? "" : signedIn.getName());
        if (request.getAttribute(name, RequestAttributes.SCOPE_REQUEST) instanceof Optional<?> known) {
            return known.map(Seat.class::cast);
        }
        Optional<Seat> found = found(signedIn);
        request.setAttribute(name, found, RequestAttributes.SCOPE_REQUEST);
        return found;
    }

    private Optional<Seat> found(@Nullable Authentication signedIn) {
        // Never open to a network, whatever the table says.
        if (!hosts.isNetwork() && !isSignInWanted()) {
            return Optional.of(BENCH);
        }
        if (signedIn == null || !signedIn.isAuthenticated() || signedIn instanceof AnonymousAuthenticationToken) {
            return Optional.empty();
        }
        if (signedIn.getDetails() instanceof SignInDetails details
                && details.device() > 0
                && !devices.isThere(details.device())) {
            return Optional.empty();
        }
        return mapper.named(signedIn.getName()).map(row -> new Seat(row.name(), row.role(), false));
    }

    List<MakerRow> all() {
        return mapper.makers();
    }

    Optional<MakerRow> named(String name) {
        return mapper.named(name);
    }

    /** @throws InvalidInput with all that is wrong with it */
    @Transactional
    public void add(String name, Role role, String password, String pin) {
        Faults faults = new Faults();
        faults.require(
                !name.isBlank() && name.length() <= Maker.LONGEST_NAME && !name.equals(BENCH.name()),
                "name",
                "A name has 1 to %d characters.".formatted(Maker.LONGEST_NAME));
        faults.require(
                mapper.named(name).isEmpty(),
                "name",
                "There is a maker called “%s” already: choose another name.".formatted(name));
        boolean first = !isSignInWanted();
        faults.require(
                !first || role == Role.OWNER,
                "role",
                "The first one to sign in is an owner: nobody could let others in else.");
        faults.require(role != Role.OWNER || !password.isEmpty(), "password", "An owner needs a password.");
        faults.require(
                !password.isEmpty() || !pin.isEmpty(), "password", "Give a password, or a PIN for joined devices.");
        if (!password.isEmpty()) {
            judge(password, name, faults);
        }
        if (!pin.isEmpty()) {
            judgePin(pin, faults);
        }
        faults.throwIfAny();
        mapper.insert(
                name,
                role,
                password.isEmpty() ? null : encoder.encode(password),
                pin.isEmpty() ? null : encoder.encode(pin),
                moments.now());
        audit.tell(Audit.What.PEOPLE, "%s added as %s".formatted(name, role.word()));
    }

    private static void judge(String password, String name, Faults faults) {
        int length = password.codePointCount(0, password.length());
        faults.require(
                length >= SHORTEST_PASSWORD && length <= LONGEST_PASSWORD,
                "password",
                "A password has %d to %d characters, and this has %d: a few words are good."
                        .formatted(SHORTEST_PASSWORD, LONGEST_PASSWORD, length));
        // Longer ones are measured by their beginning: the measure takes long over long ones.
        String measured = password.substring(0, Math.min(100, password.length()));
        if (length >= SHORTEST_PASSWORD) {
            faults.require(
                    STRENGTH.measure(measured, List.of(name, "nursery", "tumbler", "epoxy"))
                                    .getScore()
                            >= LEAST_SCORE,
                    "password",
                    "This password is among those that are tried first: take a few words that do not belong together.");
        }
    }

    private static void judgePin(String pin, Faults faults) {
        faults.require(pin.matches("\\d{4,8}"), "pin", "A PIN has 4 to 8 digits.");
        faults.require(
                !pin.matches("(\\d)\\1+") && !"0123456789012345678".contains(pin) && !"9876543210".contains(pin),
                "pin",
                "This PIN is among those that are tried first: choose other digits.");
    }

    @Transactional
    public void setPassword(long id, String password) {
        MakerRow row = mapper.maker(id).orElseThrow(Gone::new);
        Faults faults = new Faults();
        judge(password, row.name(), faults);
        faults.throwIfAny();
        mapper.setPassword(id, Objects.requireNonNull(encoder.encode(password)));
        mapper.forgetTries(id, false);
        signOutEverywhere(row.name());
        audit.tell(Audit.What.PEOPLE, "%s: new password".formatted(row.name()));
    }

    /** @param pin empty for none */
    @Transactional
    public void setPin(long id, String pin) {
        MakerRow row = mapper.maker(id).orElseThrow(Gone::new);
        Faults faults = new Faults();
        if (!pin.isEmpty()) {
            judgePin(pin, faults);
        }
        faults.require(!pin.isEmpty() || row.passwordHash() != null, "pin", "Without a PIN there must be a password.");
        faults.throwIfAny();
        mapper.setPin(id, pin.isEmpty() ? null : encoder.encode(pin));
        mapper.forgetTries(id, true);
        audit.tell(Audit.What.PEOPLE, "%s: %s".formatted(row.name(), pin.isEmpty() ? "no PIN any more" : "new PIN"));
    }

    @Transactional
    public void setRole(long id, Role role) {
        MakerRow row = mapper.maker(id).orElseThrow(Gone::new);
        if (role == Role.OWNER && row.passwordHash() == null) {
            throw new InvalidInput(List.of(new Fault("role", "An owner needs a password: set one first.")));
        }
        if (row.role() == Role.OWNER && role != Role.OWNER) {
            refuseLast(row);
        }
        mapper.setRole(id, role);
        audit.tell(Audit.What.PEOPLE, "%s is %s now".formatted(row.name(), role.word()));
    }

    /** What a maker logged keeps the name. */
    @Transactional
    public void remove(long id) {
        MakerRow row = mapper.maker(id).orElseThrow(Gone::new);
        if (row.role() == Role.OWNER && !mapper.makers().stream().allMatch(one -> one.id() == id)) {
            refuseLast(row);
        }
        mapper.delete(id);
        signOutEverywhere(row.name());
        audit.tell(Audit.What.PEOPLE, "%s removed".formatted(row.name()));
    }

    private void refuseLast(MakerRow row) {
        if (mapper.otherOwners(row.id()).isEmpty()) {
            throw new InvalidInput(List.of(new Fault(
                    "role", "%s is the only owner with a password: make another one first.".formatted(row.name()))));
        }
    }

    /** Every device this maker is signed in on asks again. */
    public void signOutEverywhere(String name) {
        sessions.findByPrincipalName(name).keySet().forEach(sessions::deleteById);
    }

    /**
     * Counts a try before the secret is compared, so that no more are compared than may be, however many come at once.
     * By itself, so that it is counted also where the work it belongs to is undone.
     *
     * @param device the joined one it comes from, 0 for none
     * @return whether it may be compared
     */
    boolean mayTry(long maker, long device, boolean pin) {
        Instant now = moments.now();
        return Boolean.TRUE.equals(counting.execute(status -> {
            mapper.tries(maker, device, pin, now);
            return mapper.tried(maker, device, pin, MOST_TRIES, now, now.minus(WAIT)) == 1;
        }));
    }

    /** Whose PIN was wrong five times on some device. */
    List<Long> pinsLocked() {
        return mapper.pinsLocked(MOST_TRIES);
    }

    void right(String name, long device, boolean pin) {
        mapper.gotIn(name, device, pin);
    }

    /** What has the shape of a PIN is tried as one; a password is longer. */
    static boolean isPin(String secret) {
        return secret.matches("\\d{4,8}");
    }

    /** Whether a secret is this maker's, the PIN or the password, as told on a device. */
    boolean knows(MakerRow row, String secret, long device) {
        boolean pin = isPin(secret);
        String hash = pin ? row.pinHash() : row.passwordHash();
        return hash != null && mayTry(row.id(), device, pin) && matches(row, secret, hash, device, pin);
    }

    /** The password where there is one: a short PIN must not be enough for a new password. */
    boolean knowsBest(MakerRow row, String secret, long device) {
        String password = row.passwordHash();
        return password == null
                ? knows(row, secret, device)
                : mayTry(row.id(), device, false) && matches(row, secret, password, device, false);
    }

    private boolean matches(MakerRow row, String secret, String hash, long device, boolean pin) {
        boolean right = encoder.matches(secret, hash);
        if (right) {
            right(row.name(), device, pin);
        }
        return right;
    }

    int lockMinutes() {
        return mapper.lockMinutes().orElse(20);
    }

    @Transactional
    public void setLockMinutes(double minutes) {
        Faults faults = new Faults();
        faults.within("lock", "The minutes until a screen locks", minutes, 1, 24 * 60, "min");
        faults.throwIfAny();
        if (mapper.setLockMinutes((int) Math.round(minutes)) == 0) {
            throw new InvalidInput(List.of(new Fault("lock", "Keep the shop's ways first, under Shop.")));
        }
    }
}
