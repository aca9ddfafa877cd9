package nursery.app.shelf;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.platform.Published;
import nursery.app.shelf.ShelfMapper.SpindleRow;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;
import nursery.core.log.Spindle;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.resin.Label;
import nursery.core.resin.MeasuringCup;
import nursery.core.resin.StartingProfile;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What the maker owns: blanks, resins and spindles. A name is unique, so that it means one thing on the bench. */
@Published
@Service
public class Shelf {

    private static final int STARTING_SPINDLES = 4;

    private final ShelfMapper mapper;

    Shelf(ShelfMapper mapper) {
        this.mapper = mapper;
    }

    public List<ShelfBlank> blanks() {
        Map<Long, List<Station>> stations = mapper.stations().stream().collect(Collectors.groupingBy(
                ShelfMapper.StationRow::blankId, Collectors.mapping(ShelfMapper.StationRow::station, Collectors.toList())));
        return mapper.blanks().stream().map(row -> row.with(stations.getOrDefault(row.id(), List.of()))).toList();
    }

    public Optional<ShelfBlank> blank(long id) {
        return blanks().stream().filter(blank -> blank.id() == id).findFirst();
    }

    public List<ShelfResin> resins() {
        Map<Long, ShelfResin.Found> found = mapper.found().stream().collect(Collectors.toMap(ShelfMapper.FoundRow::resinId, ShelfMapper.FoundRow::found));
        return mapper.resins().stream().map(ResinRow::toResin).map(resin -> resin.with(Optional.ofNullable(found.get(resin.id())))).toList();
    }

    public Optional<ShelfResin> resin(long id) {
        return resins().stream().filter(resin -> resin.id() == id).findFirst();
    }

    public List<Spindle> spindles() {
        return mapper.spindles().stream().map(SpindleRow::spindle).toList();
    }

    public List<ShelfTurner> turners() {
        List<SpindleRow> spindles = mapper.spindles();
        return mapper.turners().stream().map(turner -> new ShelfTurner(turner.id(), turner.name(), turner.rpm(),
                spindles.stream().filter(spindle -> spindle.turnerId() == turner.id()).map(SpindleRow::spindle).toList())).toList();
    }

    public List<ShelfCup> measuringCups() {
        return mapper.measuringCups().stream().map(row -> new ShelfCup(row.id(), row.name(),
                new MeasuringCup(row.capacityMl(), row.markMl(), row.bottomMm(), row.topMm()), row.atHand())).toList();
    }

    /** The measuring cup in use. */
    public ShelfCup measuringCupAtHand() {
        List<ShelfCup> cups = measuringCups();
        return cups.stream().filter(ShelfCup::atHand).findFirst().orElseGet(() -> cups.get(0));
    }

    /** @throws InvalidInput if another blank has the name */
    @Transactional
    public long addBlank(String name, Blank blank) {
        refuseTaken(mapper.blankNamed(name), 0, name);
        mapper.insertBlank(BlankRow.of(null, name, blank, 0));
        long id = mapper.blankNamed(name).orElseThrow();
        stations(id, blank);
        return id;
    }

    /** @throws InvalidInput if another blank has the name, or it was changed since {@code version} was read */
    @Transactional
    public void changeBlank(long id, int version, String name, Blank blank) {
        refuseTaken(mapper.blankNamed(name), id, name);
        refuseStale(mapper.updateBlank(BlankRow.of(id, name, blank, version)));
        mapper.clearStations(id);
        stations(id, blank);
    }

    /** @throws InvalidInput if another resin has the name */
    @Transactional
    public long addResin(String name, Label label, String source) {
        refuseTaken(mapper.resinNamed(name), 0, name);
        mapper.insertResin(ResinRow.of(null, name, label, source, 0));
        return mapper.resinNamed(name).orElseThrow();
    }

    /** @throws InvalidInput if another resin has the name, or it was changed since {@code version} was read */
    @Transactional
    public void changeResin(long id, int version, String name, Label label, String source) {
        refuseTaken(mapper.resinNamed(name), id, name);
        refuseStale(mapper.updateResin(ResinRow.of(id, name, label, source, version)));
    }

    /** @throws InvalidInput with which cups, if any was started on it */
    @Transactional
    public void removeBlank(long id) {
        refuseInUse("blank", mapper.cupsOnBlank(id));
        mapper.clearStations(id);
        mapper.deleteBlank(id);
    }

    /** The cure clock goes by what was found here from now on. */
    @Transactional
    public void takeOver(long resinId, ShelfResin.Found found) {
        mapper.takeOver(resinId, found.speed(), found.activationKjPerMol(), found.observations(), found.acceptedAt(), found.acceptedBy());
    }

