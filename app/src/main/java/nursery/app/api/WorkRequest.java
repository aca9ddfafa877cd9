package nursery.app.api;

import com.fasterxml.jackson.annotation.JsonProperty;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.core.film.CoatRole;
import nursery.core.resin.LabelTimes;
import nursery.core.surface.Doing;
import nursery.core.surface.How;
import nursery.core.surface.Place;
import nursery.core.surface.Work;
import nursery.core.technique.Field;
import nursery.core.technique.Fields;
import nursery.core.technique.Grit;
import nursery.core.technique.StepKind;
import nursery.core.technique.Words;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Something done to a cup, or about to be, as it is sent: the fields of a step, and when and where. */
record WorkRequest(
        @JsonProperty("do") @Schema(type = "string", example = "paint") @Nullable JsonNode doing,
        @Schema(type = "string", format = "date-time", description = "When it was begun") @Nullable JsonNode at,
        @Schema(type = "number", description = "How long hands were on it, 0 to 1440; 0 if left out") @Nullable
                JsonNode minutes,
        @Schema(type = "string", description = "A part, as in a technique file, or a band up the side such as 0-60, mm")
                @Nullable
                JsonNode place,
        @Schema(type = "string") @Nullable JsonNode title,
        @Schema(type = "string") @Nullable JsonNode detail,
        @Schema(type = "string", description = "What coat it makes, as in a technique file") @Nullable JsonNode coat,
        @Schema(type = "string", description = "As in a technique file of version 1") @Nullable JsonNode material,
        @Schema(description = "One number, or the coarsest and the finest; or the words of version 1") @Nullable
                JsonNode grit,
        @Schema(type = "string", description = "brushed, aerosol") @Nullable JsonNode sealer,
        @Schema(type = "string", description = "soap, acetone, alcohol, paste") @Nullable JsonNode cleaner,
        @Schema(type = "string", description = "none, torch, gun-high, gun-low, warm-air") @Nullable JsonNode heat,
        @Schema(type = "string", description = "fine, coarse") @Nullable JsonNode grain,
        @Schema(type = "string", description = "one, several") @Nullable JsonNode colours,
        @Schema(type = "string", description = "on-top, sprinkled, stirred-in") @Nullable JsonNode strewn,
        @Schema(type = "string", description = "left, washed-off: the dust of sanding") @Nullable JsonNode dust,
        @Schema(type = "string", description = "spindle, by-hand, hung") @Nullable JsonNode turned,
        @Schema(type = "string", description = "permanent, metallic, textured, printed-sheet, removable") @Nullable
                JsonNode vinyl,
        @Schema(type = "string", description = "unknown, right, soft (and never measured), wrong: a coat's mix")
                @Nullable
                JsonNode ratio) {

    static final int MOST = 200;
    private static final double LONGEST_MIN = 24 * 60;

    /**
     * What was read.
     *
     * @param at when it was begun; long ago for what is only asked about
     */
    record Read(Doing doing, How how, Place place, Instant at, Duration minutes) {

        Work numbered(int id, LabelTimes label) {
            return new Work(id, doing, how, place, doing.isPour() ? Optional.of(label) : Optional.empty());
        }
    }

    /** @param dated whether each must say when it was */
    static List<Read> all(
            JsonFields fields,
            String part,
            @Nullable List<@Nullable WorkRequest> requested,
            double sideMm,
            boolean dated) {
        List<Read> works = new ArrayList<>();
        if (requested == null) {
            return works;
        }
        fields.faults().require(requested.size() <= MOST, part, "%s holds at most %d works.".formatted(part, MOST));
        for (int i = 0; i < Math.min(MOST, requested.size()); i++) {
            String field = "%s[%d]".formatted(part, i);
            WorkRequest one = requested.get(i);
            if (one == null) {
                fields.faults().add(field, field + " is nothing: say what is done.");
            } else {
                one.read(fields, field, sideMm, dated).ifPresent(works::add);
            }
        }
        return works;
    }

    private Optional<Read> read(JsonFields fields, String field, double sideMm, boolean dated) {
        int before = fields.faults().found().size();
        String named = fields.text(field + ".do", doing);
        Optional<Doing> found = Doing.named(named);
        fields.faults()
                .require(
                        named.isBlank() || found.isPresent(),
                        field + ".do",
                        "“%s” is nothing that is done to a cup: write it as in a technique file, as water-slide."
                                .formatted(JsonFields.shorten(named)));
        Instant begun = dated ? fields.moment(field + ".at", at).orElse(Instant.EPOCH) : Instant.EPOCH;
        double lasted = fields.numberOr(field + ".minutes", minutes, 0);
        if (!Double.isNaN(lasted)) {
            fields.faults().within(field + ".minutes", "The minutes", lasted, 0, LONGEST_MIN, "min");
        }
        How how = how(fields, field, found);
        Optional<Place> where = JsonFields.isAbsent(place)
                ? found.map(Work::usualPlace)
                : fields.faults()
                        .attempt(field + ".place", () -> Place.parse(fields.text(field + ".place", place), sideMm));
        return fields.faults().found().size() > before
                ? Optional.empty()
                : Optional.of(new Read(
                        found.orElseThrow(),
                        how,
                        where.orElseThrow(),
                        begun,
                        Duration.ofMillis(Math.round(lasted * 60_000))));
    }

    private How how(JsonFields fields, String field, Optional<Doing> found) {
        Optional<CoatRole> role = JsonFields.isAbsent(coat)
                ? Optional.empty()
                : CoatRole.named(fields.text(field + ".coat", coat)).or(() -> {
                    fields.faults().add(field + ".coat", "No such coat: see docs/techniques.md.");
                    return Optional.empty();
                });
        Optional<StepKind> kind = found.flatMap(Doing::step);
        Fields said = kind.map(step -> said(fields, field, step)).orElseGet(() -> Fields.usual(StepKind.WASH));
        return new How(
                said,
                role.filter(CoatRole.ADHESIVE_GENEROUS::equals).isPresent(),
                role.filter(CoatRole.BLOOM::equals).isPresent(),
                one(fields, field + ".ratio", ratio, How.Ratio.class, How.Ratio.UNKNOWN));
    }

    /** What its fields say; of what they do not say, what the words of a version 1 step do. */
    private Fields said(JsonFields fields, String at, StepKind kind) {
        String made = JsonFields.isAbsent(material) ? "" : fields.text(at + ".material", material);
        fields.faults().require(Words.isMaterial(made), at + ".material", "No such material: see docs/techniques.md.");
        Fields said = Words.read(kind, words(title), words(detail), made, words(grit));
        for (Map.Entry<Field, @Nullable JsonNode> sent : sent().entrySet()) {
            if (!JsonFields.isAbsent(sent.getValue())) {
                String name = at + "." + sent.getKey().written();
                String named = fields.text(name, sent.getValue());
                Optional<Fields> read = said.with(sent.getKey(), named);
                fields.faults()
                        .require(
                                named.isBlank() || read.isPresent(),
                                name,
                                "“%s” is none of %s."
                                        .formatted(
                                                JsonFields.shorten(named),
                                                sent.getKey()
                                                        .choices()
                                                        .map(Field.Choice::written)
                                                        .collect(Collectors.joining(", "))));
                said = read.orElse(said);
            }
        }
        return grit == null || JsonFields.isAbsent(grit) || grit.isString()
                ? said
                : said.with(grit(fields, at + ".grit", grit));
    }

    private Map<Field, @Nullable JsonNode> sent() {
        Map<Field, @Nullable JsonNode> sent = new EnumMap<>(Field.class);
        sent.put(Field.SEALER, sealer);
        sent.put(Field.CLEANER, cleaner);
        sent.put(Field.HEAT, heat);
        sent.put(Field.GRAIN, grain);
        sent.put(Field.COLOURS, colours);
        sent.put(Field.STREWN, strewn);
        sent.put(Field.VINYL, vinyl);
        sent.put(Field.DUST, dust);
        sent.put(Field.TURNED, turned);
        return sent;
    }

    private static Grit grit(JsonFields fields, String at, JsonNode sent) {
        JsonNode first = sent.isArray() && sent.size() == 2 ? sent.get(0) : sent;
        JsonNode last = sent.isArray() && sent.size() == 2 ? sent.get(1) : sent;
        double one = fields.number(at, first);
        double other = fields.number(at, last);
        boolean isRead = !Double.isNaN(one) && !Double.isNaN(other);
        boolean isWhole = isRead && one == Math.rint(one) && other == Math.rint(other);
        fields.faults().require(!isRead || isWhole, at, "A grit is a whole number.");
        return isWhole
                        && fields.faults().within(at, "A grit", one, Grit.LOWEST, Grit.HIGHEST, "")
                        && fields.faults().within(at, "A grit", other, Grit.LOWEST, Grit.HIGHEST, "")
                ? new Grit((int) Math.min(one, other), (int) Math.max(one, other))
                : Grit.UNSAID;
    }

    private static <E extends Enum<E>> E one(
            JsonFields fields, String field, @Nullable JsonNode node, Class<E> kinds, E otherwise) {
        if (JsonFields.isAbsent(node)) {
            return otherwise;
        }
        String named = fields.text(field, node);
        Optional<E> found = Arrays.stream(kinds.getEnumConstants())
                .filter(kind -> written(kind).equals(named))
                .findFirst();
        fields.faults()
                .require(
                        named.isBlank() || found.isPresent(),
                        field,
                        "“%s” is none of %s."
                                .formatted(
                                        JsonFields.shorten(named),
                                        Arrays.stream(kinds.getEnumConstants())
                                                .map(WorkRequest::written)
                                                .collect(Collectors.joining(", "))));
        return found.orElse(otherwise);
    }

    private static String written(Enum<?> kind) {
        return kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static String words(@Nullable JsonNode node) {
        return node != null && node.isString() ? node.asString() : "";
    }
}
