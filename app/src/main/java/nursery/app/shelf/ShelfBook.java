package nursery.app.shelf;

import java.util.List;
import java.util.Optional;
import nursery.app.floor.Floors;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;
import nursery.core.floor.ShelfBlank;
import nursery.core.floor.Taped;
import nursery.core.floor.Turner;
import nursery.core.measure.Edition;
import nursery.core.measure.Editions;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.resin.Label;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.Resin;
import nursery.core.resin.StartingProfile;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Writes what the maker owns. A name is unique, so that it means one thing on the bench. */
@Published
@Service
public class ShelfBook {

    private static final int STARTING_SPINDLES = 4;
    private static final int MOST_TOLD = 6;
    private static final String NOBODY = "";

    private final ShelfMapper mapper;
    private final Floors floors;
    private final Moments moments;

    ShelfBook(ShelfMapper mapper, Floors floors, Moments moments) {
        this.mapper = mapper;
        this.floors = floors;
        this.moments = moments;
    }

    /** A blank whose unit is the shop's own. */
    @Transactional
    public long addBlank(String name, Blank blank) {
        return addBlank(name, blank, null);
    }

    /**
     * @param taped how it was measured; null for the shop's own unit
     * @throws InvalidInput if another blank has the name
     */
    @Transactional
    public long addBlank(String name, Blank blank, @Nullable Taped taped) {
        refuseTaken(mapper.blankNamed(name), 0, name);
        long id = mapper.insertBlank(name, written(taped));
        write(id, Editions.first(blank, moments.now(), NOBODY).current());
        return id;
    }

    /**
     * Changes a blank. What it was is kept: cups that were started on it keep it, unless it was measured wrong.
     *
     * @param why whether it was measured wrong, or is another from now on
     * @throws InvalidInput if another blank has the name, or it was changed since {@code version} was read
     */
    @Transactional
    public void changeBlank(
            long id, int version, String name, Blank blank, @Nullable Taped taped, Edition.Why why, String by) {
        mapper.changed();
        refuseTaken(mapper.blankNamed(name), id, name);
        refuseStale(mapper.updateBlank(id, version, name, written(taped)));
        ShelfBlank now = floors.shelf().blank(id).orElseThrow(Gone::new);
        if (!now.blank().equals(blank)) {
            write(id, now.editions().next(blank, moments.now(), by, why));
        }
    }

    private static @Nullable String written(@Nullable Taped taped) {
        return taped == null ? null : taped.written();
    }

    private void write(long id, Edition<Blank> edition) {
        mapper.insertBlankEdition(id, BlankEditionRow.of(edition));
        List<Station> stations = edition.value().outline().stations();
        for (int i = 0; i < stations.size(); i++) {
            mapper.insertStation(id, edition.number(), i, stations.get(i));
        }
        mapper.changed();
    }

    /** @throws InvalidInput if another resin has the name */
    @Transactional
    public long addResin(String name, Label label, String source) {
        refuseTaken(mapper.resinNamed(name), 0, name);
        long id = mapper.insertResin(name);
        copyDown(
                id,
                Editions.first(new Resin.Copy(label, Optional.empty(), source), moments.now(), NOBODY)
                        .current());
        return id;
    }

    /**
     * Changes a resin. What its label was is kept: coats that were poured with it keep it, unless it was copied wrong.
     * What was learned here stays only while it is measured against the same times.
     *
     * @param why whether it was copied wrong, or the product is another from now on
     * @throws InvalidInput if another resin has the name, or it was changed since {@code version} was read
     */
    @Transactional
    public void changeResin(long id, int version, String name, Label label, String source, Edition.Why why, String by) {
        mapper.changed();
        refuseTaken(mapper.resinNamed(name), id, name);
        refuseStale(mapper.updateResin(id, version, name));
        Resin now = floors.shelf().resin(id).orElseThrow(Gone::new);
        Optional<Resin.Found> found =
                why == Edition.Why.CHANGED || !curesAlike(now.copy().printed(), label)
                        ? Optional.empty()
                        : now.copy().found();
        Resin.Copy copy = new Resin.Copy(label, found, source);
        if (!now.copy().equals(copy)) {
            copyDown(id, now.editions().next(copy, moments.now(), by, why));
        }
    }

    private static boolean curesAlike(Label a, Label b) {
        return a.times().equals(b.times())
                && a.referenceC() == b.referenceC()
                && a.activationKjPerMol() == b.activationKjPerMol();
    }

    private void copyDown(long id, Edition<Resin.Copy> edition) {
        mapper.insertResinEdition(id, ResinEditionRow.of(edition));
        mapper.changed();
    }

    /** The cure clock goes by what was found here from now on; by the label again if nothing is found. */
    @Transactional
    public void learned(long resinId, Optional<Resin.Found> found, String by) {
        mapper.lockResin(resinId).orElseThrow(Gone::new);
        mapper.changed();
        Resin now = floors.shelf().resin(resinId).orElseThrow(Gone::new);
        Resin.Copy copy = new Resin.Copy(now.copy().printed(), found, now.copy().source());
        if (!now.copy().equals(copy)) {
            copyDown(resinId, now.editions().next(copy, moments.now(), by, Edition.Why.LEARNED));
        }
    }

