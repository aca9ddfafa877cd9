package nursery.app.api;

import com.fasterxml.jackson.annotation.JsonInclude;
import com.fasterxml.jackson.annotation.JsonProperty;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import nursery.core.cup.Blank;
import nursery.core.cure.CoatTimes;
import nursery.core.cure.RoomCourse;
import nursery.core.resin.Label;
import nursery.core.resin.LabelTimes;
import nursery.core.resin.StartingProfile;
import nursery.core.surface.Bound;
import nursery.core.surface.Bound.Side;
import nursery.core.surface.Doing;
import nursery.core.surface.Exposed;
import nursery.core.surface.Moments;
import nursery.core.surface.Opening;
import nursery.core.surface.Place;
import nursery.core.surface.Surface;
import nursery.core.surface.Table;
import nursery.core.surface.Work;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Surface", description = "What lies on a cup, and what may go on it, when")
class SurfaceApi {

    private static final double USUAL_C = 22;
    private static final double COLDEST_C = -10;
    private static final double WARMEST_C = 60;

    record CupRequest(
            @ArraySchema(minItems = 2, maxItems = 60) @Nullable List<BlankApi.@Nullable StationRequest> outline,
            @Schema(type = "boolean") @Nullable JsonNode baseCoated,
            @Schema(type = "number") @Nullable JsonNode rimBareMm,
            @Schema(type = "number") @Nullable JsonNode baseBareMm,
            @Schema(type = "number") @Nullable JsonNode handleGapMm,
            @Schema(type = "boolean", description = "Whether it came with a coat of powder; false if left out")
                    @Nullable
                    JsonNode factoryCoat) {

        BlankApi.BlankRequest blank() {
            return new BlankApi.BlankRequest(outline, baseCoated, rimBareMm, baseBareMm, handleGapMm);
        }
    }

    record SurfaceRequest(
            @Schema(requiredMode = Schema.RequiredMode.REQUIRED) @Nullable CupRequest blank,
            @Schema(type = "boolean", description = "With a fast resin throughout; false if left out") @Nullable
                    JsonNode fast,
            @Schema(type = "number", description = "Of the room, °C, -10 to 60; 22 if left out") @Nullable
                    JsonNode temperatureC,
            @ArraySchema(maxItems = WorkRequest.MOST) @Nullable List<@Nullable WorkRequest> done,
            @ArraySchema(maxItems = WorkRequest.MOST) @Nullable List<@Nullable WorkRequest> next,
            @Schema(type = "string", format = "date-time", description = "The end of the last work if left out")
                    @Nullable
                    JsonNode asOf) {}

    record PatchAnswer(String place, String layer, String condition) {}

    /**
     * @param layer what it counts from
     * @param at when that bound lies; none where it is never
     */
    @JsonInclude(JsonInclude.Include.ALWAYS)
    record BecauseAnswer(String layer, @Nullable Instant at, String grave, String words) {}

    @JsonInclude(JsonInclude.Include.ALWAYS)
    record NextAnswer(
            String doing,
            @Nullable Instant from,
            @Nullable Instant bestUntil,
            @Nullable Instant until,
            boolean never,
            List<BecauseAnswer> because,
            String verdictNow) {

        /** Named as in a request. */
        @JsonProperty("do")
        @Override
        public String doing() {
            return doing;
        }
    }

    record SurfaceAnswer(List<PatchAnswer> patches, List<NextAnswer> next) {}

