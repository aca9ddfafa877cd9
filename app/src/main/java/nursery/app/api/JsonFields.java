package nursery.app.api;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Supplier;
import nursery.core.measure.Dates;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * Reads a request's fields one by one, so that every wrong one is named and not only the first. A value that could not
 * be read comes back as NaN or empty, with its fault noted.
 */
final class JsonFields {

    private final Faults faults = new Faults();

    Faults faults() {
        return faults;
    }

    double number(String field, @Nullable JsonNode node) {
        faults.require(!isAbsent(node), field, field + " is missing: a number is needed.");
        return optionalNumber(field, node).orElse(Double.NaN);
    }

    OptionalDouble optionalNumber(String field, @Nullable JsonNode node) {
        if (node == null || isAbsent(node)) {
            return OptionalDouble.empty();
        }
        if (!node.isNumber() || !Double.isFinite(node.numberValue().doubleValue())) {
            faults.add(
                    field,
                    "%s is %s: it must be a finite number, with a point and without quotes."
                            .formatted(field, shorten(node.toString())));
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(node.numberValue().doubleValue());
    }

    /** A number, or what stands for a missing one. */
    double numberOr(String field, @Nullable JsonNode node, double otherwise) {
        return isAbsent(node) ? otherwise : number(field, node);
    }

    boolean flagOr(String field, @Nullable JsonNode node, boolean otherwise) {
        if (node == null || isAbsent(node)) {
            return otherwise;
        }
        faults.require(
                node.isBoolean(),
                field,
                "%s is %s: it must be true or false.".formatted(field, shorten(node.toString())));
        return node.isBoolean() ? node.asBoolean() : otherwise;
    }

    String text(String field, @Nullable JsonNode node) {
        if (node == null || isAbsent(node) || !node.isString()) {
            faults.add(field, field + (isAbsent(node) ? " is missing." : " must be text."));
            return "";
        }
        faults.require(!node.asString().isBlank(), field, field + " is empty.");
        return node.asString();
    }

    /** Runs a reading of a part of the request; what it complains of is named by its place in the whole. */
    <T> Optional<T> within(String part, Supplier<T> reading) {
        try {
            return Optional.of(reading.get());
        } catch (InvalidInput e) {
            e.faults().forEach(fault -> faults.add(part + "." + fault.field(), fault.message()));
        } catch (IllegalArgumentException e) {
            faults.add(part, String.valueOf(e.getMessage()));
        }
        return Optional.empty();
    }

    Optional<Instant> moment(String field, @Nullable JsonNode node) {
        String text = text(field, node);
        if (text.isBlank()) {
            return Optional.empty();
        }
        try {
            Instant moment = OffsetDateTime.parse(text).toInstant();
            return faults.attempt(field, () -> Dates.possible(moment));
        } catch (DateTimeException e) {
            faults.add(
                    field,
                    "“%s” is not a moment: write it with its offset, as 2026-03-01T18:00:00Z."
                            .formatted(shorten(text)));
            return Optional.empty();
        }
    }

    static boolean isAbsent(@Nullable JsonNode node) {
        return node == null || node.isNull() || node.isMissingNode();
    }

    static String shorten(String text) {
        return text.length() <= 40 ? text : text.substring(0, 40) + "…";
    }
}