    /** The cure clock goes by the label again. */
    @Transactional
    public void backToLabel(long resinId) {
        mapper.backToLabel(resinId);
    }

    /** @throws InvalidInput with which cups, if any is made with it, or if a mix or a bottle is on record */
    @Transactional
    public void removeResin(long id) {
        refuseInUse("resin", mapper.cupsInResin(id));
        if (mapper.recordsOfResin(id) > 0) {
            throw new InvalidInput(List.of(new Fault("resin", "Mixes or bottles of this resin are on record: it stays, so that they can be traced.")));
        }
        mapper.backToLabel(id);
        mapper.deleteResin(id);
    }

    private static void refuseInUse(String what, List<String> codes) {
        if (!codes.isEmpty()) {
            throw new InvalidInput(List.of(new Fault(what, "This %s is in use by %s: it stays, because their plans and logs rest on it.".formatted(what, String.join(", ", codes)))));
        }
    }

    /** @throws InvalidInput if another turner or one of its spindles has the name */
    @Transactional
    public void addTurner(String name, double rpm, int spindles) {
        checkRpm(rpm);
        refuseTaken(turnerNamed(name), 0, name);
        mapper.insertTurner(name, rpm);
        long id = turnerNamed(name).orElseThrow();
        for (int i = 1; i <= spindles; i++) {
            addSpindle(id, "%s-%d".formatted(name, i));
        }
    }

    /** Adds spindles to the newest turner, numbered on. */
    @Transactional
    public void addSpindles(int count) {
        ShelfTurner newest = turners().stream().reduce((a, b) -> b).orElseThrow(() -> new InvalidInput(List.of(new Fault("spindle", "There is no turner to add a spindle to: add one on the shelf."))));
        for (int i = 1; i <= count; i++) {
            addSpindle(newest.id(), "%s-%d".formatted(newest.name(), newest.spindles().size() + i));
        }
    }

    /** @throws InvalidInput if that is no speed for a turner */
    @Transactional
    public void changeSpeed(long turnerId, double rpm) {
        checkRpm(rpm);
        mapper.updateTurner(turnerId, rpm);
    }

    /** @throws InvalidInput if another spindle has the name */
    @Transactional
    public void addSpindle(long turnerId, String name) {
        refuseTaken(mapper.spindles().stream().filter(spindle -> spindle.name().equalsIgnoreCase(name)).map(SpindleRow::id).findFirst(), 0, name);
        mapper.insertSpindle(name, turnerId);
    }

    /** @throws InvalidInput if another measuring cup has the name */
    @Transactional
    public void addMeasuringCup(String name, MeasuringCup cup) {
        refuseTaken(measuringCups().stream().filter(found -> found.name().equalsIgnoreCase(name)).map(ShelfCup::id).findFirst(), 0, name);
        mapper.insertMeasuringCup(name, cup);
    }

    @Transactional
    public void takeInHand(long measuringCupId) {
        mapper.takeInHand(measuringCupId);
    }

    private Optional<Long> turnerNamed(String name) {
        return mapper.turners().stream().filter(turner -> turner.name().equalsIgnoreCase(name)).map(ShelfMapper.TurnerRow::id).findFirst();
    }

    private static void checkRpm(double rpm) {
        Faults faults = new Faults();
        ShelfTurner.checkRpm(faults, rpm);
        faults.throwIfAny();
    }

    /** Puts the two starting profiles and a four-spindle turner on an empty shelf, so that a first cup can be started. */
    @Transactional
    public void stockIfEmpty() {
        if (!resins().isEmpty()) {
            return;
        }
        for (StartingProfile profile : StartingProfile.values()) {
            addResin(profile.title(), profile.label(), profile.source());
        }
        long turner = mapper.turners().get(0).id();
        for (int i = 1; i <= STARTING_SPINDLES; i++) {
            addSpindle(turner, "Spindle " + i);
        }
    }

    private void stations(long blankId, Blank blank) {
        List<Station> stations = blank.outline().stations();
        for (int i = 0; i < stations.size(); i++) {
            mapper.insertStation(blankId, i, stations.get(i));
        }
    }

    private static void refuseTaken(Optional<Long> holder, long self, String name) {
        if (holder.filter(id -> id != self).isPresent()) {
            throw new InvalidInput(List.of(new Fault("name", "“%s” is already on the shelf: choose another name.".formatted(name))));
        }
    }

    private static void refuseStale(int changed) {
        if (changed == 0) {
            throw new InvalidInput(List.of(new Fault("version",
                    "Someone changed this while you had it open. Your figures are still here: open it afresh in another tab to compare, then save again from there.")));
        }
    }
}
