package nursery.app.wrap;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Once;
import nursery.app.platform.Published;
import nursery.app.wrap.ArtMapper.DesignRow;
import nursery.app.wrap.ArtMapper.OnCupRow;
import nursery.app.wrap.ArtMapper.VersionRow;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Designs, each with all its versions: what a cup was given is what it keeps. */
@Published
@Service
public class DesignBook {

    private static final int NEWEST_CUPS = 12;

    private final ArtMapper mapper;
    private final ArtShelf shelf;
    private final Moments moments;

    DesignBook(ArtMapper mapper, ArtShelf shelf, Moments moments) {
        this.mapper = mapper;
        this.shelf = shelf;
        this.moments = moments;
    }

    /** @param number of the version */
    @Published
    public record Kept(long id, int number, Sketch sketch) {}

    List<DesignRow> all() {
        return mapper.designs();
    }

    public Optional<Kept> find(long id) {
        return mapper.design(id).flatMap(row -> version(id, row.version()));
    }

    Optional<Kept> version(long id, int number) {
        return mapper.version(id, number).map(body -> new Kept(id, number, DesignFile.read(body, shelf)));
    }

    List<VersionRow> versions(long id) {
        return mapper.versions(id);
    }

    public Optional<Kept> on(long cupId) {
        return onCup(cupId).filter(row -> row.number() > 0).flatMap(row -> version(row.designId(), row.number()));
    }

    /** On a page all that are on the floor are read together. */
    private Optional<OnCupRow> onCup(long cupId) {
        if (!Once.isAPage()) {
            return mapper.on(cupId);
        }
        Map<Long, OnCupRow> floor =
                Once.aPage(DesignBook.class, "floor", () -> mapper.onTheFloor(moments.now(), cupId).stream()
                        .collect(Collectors.toMap(OnCupRow::cupId, Function.identity())));
        return Optional.ofNullable(floor.get(cupId))
                .or(() -> Once.aPage(DesignBook.class, "on " + cupId, () -> mapper.on(cupId)));
    }

    /**
     * The cups a design is on.
     *
     * @param newest their codes, of the newest
     * @param of how many there are
     */
    record With(List<String> newest, int of) {
        static final With NONE = new With(List.of(), 0);

        public int more() {
            return of - newest.size();
        }
    }

    With cupsWith(long id) {
        return cups(id).getOrDefault(id, With.NONE);
    }

    /** The same of all designs, by their numbers. */
    Map<Long, With> cupsWith() {
        return cups(null);
    }

    private Map<Long, With> cups(@Nullable Long id) {
        return mapper.cupsWith(id, NEWEST_CUPS).stream()
                .collect(Collectors.groupingBy(
                        ArtMapper.WithRow::designId,
                        Collectors.collectingAndThen(
                                Collectors.toList(),
                                rows -> new With(
                                        rows.stream()
                                                .map(ArtMapper.WithRow::code)
                                                .toList(),
                                        rows.get(0).of()))));
    }

    /** Every design as it was last kept. */
    List<Kept> everyOne() {
        return mapper.kept().stream()
                .map(row -> new Kept(row.id(), row.number(), DesignFile.read(row.body(), shelf)))
                .toList();
    }

    /** Art for a design, by its file. Throws what reading it throws. */
    public long addArt(String name, byte[] file, String by) {
        return shelf.add(name, file, by);
    }

    /** An item made of art as it was drawn. */
    public nursery.core.wrap.Art art(long id) {
        return shelf.find(id).art();
    }

    /**
     * @return its number
     * @throws InvalidInput if another has the name
     */
    @Transactional
    public long add(Sketch sketch, String by) {
        refuseTaken(sketch.name(), 0);
        long id = mapper.insertDesign(sketch.name());
        mapper.insertVersion(id, 1, DesignFile.write(sketch), moments.now(), by);
        return id;
    }

    /**
     * @param version the one it was made from
     * @throws InvalidInput if another has the name, or someone saved it meanwhile
     */
    @Transactional
    public void save(long id, int version, Sketch sketch, String by) {
        refuseTaken(sketch.name(), id);
        if (mapper.update(id, version, sketch.name()) == 0) {
            mapper.design(id).orElseThrow(Gone::new);
            throw new InvalidInput(List.of(new Fault(
                    "version",
                    "Someone saved this design while you had it open. Give yours another name and save it as a new "
                            + "one, then compare.")));
        }
        mapper.insertVersion(id, version + 1, DesignFile.write(sketch), moments.now(), by);
    }

    @Transactional
    public void give(long cupId, long id) {
        DesignRow row = mapper.design(id).orElseThrow(Gone::new);
        mapper.give(cupId, id, row.version());
    }

    String givenTo(long cup) {
        return onCup(cup)
                .filter(row -> row.number() > 0)
                .map(OnCupRow::toString)
                .orElse("");
    }

    @Transactional
    public void take(long cupId) {
        mapper.take(cupId);
    }

    public Optional<Long> usualFor(String technique) {
        return mapper.usualFor(technique);
    }

    /** What cups started by a technique are given from now on; empty for none. */
    @Transactional
    public void setUsual(String technique, Optional<Long> id) {
        if (id.isPresent()) {
            mapper.setUsual(
                    technique, mapper.design(id.get()).orElseThrow(Gone::new).id());
        } else {
            mapper.noUsual(technique);
        }
    }

    private void refuseTaken(String name, long butFor) {
        mapper.named(name).filter(id -> id != butFor).ifPresent(id -> {
            throw new InvalidInput(List.of(
                    new Fault("name", "There is a design called “%s” already: choose another name.".formatted(name))));
        });
    }
}
