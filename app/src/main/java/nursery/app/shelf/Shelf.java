package nursery.app.shelf;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.app.platform.Published;
import nursery.core.cup.Blank;
import nursery.core.cup.Station;
import nursery.core.log.Spindle;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.resin.Label;
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
        return mapper.resins().stream().map(ResinRow::toResin).toList();
    }

    public Optional<ShelfResin> resin(long id) {
        return resins().stream().filter(resin -> resin.id() == id).findFirst();
    }

    public List<Spindle> spindles() {
        return mapper.spindles();
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

    /** @throws InvalidInput if another spindle has the name */
    @Transactional
    public void addSpindle(String name) {
        refuseTaken(mapper.spindles().stream().filter(spindle -> spindle.name().equalsIgnoreCase(name)).map(Spindle::id).findFirst(), 0, name);
        mapper.insertSpindle(name);
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
        for (int i = 1; i <= STARTING_SPINDLES; i++) {
            addSpindle("Spindle " + i);
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
