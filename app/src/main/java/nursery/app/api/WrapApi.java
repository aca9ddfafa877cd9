package nursery.app.api;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import nursery.app.api.BlankApi.BlankRequest;
import nursery.app.api.BlankApi.StationRequest;
import nursery.app.wrap.SvgDrawing;
import nursery.core.cup.Blank;
import nursery.core.wrap.Art;
import nursery.core.wrap.Flat;
import nursery.core.wrap.Laid;
import nursery.core.wrap.Lay;
import nursery.core.wrap.Piece;
import nursery.core.wrap.SectorFlat;
import nursery.core.wrap.Shapes;
import nursery.core.wrap.Side;
import nursery.core.wrap.StripsFlat;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

@RestController
@Tag(name = "Wrap", description = "The flat of a cup's side, and art fitted to it")
class WrapApi {

    /** No outline a blade follows is wider. */
    private static final double WIDEST_MM = 50;

    record FlatRequest(
            @ArraySchema(minItems = 2, maxItems = 60) @Nullable List<@Nullable StationRequest> outline,
            @Schema(type = "number", description = "The most a strip may stretch, as a share; 0.02 if left out")
                    @Nullable
                    JsonNode stretch) {}

    /**
     * @param kind rectangle, sector or strips
     * @param outerRadiusMm of a sector
     * @param innerRadiusMm of a sector
     * @param angleDeg of a sector, once around
     * @param count of strips
     * @param stretch what their edges stretch at most, as a share
     * @param sheetMm width and height of the sheet it is cut from
     */
    record FlatAnswer(
            String kind,
            @Nullable Double outerRadiusMm,
            @Nullable Double innerRadiusMm,
            @Nullable Double angleDeg,
            @Nullable Integer count,
            @Nullable Double stretch,
            double slantMm,
            List<Double> sheetMm) {}

    record WarpRequest(
            @ArraySchema(minItems = 2, maxItems = 60) @Nullable List<@Nullable StationRequest> outline,
            @Schema(type = "string", description = "The art, as SVG") @Nullable JsonNode svg,
            @Schema(type = "number", description = "Its middle, along the side from the base, mm", example = "40")
                    @Nullable
                    JsonNode heightFromBaseMm,
            @Schema(type = "number", description = "Its middle, around from the front, mm; 0 if left out") @Nullable
                    JsonNode aroundMm,
            @Schema(type = "number", description = "How wide it is to be, mm; as drawn if left out") @Nullable
                    JsonNode widthMm,
            @Schema(
                            type = "string",
                            allowableValues = {"level", "straight"})
                    @Nullable
                    JsonNode mode) {}

    record OutlineRequest(
            @Schema(type = "string", description = "The art, as SVG") @Nullable JsonNode svg,
            @Schema(type = "number", description = "How wide the outline is, mm", example = "1.75") @Nullable
                    JsonNode mm,
            @Schema(type = "boolean", description = "Whether holes stay; false if left out") @Nullable
                    JsonNode keepHoles) {}

    /**
     * @param svg in true millimetres
     * @param areaMm2 of its shapes
     * @param left what could not be taken, and why
     */
    record SvgAnswer(String svg, double areaMm2, double widthMm, double heightMm, List<String> left) {}

    @PostMapping("/api/flat")
    @Operation(
            summary = "Unroll the side of a cup",
            description = "A straight side is a rectangle, a taper a ring sector, both exact; a bulged side is cut "
                    + "into upright strips. Changes nothing.")
    FlatAnswer flat(@RequestBody FlatRequest request) {
        JsonFields fields = new JsonFields();
        Optional<Blank> blank = blank(fields, request.outline());
        double stretch = fields.numberOr("stretch", request.stretch(), Flat.STRETCH);
        fields.faults().within("stretch", "stretch", stretch, 0.0005, 0.2, "");
        fields.faults().throwIfAny();
        Flat flat = Flat.of(Side.of(blank.orElseThrow()), stretch);
        List<Double> sheet = List.of(flat.sheetWidthMm(), flat.sheetHeightMm());
        double slant = flat.side().slantMm();
        if (flat instanceof SectorFlat sector) {
            return new FlatAnswer(
                    "sector",
                    sector.outerRadiusMm(),
                    sector.innerRadiusMm(),
                    Math.toDegrees(sector.angle()),
                    null,
                    null,
                    slant,
                    sheet);
        }
        return flat instanceof StripsFlat strips
                ? new FlatAnswer("strips", null, null, null, strips.count(), strips.stretch(), slant, sheet)
                : new FlatAnswer("rectangle", null, null, null, null, null, slant, sheet);
    }

