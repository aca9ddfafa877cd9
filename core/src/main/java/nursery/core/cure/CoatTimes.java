package nursery.core.cure;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;

/** One coat's phases and windows as times of day, from the room it hung in and the room it will hang in. */
public final class CoatTimes {

    private final Label label;
    private final RoomCourse room;
    private final Instant pouredAt;
    private final CureClock clock;

    public CoatTimes(Label label, RoomCourse room, Instant pouredAt) {
        this.label = label;
        this.room = room;
        this.pouredAt = pouredAt;
        this.clock = CureClock.of(label);
    }

    public Instant pouredAt() {
        return pouredAt;
    }

    /** Equivalent age in hours at the label's reference temperature; 0 before the pour. */
    public double ageHoursAt(Instant now) {
        return now.isBefore(pouredAt) ? 0 : clock.equivalentAgeHours(room, pouredAt, now);
    }

    public Phase phaseAt(Instant now) {
        return Phase.at(label.times(), ageHoursAt(now));
    }

    /** How fast the coat cures at a moment, relative to label speed. */
    public double speedAt(Instant now) {
        return clock.rateAt(room.temperatureCAt(now));
    }

    /** The moment the coat reaches an age in hours at the reference temperature. */
    public Instant at(double ageHours) {
        return clock.whenReached(room, pouredAt, ageHours);
    }

    public Instant at(CoatMoment moment) {
        return at(moment.ageH(label.times()));
    }

    public Label label() {
        return label;
    }

    public Instant offTurnerFrom() {
        return at(CoatMoment.OFF_TURNER);
    }

    /** While the next coat may go on unsanded. */
    public Window recoatWindow() {
        return Window.between(at(CoatMoment.RECOAT_FROM), at(CoatMoment.SCUFF_AFTER));
    }

    /** The part of that window in which the next coat grips well. */
    public Window tackWindow() {
        return Window.between(at(CoatMoment.RECOAT_FROM), at(CoatMoment.RECOAT_UNTIL));
    }

    public Instant sandableFrom() {
        return at(CoatMoment.SANDABLE);
    }

    public Instant sandableSure() {
        return at(label.times().sandableSureH());
    }

    public Instant scuffAfter() {
        return at(CoatMoment.SCUFF_AFTER);
    }

    public Instant fullCureAt() {
        return at(CoatMoment.FULL_CURE);
    }

    /** The phases from the pour on, in order, without gaps; full cure, the last, has no end. */
    public List<PhaseBegin> phases() {
        LabelTimes times = label.times();
        List<Double> ages = DoubleStream.of(
                        0,
                        times.workingH(),
                        times.turningH(),
                        times.recoatFromH(),
                        times.recoatUntilH(),
                        times.sandableFromH(),
                        times.scuffAfterH(),
                        times.curedH(),
                        times.fullCureH())
                .sorted()
                .distinct()
                .boxed()
                .toList();
        List<PhaseBegin> spans = new ArrayList<>();
        for (double age : ages) {
            Phase phase = Phase.at(times, age);
            if (spans.isEmpty() || spans.get(spans.size() - 1).phase() != phase) {
                spans.add(new PhaseBegin(phase, at(age)));
            }
        }
        return spans;
    }

    /** A phase and when it begins; it lasts until the next begins. */
    public record PhaseBegin(Phase phase, Instant startsAt) {}
}
