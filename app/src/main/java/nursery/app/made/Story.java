package nursery.app.made;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import nursery.core.stock.MaterialKind;
import org.jspecify.annotations.Nullable;

/**
 * A cup's whole story, as the page shows it, the PDF prints it and {@code /api/cups/{code}/story} tells it, by
 * {@code story.schema.json}. Lengths are in mm, volumes in ml, temperatures in °C, moments in UTC.
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
record Story(
        String format,
        int version,
        String code,
        String name,
        String madeFor,
        String technique,
        String blank,
        double coatedCm2,
        @Nullable String design,
        Instant startedAt,
        @Nullable LocalDate dueOn,
        String state,
        @Nullable Instant fullCureAt,
        List<Layer> layers,
        List<Coat> coats,
        List<ResinLot> resinLots,
        List<Used> materials,
        List<Entry> log,
        List<Photo> photos,
        @Nullable String nextTime,
        int handsOnMinutes,
        @Nullable Cost cost) {

    static final String FORMAT = "nursery-story";

    /** From the steel up. */
    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Layer(String what, @Nullable Double filmMm, @Nullable String colour) {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Coat(
            String what,
            Instant pouredAt,
            String by,
            double amountMl,
            double filmMm,
            String resin,
            double roomC,
            @Nullable String spindle) {}

    record ResinLot(String part, String lot, double ml) {}

    @JsonInclude(JsonInclude.Include.NON_NULL)
    record Used(
            @Nullable String step, String name, String kind, String colour, double amount, String unit, String lot) {

        @JsonIgnore
        public String much() {
            return MaterialKind.named(kind).orElseThrow().measure().show(amount);
        }
    }

    record Entry(Instant at, String what, String by, String note, boolean cancelled) {}

    record Photo(String file, String kind, String words, Instant at) {}

    record Cost(String currency, BigDecimal soFar, BigDecimal foretold) {}
}
