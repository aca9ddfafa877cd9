package nursery.app.inspect;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import nursery.app.platform.CheckedJson;
import nursery.core.inspect.Cause;
import nursery.core.inspect.Evidence;
import nursery.core.inspect.Fact;
import nursery.core.inspect.Model;
import nursery.core.inspect.OwnRemedy;
import nursery.core.inspect.Remedy;
import nursery.core.inspect.Sign;
import nursery.core.inspect.StartingModel;
import nursery.core.log.Blemish;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import nursery.core.technique.StepKind;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/**
 * What goes wrong, as a file: JSON by the schema in {@code inspect/faults.schema.json}, described in docs/faults.md.
 * What is read is checked against the schema first, then by the model itself; every fault is named at once.
 */
final class ModelFile {

    private static final CheckedJson FILE = new CheckedJson("/inspect/faults.schema.json", "list of causes");

    private ModelFile() {}

    /** @throws InvalidInput with every fault, named by its place in the file */
    static Model read(byte[] file) {
        return read(FILE.read(file));
    }

    static Model read(String text) {
        return read(FILE.read(text));
    }

    static byte[] schemaFile() {
        return FILE.schemaFile();
    }

    private static Model read(JsonNode root) {
        List<Fault> faults = new ArrayList<>();
        List<Cause> causes =
                stream(root.path("causes")).map(node -> cause(node, faults)).toList();
        if (!faults.isEmpty()) {
            throw new InvalidInput(faults);
        }
        List<Sign> signs = new ArrayList<>(stream(root.path("signs"))
                .map(node -> new Sign(
                        node.path("key").asString(""),
                        node.path("question").asString(""),
                        node.path("leak").asDouble(0),
                        node.path("yes").asString(""),
                        node.path("no").asString("")))
                .toList());
        // A file from before a fault could be seen knows no sign of it.
        for (Blemish blemish : Blemish.values()) {
            if (signs.stream().noneMatch(sign -> sign.key().equals(blemish.written()))) {
                StartingModel.MODEL.sign(blemish.written()).ifPresent(signs::add);
            }
        }
        return new Model(causes, signs);
    }

    private static Cause cause(JsonNode node, List<Fault> faults) {
        String key = node.path("key").asString("");
        Map<String, Double> shows = new HashMap<>();
        node.path("shows")
                .properties()
                .forEach(shown -> shows.put(shown.getKey(), shown.getValue().asDouble(0)));
        List<Evidence> evidence = new ArrayList<>();
        stream(node.path("evidence")).forEach(one -> {
            String name = one.path("fact").asString("");
            Fact.named(name)
                    .ifPresentOrElse(
                            fact -> evidence.add(new Evidence(
                                    fact,
                                    one.path("from").asDouble(Double.NEGATIVE_INFINITY),
                                    one.path("below").asDouble(Double.POSITIVE_INFINITY),
                                    one.path("decibans").asDouble(0),
                                    one.path("why").asString(""))),
                            () -> faults.add(new Fault(
                                    "causes." + key, "%s: “%s” is no fact that is weighed.".formatted(key, name))));
        });
        return new Cause(
                key,
                node.path("words").asString(""),
                node.path("prior").asDouble(0),
                evidence,
                shows,
                remedies(node.path("helps")).toList(),
                remedies(node.path("forbids")).collect(Collectors.toSet()),
                own(key, node));
    }

    private static Optional<OwnRemedy> own(String key, JsonNode node) {
        return Optional.of(node.path("own").asString("").strip())
                .filter(words -> !words.isEmpty())
                .map(words -> new OwnRemedy(
                        key,
                        words,
                        stream(node.path("ownSteps"))
                                .flatMap(step -> StepKind.named(step.asString("")).stream())
                                .toList()));
    }

    private static Stream<Remedy> remedies(JsonNode node) {
        return stream(node).flatMap(one -> Remedy.named(one.asString("")).stream());
    }

    private static Stream<JsonNode> stream(JsonNode node) {
        return StreamSupport.stream(node.spliterator(), false);
    }

    static String write(Model model) {
        ObjectNode root = CheckedJson.object().put("format", "nursery-faults").put("version", 1);
        ArrayNode signs = root.putArray("signs");
        for (Sign sign : model.signs()) {
            ObjectNode node = signs.addObject().put("key", sign.key());
            if (sign.isAsked()) {
                node.put("question", sign.question());
            }
            node.put("leak", sign.leak()).put("yes", sign.yes()).put("no", sign.no());
        }
        ArrayNode causes = root.putArray("causes");
        model.causes().forEach(cause -> write(causes.addObject(), cause));
        return CheckedJson.written(root);
    }

    private static void write(ObjectNode node, Cause cause) {
        node.put("key", cause.key()).put("words", cause.words()).put("prior", cause.prior());
        ArrayNode evidence = node.putArray("evidence");
        for (Evidence one : cause.evidence()) {
            ObjectNode band = evidence.addObject().put("fact", one.fact().key());
            if (Double.isFinite(one.from())) {
                band.put("from", one.from());
            }
            if (Double.isFinite(one.below())) {
                band.put("below", one.below());
            }
            band.put("decibans", one.decibans()).put("why", one.words());
        }
        ObjectNode shows = node.putObject("shows");
        cause.shows().entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .forEach(shown -> shows.put(shown.getKey(), shown.getValue()));
        write(node.putArray("helps"), cause.helps());
        write(
                node.putArray("forbids"),
                Set.copyOf(cause.forbids()).stream().sorted().toList());
        cause.own().ifPresent(own -> {
            node.put("own", own.words());
            if (!own.kinds().isEmpty()) {
                ArrayNode steps = node.putArray("ownSteps");
                own.kinds().forEach(kind -> steps.add(kind.written()));
            }
        });
    }

    private static void write(ArrayNode into, List<Remedy> remedies) {
        remedies.forEach(remedy -> into.add(remedy.written()));
    }
}