    @PostMapping("/api/surface")
    @Operation(
            summary = "What may go on a cup, and when",
            description = "From the layers each work meets, by one table. A wall's clock counts from \"at\" and "
                    + "\"minutes\" of the work, the cure clock from \"at\" of the pour. Changes nothing.")
    SurfaceAnswer surface(@RequestBody SurfaceRequest request) {
        JsonFields fields = new JsonFields();
        CupRequest cup = request.blank();
        Optional<Blank> blank = BlankApi.blank(fields, "blank.", cup == null ? null : cup.blank());
        boolean factoryCoat = cup != null && fields.flagOr("blank.factoryCoat", cup.factoryCoat(), false);
        boolean fast = fields.flagOr("fast", request.fast(), false);
        double temperatureC = fields.numberOr("temperatureC", request.temperatureC(), USUAL_C);
        if (!Double.isNaN(temperatureC)) {
            fields.faults().within("temperatureC", "The temperature", temperatureC, COLDEST_C, WARMEST_C, "°C");
        }
        Optional<Instant> asOf = request.asOf() == null || request.asOf().isNull()
                ? Optional.empty()
                : fields.moment("asOf", request.asOf());
        double sideMm = blank.map(one -> one.area().slantMm()).orElse(Place.RIM_MM);
        List<WorkRequest.Read> done = WorkRequest.all(fields, "done", request.done(), sideMm, true);
        List<WorkRequest.Read> next = WorkRequest.all(fields, "next", request.next(), sideMm, false);
        fields.faults().throwIfAny();

        Label label = (fast ? StartingProfile.FAST : StartingProfile.REGULAR).label();
        RoomCourse room = RoomCourse.steady(temperatureC);
        Surface surface = Surface.of(factoryCoat);
        Moments moments = Moments.NONE;
        List<WorkRequest.Read> inOrder = new ArrayList<>(done);
        inOrder.sort(Comparator.comparing(WorkRequest.Read::at));
        Instant end = Instant.EPOCH;
        for (int i = 0; i < inOrder.size(); i++) {
            WorkRequest.Read one = inOrder.get(i);
            Work work = one.numbered(i + 1, label.times());
            surface = surface.after(work);
            moments = work.doing().isPour()
                    ? moments.and(new CoatTimes(label, room, one.at()), one.minutes())
                    : moments.and(one.at(), one.minutes());
            end = end.isAfter(one.at().plus(one.minutes())) ? end : one.at().plus(one.minutes());
        }
        Instant now = asOf.orElse(end);
        return new SurfaceAnswer(patches(surface, moments, now), next(next, surface, moments, now, label.times()));
    }

    private static List<PatchAnswer> patches(Surface surface, Moments moments, Instant now) {
        return Exposed.of(surface, moments, now).stream()
                .map(patch -> new PatchAnswer(
                        patch.place().written(),
                        patch.lay().name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        String.join(", ", patch.condition())))
                .toList();
    }

    private static List<NextAnswer> next(
            List<WorkRequest.Read> next, Surface surface, Moments moments, Instant now, LabelTimes label) {
        List<NextAnswer> answers = new ArrayList<>();
        int id = surface.works().size() + 1;
        for (int i = 0; i < next.size(); i++) {
            Work work = next.get(i).numbered(id, label);
            List<Doing> later = next.subList(i + 1, next.size()).stream()
                    .map(WorkRequest.Read::doing)
                    .toList();
            Opening opening = Opening.of(Table.bounds(work, surface, later), moments);
            answers.add(new NextAnswer(
                    work.doing().written(),
                    moment(opening.from()),
                    moment(opening.bestUntil()),
                    moment(opening.until()),
                    opening.never(),
                    opening.because().stream()
                            .map(bound -> because(bound, surface, moments))
                            .toList(),
                    opening.at(now.toEpochMilli()).name().toLowerCase(Locale.ROOT)));
        }
        return answers;
    }

    private static BecauseAnswer because(Bound bound, Surface surface, Moments moments) {
        String layer = surface.works().stream()
                .filter(work -> work.id() == bound.work())
                .map(work -> work.doing().written())
                .findFirst()
                .orElse("blank");
        return new BecauseAnswer(
                layer,
                bound.side() == Side.NEVER ? null : moment(bound.on(moments)),
                bound.cell().grave().name().toLowerCase(Locale.ROOT),
                bound.cell().words());
    }

    private static @Nullable Instant moment(double epochMs) {
        return Double.isInfinite(epochMs) ? null : Instant.ofEpochMilli((long) epochMs);
    }
}