    /** @throws InvalidInput with which cups, if any was started on it */
    @Transactional
    public void removeBlank(long id) {
        refuseInUse("blank", mapper.cupsOnBlank(id, MOST_TOLD + 1));
        mapper.deleteStations(id);
        mapper.deleteBlankEditions(id);
        mapper.deleteBlank(id);
        mapper.changed();
    }

    /** @throws InvalidInput with which cups, if any is made with it, or if a mix, a bottle or a coat is on record */
    @Transactional
    public void removeResin(long id) {
        refuseInUse("resin", mapper.cupsInResin(id, MOST_TOLD + 1));
        if (mapper.recordsOfResin(id) > 0) {
            throw new InvalidInput(List.of(new Fault(
                    "resin", "Mixes or bottles of this resin are on record: it stays, so that they can be traced.")));
        }
        mapper.deleteResinEditions(id);
        mapper.deleteResin(id);
        mapper.changed();
    }

    private static void refuseInUse(String what, List<String> codes) {
        if (!codes.isEmpty()) {
            String told = String.join(", ", codes.subList(0, Math.min(MOST_TOLD, codes.size())))
                    + (codes.size() > MOST_TOLD ? " and more" : "");
            throw new InvalidInput(List.of(new Fault(
                    what,
                    "This %s is in use by %s: it stays, because their plans and logs rest on it."
                            .formatted(what, told))));
        }
    }

    /** @throws InvalidInput if another turner or one of its spindles has the name */
    @Transactional
    public void addTurner(String name, double rpm, int spindles) {
        checkRpm(rpm);
        refuseTaken(mapper.turnerNamed(name), 0, name);
        long id = mapper.insertTurner(name, rpm);
        for (int i = 1; i <= spindles; i++) {
            addSpindle(id, "%s-%d".formatted(name, i));
        }
        mapper.changed();
    }

    /** Adds spindles to the newest turner, numbered on. */
    @Transactional
    public void addSpindles(int count) {
        mapper.changed();
        Turner newest = floors.shelf().turners().stream()
                .reduce((a, b) -> b)
                .orElseThrow(() -> new InvalidInput(List.of(
                        new Fault("spindle", "There is no turner to add a spindle to: add one on the shelf."))));
        for (int i = 1; i <= count; i++) {
            addSpindle(
                    newest.id(),
                    "%s-%d".formatted(newest.name(), newest.spindles().size() + i));
        }
    }

    /** @throws InvalidInput if that is no speed for a turner */
    @Transactional
    public void changeSpeed(long turnerId, double rpm) {
        checkRpm(rpm);
        mapper.updateTurner(turnerId, rpm);
        mapper.changed();
    }

    /**
     * What a maker says of the turner on a first visit.
     *
     * @param rpm turns a minute, if somebody has counted them
     */
    @Transactional
    public void equip(int spindles, Optional<Double> rpm) {
        Turner turner = floors.shelf().turners().get(0);
        rpm.ifPresent(counted -> changeSpeed(turner.id(), counted));
        int there = turner.spindles().size();
        if (spindles < there) {
            mapper.removeSpindles(turner.id(), there - spindles);
        }
        for (int i = there + 1; i <= spindles; i++) {
            addSpindle(turner.id(), "Spindle " + i);
        }
        mapper.changed();
    }

    /** @throws InvalidInput if another spindle has the name */
    @Transactional
    public void addSpindle(long turnerId, String name) {
        refuseTaken(mapper.spindleNamed(name), 0, name);
        mapper.insertSpindle(name, turnerId);
        mapper.changed();
    }

    /** @throws InvalidInput if another measuring cup has the name */
    @Transactional
    public void addMeasuringCup(String name, MeasuringCup cup) {
        refuseTaken(mapper.measuringCupNamed(name), 0, name);
        mapper.insertMeasuringCup(name, cup);
        mapper.changed();
    }

    @Transactional
    public void takeInHand(long measuringCupId) {
        mapper.takeInHand(measuringCupId);
        mapper.changed();
    }

    private static void checkRpm(double rpm) {
        Faults faults = new Faults();
        Turner.checkRpm(faults, rpm);
        faults.throwIfAny();
    }

    /**
     * Puts the two starting profiles and a four-spindle turner on an empty shelf, so that a first cup can be started.
     */
    @Transactional
    public void stockIfEmpty() {
        if (mapper.resins() > 0) {
            return;
        }
        for (StartingProfile profile : StartingProfile.values()) {
            addResin(profile.title(), profile.label(), profile.source());
        }
        long turner = mapper.firstTurner();
        for (int i = 1; i <= STARTING_SPINDLES; i++) {
            addSpindle(turner, "Spindle " + i);
        }
    }

    private static void refuseTaken(Optional<Long> holder, long self, String name) {
        if (holder.filter(id -> id != self).isPresent()) {
            throw new InvalidInput(
                    List.of(new Fault("name", "“%s” is already on the shelf: choose another name.".formatted(name))));
        }
    }

    private static void refuseStale(int changed) {
        if (changed == 0) {
            throw new InvalidInput(List.of(new Fault(
                    "version",
                    "Someone changed this while you had it open. Your figures are still here: open "
                            + "it afresh in another tab to compare, then save again from there.")));
        }
    }
}
