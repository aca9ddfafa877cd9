package nursery.app.inspect;

import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import nursery.app.cups.LogBook;
import nursery.app.cups.NotLogged;
import nursery.app.cups.PlanChanges;
import nursery.app.floor.Floors;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Published;
import nursery.core.cure.DewPoint;
import nursery.core.film.TurnerCheck;
import nursery.core.floor.CupNow;
import nursery.core.floor.Floor;
import nursery.core.inspect.Cause;
import nursery.core.inspect.Confirmed;
import nursery.core.inspect.CupFaults;
import nursery.core.inspect.Fact;
import nursery.core.inspect.Facts;
import nursery.core.inspect.Foresight;
import nursery.core.inspect.Learned;
import nursery.core.inspect.Model;
import nursery.core.inspect.OwnRemedy;
import nursery.core.inspect.Remedy;
import nursery.core.inspect.StartingModel;
import nursery.core.inspect.Treatment;
import nursery.core.log.Blemish;
import nursery.core.log.LogEntry;
import nursery.core.log.Mark;
import nursery.core.log.Refusal;
import nursery.core.log.Sighting;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.StepKind;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What this shop has learned of what goes wrong, and what is done about it. */
@Published
@Service
public class CaseBook {

    /** More settled cases than a shop has in years; the newest count. */
    private static final int MOST_CASES = 2000;

    private static final int LONGEST_KEY = 40;
    /** As often as an ordinary cause, until cases say otherwise. */
    private static final double OWN_PRIOR = 0.05;

    private final CaseMapper mapper;
    private final LogBook log;
    private final PlanChanges changes;
    private final Floors floors;
    private final Moments moments;

    CaseBook(CaseMapper mapper, LogBook log, PlanChanges changes, Floors floors, Moments moments) {
        this.mapper = mapper;
        this.log = log;
        this.changes = changes;
        this.floors = floors;
        this.moments = moments;
    }

    /** What goes wrong, as practice or this shop has it, moved by the shop's settled cases. */
    public Model model() {
        return Learned.from(written(), cases());
    }

    /** The same as it was written down, before any case moved it; read anew only when somebody changed it. */
    Model written() {
        Optional<String> body = mapper.model();
        if (body.isEmpty()) {
            return StartingModel.MODEL;
        }
        Known known = own;
        if (known == null || !known.body().equals(body.get())) {
            known = new Known(body.get(), ModelFile.read(body.get()));
            own = known;
        }
        return known.model();
    }

    /** A shop's own model as it was last read. */
    private record Known(String body, Model model) {}

    private volatile @Nullable Known own;

    @Transactional
    void take(Model model, String by) {
        mapper.saveModel(ModelFile.write(model), moments.now(), by);
    }

    /** What a shop does of its own, as it was typed: words, and the steps it puts into the plan. */
    record Own(String words, List<StepKind> steps) {}

    /** What ships holds again. */
    @Transactional
    void forget() {
        mapper.dropModel();
    }

    /**
     * Puts a cause of the shop's own beside the others.
     *
     * @param shows how likely it shows the fault
     * @param own what is done about it here
     */
    @Transactional
    void add(String words, Blemish fault, double shows, Optional<Remedy> remedy, Own own, String by) {
        Model model = written();
        String key =
                words.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^[^a-z]+|-$", "");
        String named = key.length() > LONGEST_KEY ? key.substring(0, LONGEST_KEY) : key;
        Cause cause = new Cause(
                named,
                words,
                OWN_PRIOR,
                List.of(),
                Map.of(fault.written(), shows),
                remedy.map(List::of).orElse(List.of()),
                Set.of(),
                own.words().isEmpty() && own.steps().isEmpty()
                        ? Optional.empty()
                        : Optional.of(new OwnRemedy(named, own.words(), own.steps())));
        if (key.length() < 2 || model.cause(cause.key()).isPresent()) {
            throw new InvalidInput(List.of(new Fault(
                    "words", "“%s” cannot be told from the causes there are: name it otherwise.".formatted(words))));
        }
        take(new Model(Stream.concat(model.causes().stream(), Stream.of(cause)).toList(), model.signs()), by);
    }

    /** What would likely go wrong with each of these coats, poured now; nothing where nothing is likely. */
    public List<List<Foresight>> ahead(Floor floor, List<Coat> coats) {
        Model model = model();
        return coats.stream()
                .map(coat -> Foresight.of(model, coat.facts(floor)))
                .toList();
    }

    /**
     * A coat that is not poured yet.
     *
     * @param check what its turner carries, if that is known and it turns
     */
    public record Coat(Optional<TurnerCheck> check) {
        Facts facts(Floor floor) {
            Map<Fact, Double> known = new EnumMap<>(Fact.class);
            check.ifPresent(found -> {
                known.put(Fact.FILM_MM, found.filmMm());
                known.put(Fact.CARRIES_MM, found.carriesMm());
            });
            double airC = floor.air().temperatureC(floor.now());
            known.put(Fact.AMBIENT_C, airC);
            floor.air().course().humidityPercentAt(floor.now()).ifPresent(humidity -> {
                known.put(Fact.HUMIDITY, humidity);
                known.put(Fact.DEW_MARGIN_C, airC - DewPoint.celsius(airC, humidity));
            });
            return new Facts(known);
        }
    }

    List<Confirmed> cases() {
        return mapper.settled(MOST_CASES).stream()
                .map(row -> new Confirmed(
                        row.cause(),
                        Sighting.read(Optional.ofNullable(row.seen()).orElse("")).stream()
                                .map(one -> one.fault().written())
                                .collect(Collectors.toSet())))
                .toList();
    }

    /**
     * Puts a remedy's steps before what is ahead of a cup, and writes down that it was chosen.
     *
     * @param cause what is held likeliest, by its key
     * @param expected the numbers of the steps ahead as the maker saw them
     * @throws NotLogged if the cup has left the bench, or somebody chose otherwise meanwhile
     */
    @Transactional
    public void choose(String code, Treatment remedy, String cause, List<Integer> expected, Mark mark) {
        log.hold(code);
        CupNow now = floors.cup(code).orElseThrow(Gone::new);
        if (now.state().gone().isPresent()) {
            throw NotLogged.refused(
                    Refusal.simple("remedy", "The cup has left the bench: open it again first, then choose."));
        }
        Instant at = mark.happenedAt();
        if (!CupFaults.steps(now, remedy, at).isEmpty()) {
            changes.replan(code, expected, CupFaults.ahead(now, remedy, at));
        }
        log.add(code, new LogEntry.RemedyChosen(mark, remedy.written(), cause), true);
    }

    /** Writes down what was behind it. */
    @Transactional
    public void settle(String code, String cause, Mark mark) {
        if (written().cause(cause).isEmpty()) {
            throw NotLogged.refused(Refusal.simple("cause", "No such cause is known: choose one of those told."));
        }
        log.add(code, new LogEntry.CauseKnown(mark, cause), true);
    }
}
