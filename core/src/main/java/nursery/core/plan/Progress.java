package nursery.core.plan;

import java.time.Duration;
import java.util.Objects;
import nursery.core.film.CoatRole;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.technique.Timeline;
import org.jspecify.annotations.Nullable;

/** How far a cup has come while a plan is laid out. Changed in place: a search lays out thousands of plans. */
final class Progress implements Timeline {

    private static final double SECONDS_PER_MINUTE = 60;

    /** When its newest work ended, minutes from the origin: what dries, dries from there. */
    double lastMin;
    /** The first slot not before its newest work was logged. */
    int logged;
    /** The first slot at which hands are off it. */
    int free;

    private @Nullable CureTable clock;
    private @Nullable Label label;
    private @Nullable CoatRole role;
    /** When the newest coat was poured, minutes from the origin. */
    double coatMin;
    /** What its clock showed then. */
    private double coatAge;

    boolean scuffed;
    /** Its spindle is taken until this slot. */
    int heldUntil;
    /** When every coat on it will have reached full cure. */
    int cured;

    void set(Progress other) {
        lastMin = other.lastMin;
        logged = other.logged;
        free = other.free;
        clock = other.clock;
        label = other.label;
        role = other.role;
        coatMin = other.coatMin;
        coatAge = other.coatAge;
        scuffed = other.scuffed;
        heldUntil = other.heldUntil;
        cured = other.cured;
    }

    /** A coat that is on it already. */
    void coat(
            CureTable coatClock,
            Label coatLabel,
            CoatRole coatRole,
            double pouredMin,
            double ageAtOriginH,
            boolean isScuffed) {
        clock = coatClock;
        label = coatLabel;
        role = coatRole;
        coatMin = pouredMin;
        coatAge = -ageAtOriginH;
        scuffed = isScuffed;
    }

    @Override
    public boolean hasCoat() {
        return clock != null;
    }

    Label label() {
        return Objects.requireNonNull(label);
    }

    int ageFrom(double hours) {
        return Objects.requireNonNull(clock).from(coatAge + hours);
    }

    int ageUntil(double hours) {
        return Objects.requireNonNull(clock).untilExclusive(coatAge + hours);
    }

    @Override
    public LabelTimes coat() {
        return label().times();
    }

    @Override
    public CoatRole role() {
        return Objects.requireNonNull(role);
    }

    @Override
    public boolean isScuffed() {
        return scuffed;
    }

    @Override
    public double atOnce() {
        return logged;
    }

    @Override
    public double afterWork(Duration wait) {
        return Grid.slotFrom(lastMin + minutes(wait));
    }

    @Override
    public double intoCoat(Duration wait) {
        return Grid.slotFrom(coatMin + minutes(wait));
    }

    @Override
    public double atAge(double hours) {
        return ageFrom(hours);
    }

    @Override
    public double untilAge(Duration opens, double hours) {
        int closes = ageUntil(hours);
        return closes * (double) Grid.MINUTES >= coatMin + minutes(opens) ? closes : NEVER;
    }

    @Override
    public double byAge(Duration opens, double hours) {
        return untilAge(opens, hours) == NEVER
                ? NEVER
                : Objects.requireNonNull(clock).last(coatAge + hours);
    }

    private static double minutes(Duration wait) {
        return wait.toSeconds() / SECONDS_PER_MINUTE;
    }

    /** Does a step at a slot, and takes the spindle it needs. */
    void does(Act act, int slot) {
        lastMin = slot * (double) Grid.MINUTES + act.step().handsOnMinutes();
        logged = slot;
        free = slot + act.hands();
        if (act.isPour()) {
            clock = act.clock();
            label = act.label();
            role = act.step().role().orElseThrow();
            coatMin = slot * (double) Grid.MINUTES;
            coatAge = Objects.requireNonNull(clock).at(slot);
            scuffed = false;
            heldUntil = act.onSpindle() ? ageFrom(label().times().turningH()) : 0;
            cured = Math.max(cured, ageFrom(label().times().fullCureH()));
        } else if (act.step().kind().endsTurning()) {
            heldUntil = 0;
            scuffed |= act.step().kind().scuffsTheBody();
        }
    }

    /** Scuffs the coat below at a slot. */
    void scuffs(int slot) {
        lastMin = slot * (double) Grid.MINUTES;
        scuffed = true;
    }

    /** The first slot at which the next coat no longer grips well straight on. */
    int gripsUntil() {
        return ageUntil(label().times().recoatUntilH());
    }

    /** When the newest coat may be scuffed. */
    int sandable() {
        return ageFrom(label().times().sandableFromH());
    }

    /** When it is done and may be handed over. */
    int ready() {
        return Math.max(cured, free);
    }
}
