package nursery.app.techniques;

import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.Technique;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Every technique there is: those that ship, read once, and those of the maker's own. */
@Published
@Service
public class TechniqueBook {

    /** The one to begin with comes first; the others in the order of their names. */
    private static final String FIRST = "one-colour-glitter";

    private final TechniqueMapper mapper;
    private final Moments moments;
    private final List<ShelvedTechnique> shipped;

    TechniqueBook(TechniqueMapper mapper, Moments moments) {
        this.mapper = mapper;
        this.moments = moments;
        this.shipped = shipped();
    }

    /**
     * A technique as its file has it.
     *
     * @throws nursery.core.measure.InvalidInput with every fault, named by its place in the file
     */
    public static Technique read(String file) {
        return TechniqueFile.read(file);
    }

    public List<ShelvedTechnique> all() {
        return Stream.concat(own().stream(), shipped.stream()).toList();
    }

    public List<ShelvedTechnique> shippedOnes() {
        return shipped;
    }

    public List<ShelvedTechnique> own() {
        return mapper.all().stream()
                .map(row -> new ShelvedTechnique(
                        String.valueOf(row.id()), true, row.version(), TechniqueFile.read(row.body())))
                .toList();
    }

    public Optional<ShelvedTechnique> find(String key) {
        return all().stream().filter(technique -> technique.key().equals(key)).findFirst();
    }

    /**
     * Puts a technique on the shelf.
     *
     * @return its key
     * @throws InvalidInput if another has the name
     */
    @Transactional
    public String add(Technique technique, String by) {
        refuseTaken(technique.name(), "");
        mapper.insert(technique.name(), TechniqueFile.write(technique), moments.now(), by);
        return String.valueOf(mapper.named(technique.name()).orElseThrow(Gone::new));
    }

    /**
     * Changes one of the maker's own; cups that were started with it keep the plan they have.
     *
     * @throws InvalidInput if another has the name, or someone changed it since {@code version} was read
     */
    @Transactional
    public void change(String key, int version, Technique technique, String by) {
        refuseTaken(technique.name(), key);
        if (mapper.update(
                        Long.parseLong(key),
                        version,
                        technique.name(),
                        TechniqueFile.write(technique),
                        moments.now(),
                        by)
                == 0) {
            throw new InvalidInput(List.of(new Fault(
                    "version",
                    "Someone changed or removed this technique while you had it open. Save yours "
                            + "under another name, then compare.")));
        }
    }

    @Transactional
    public void remove(String key) {
        mapper.delete(Long.parseLong(key));
    }

    private void refuseTaken(String name, String exceptKey) {
        if (all().stream()
                .anyMatch(other -> other.technique().name().equalsIgnoreCase(name)
                        && !other.key().equals(exceptKey))) {
            throw new InvalidInput(List.of(new Fault(
                    "name", "There is a technique called “%s” already: choose another name.".formatted(name))));
        }
    }

    static List<ShelvedTechnique> shipped() {
        try {
            return Stream.of(new PathMatchingResourcePatternResolver().getResources("classpath:/techniques/*.json"))
                    .filter(file -> !String.valueOf(file.getFilename()).contains(".schema."))
                    .map(TechniqueBook::shipped)
                    .sorted((a, b) -> a.key().equals(FIRST)
                            ? -1
                            : b.key().equals(FIRST)
                                    ? 1
                                    : a.technique()
                                            .name()
                                            .compareTo(b.technique().name()))
                    .toList();
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    private static ShelvedTechnique shipped(Resource file) {
        try {
            return new ShelvedTechnique(
                    String.valueOf(file.getFilename()).replace(".json", ""),
                    false,
                    0,
                    TechniqueFile.read(file.getContentAsByteArray()));
        } catch (IOException e) {
            throw new IllegalStateException(e);
        } catch (InvalidInput e) {
            throw new IllegalStateException(
                    "A technique that ships is wrong, " + file.getFilename() + ": " + e.faults(), e);
        }
    }
}
