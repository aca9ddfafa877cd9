package nursery.app.api;

import com.fasterxml.jackson.annotation.JsonProperty;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import nursery.core.film.CoatRole;
import nursery.core.resin.LabelTimes;
import nursery.core.surface.Doing;
import nursery.core.surface.How;
import nursery.core.surface.Place;
import nursery.core.surface.Words;
import nursery.core.surface.Work;
import nursery.core.technique.Material;
import nursery.core.technique.Said;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** Something done to a cup, or about to be, as it is sent: the fields of a step, and when and where. */
record WorkRequest(
        @JsonProperty("do") @Schema(type = "string", example = "paint") @Nullable JsonNode doing,
        @Schema(type = "string", format = "date-time", description = "When it was begun") @Nullable JsonNode at,
        @Schema(type = "number", description = "How long hands were on it, 0 to 1440; 0 if left out") @Nullable
                JsonNode minutes,
        @Schema(
                        type = "string",
                        description = "all, rim, base, spots, handle-side, or a band up the side such as 0-60, mm")
                @Nullable
                JsonNode place,
        @Schema(type = "string") @Nullable JsonNode title,
        @Schema(type = "string") @Nullable JsonNode detail,
        @Schema(type = "string", description = "What coat it makes, as in a technique file") @Nullable JsonNode coat,
        @Schema(type = "string", description = "As in a technique file of version 1") @Nullable JsonNode material,
        @Schema(description = "A number, or words of version 1 that name one") @Nullable JsonNode grit,
        @Schema(type = "string", description = "brushed, aerosol") @Nullable JsonNode sealer,
        @Schema(type = "string", description = "soap, acetone, alcohol, paste") @Nullable JsonNode cleaner,
        @Schema(type = "string", description = "torch, gun-high, gun-low, warm-air") @Nullable JsonNode heat,
        @Schema(type = "string", description = "fine, coarse") @Nullable JsonNode grain,
        @Schema(type = "boolean", description = "Whether several glitters are blended") @Nullable
                JsonNode severalColours,
        @Schema(type = "boolean", description = "Whether flakes are sprinkled into a wet coat") @Nullable
                JsonNode sprinkled,
        @Schema(type = "boolean", description = "Whether sanding dust is washed off with the same hands") @Nullable
                JsonNode washed,
        @Schema(type = "string", description = "permanent, metallic, textured, printed-sheet, removable") @Nullable
                JsonNode vinyl,
        @Schema(type = "string", description = "right, wrong: how a coat was measured") @Nullable JsonNode ratio) {

    static final int MOST = 200;
    private static final double LONGEST_MIN = 24 * 60;
    private static final int COARSEST_GRIT = 20;
    private static final int FINEST_GRIT = 5000;

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
        Said said = new Said(words(title) + " " + words(detail));
        Material made = JsonFields.isAbsent(material)
                ? Material.ORDINARY
                : Material.named(fields.text(field + ".material", material)).orElseGet(() -> {
                    fields.faults().add(field + ".material", "No such material: see docs/techniques.md.");
                    return Material.ORDINARY;
                });
        Optional<CoatRole> role = JsonFields.isAbsent(coat)
                ? Optional.empty()
                : CoatRole.named(fields.text(field + ".coat", coat)).or(() -> {
                    fields.faults().add(field + ".coat", "No such coat: see docs/techniques.md.");
                    return Optional.empty();
                });
        How.Vinyl usual = found.filter(Doing.STENCIL::equals).isPresent() ? How.Vinyl.REMOVABLE : How.Vinyl.PERMANENT;
        return new How(
                one(fields, field + ".sealer", sealer, How.Sealer.class, Words.sealer(said)),
                one(fields, field + ".cleaner", cleaner, How.Cleaner.class, Words.cleaner(said)),
                one(fields, field + ".heat", heat, How.Heat.class, How.Heat.TORCH),
                one(
                        fields,
                        field + ".grain",
                        grain,
                        How.Grain.class,
                        made.isCoarse() ? How.Grain.COARSE : How.Grain.FINE),
                fields.flagOr(field + ".severalColours", severalColours, made == Material.MIXED_GLITTER),
                one(fields, field + ".vinyl", vinyl, How.Vinyl.class, Words.vinyl(made, usual)),
                grit(fields, field + ".grit"),
                role.filter(CoatRole.ADHESIVE_GENEROUS::equals).isPresent(),
                role.filter(CoatRole.BLOOM::equals).isPresent(),
                fields.flagOr(field + ".sprinkled", sprinkled, false),
                fields.flagOr(field + ".washed", washed, said.isWashed()),
                one(fields, field + ".ratio", ratio, How.Ratio.class, How.Ratio.RIGHT));
    }

    private int grit(JsonFields fields, String field) {
        if (grit == null || JsonFields.isAbsent(grit)) {
            return 0;
        }
        if (grit.isString()) {
            return new Said(grit.asString()).finestGrit().orElse(0);
        }
        double number = fields.number(field, grit);
        if (!Double.isNaN(number)) {
            fields.faults().within(field, "A grit", number, COARSEST_GRIT, FINEST_GRIT, "");
        }
        return (int) number;
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