    @PostMapping("/api/warp")
    @Operation(
            summary = "Bend art so that it looks level on a cup",
            description = "Lays it on the side and unrolls that; what is level in the art is level on the cup. With "
                    + "mode straight nothing is bent. Changes nothing.")
    SvgAnswer warp(@RequestBody WarpRequest request) {
        JsonFields fields = new JsonFields();
        Optional<Blank> blank = blank(fields, request.outline());
        Optional<SvgDrawing> drawing = drawing(fields, request.svg());
        double up = fields.number("heightFromBaseMm", request.heightFromBaseMm());
        double around = fields.numberOr("aroundMm", request.aroundMm(), 0);
        String mode = request.mode() == null ? "level" : fields.text("mode", request.mode());
        Optional<Lay.Bend> bend = Lay.Bend.named(mode);
        fields.faults().require(bend.isPresent(), "mode", "mode is level or straight.");
        fields.faults().throwIfAny();
        Art art = drawing.orElseThrow().art();
        double width = fields.numberOr("widthMm", request.widthMm(), art.widthMm());
        Side side = Side.of(blank.orElseThrow());
        fields.faults().within("heightFromBaseMm", "heightFromBaseMm", up, 0, side.slantMm(), "mm");
        fields.faults().throwIfAny();
        Optional<Lay> lay = fields.faults()
                .attempt("widthMm", () -> new Lay(up, around / side.radiusMm(up), 0, width, bend.orElseThrow()));
        fields.faults().throwIfAny();
        return answer(Laid.of(Flat.of(side), art, lay.orElseThrow()).cut(), drawing.orElseThrow());
    }

    @PostMapping("/api/outline")
    @Operation(
            summary = "Outline art",
            description = "The shape and all that lies within so many mm of it, its corners rounded, all pieces "
                    + "joined. Changes nothing.")
    SvgAnswer outline(@RequestBody OutlineRequest request) {
        JsonFields fields = new JsonFields();
        Optional<SvgDrawing> drawing = drawing(fields, request.svg());
        double mm = fields.number("mm", request.mm());
        boolean keepHoles = fields.flagOr("keepHoles", request.keepHoles(), false);
        if (!Double.isNaN(mm)) {
            fields.faults().within("mm", "The outline", mm, 0.01, WIDEST_MM, "mm");
        }
        fields.faults().throwIfAny();
        Art art = drawing.orElseThrow().art();
        var joined = Shapes.joined(art.pieces().stream().map(Piece::shape).toList());
        return answer(
                List.of(new Piece("outline", "#000000", Shapes.grown(joined, mm, keepHoles))), drawing.orElseThrow());
    }

    private static SvgAnswer answer(List<Piece> pieces, SvgDrawing drawing) {
        var box = new org.locationtech.jts.geom.Envelope();
        pieces.forEach(piece -> box.expandToInclude(piece.shape().getEnvelopeInternal()));
        return new SvgAnswer(
                SvgDrawing.file(pieces),
                pieces.stream().mapToDouble(Piece::areaMm2).sum(),
                box.getWidth(),
                box.getHeight(),
                drawing.left());
    }

    private static Optional<Blank> blank(JsonFields fields, @Nullable List<@Nullable StationRequest> outline) {
        return BlankApi.blank(fields, "", new BlankRequest(outline, null, null, null, null));
    }

    private static Optional<SvgDrawing> drawing(JsonFields fields, @Nullable JsonNode svg) {
        String text = fields.text("svg", svg);
        return text.isBlank()
                ? Optional.empty()
                : fields.faults().attempt("svg", () -> SvgDrawing.read(text.getBytes(StandardCharsets.UTF_8)));
    }
}
