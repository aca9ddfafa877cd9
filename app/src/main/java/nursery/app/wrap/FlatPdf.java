package nursery.app.wrap;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Optional;
import nursery.app.platform.Pdf;
import nursery.core.wrap.Fitting;
import nursery.core.wrap.Flat;
import nursery.core.wrap.Laid;
import nursery.core.wrap.OnCup;
import nursery.core.wrap.OnFlat;
import nursery.core.wrap.Piece;
import nursery.core.wrap.Shapes;
import nursery.core.wrap.Side;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.locationtech.jts.geom.Coordinate;
import org.locationtech.jts.geom.Envelope;
import org.locationtech.jts.geom.Geometry;
import org.locationtech.jts.geom.LineString;
import org.locationtech.jts.geom.Polygon;

/**
 * The flat with its design in true size, over as many sheets as it takes: they overlap, and crosses say where. Each has
 * a rule of 100 mm to check the printer by.
 */
final class FlatPdf {

    private static final double POINT_MM = 25.4 / 72;
    private static final double MARGIN_MM = 12;
    /** Below the drawing, for the rule. */
    private static final double FOOT_MM = 12;

    private static final double OVERLAP_MM = 10;
    private static final double RULE_MM = 100;

    /** Paper a printer has. */
    enum Paper {
        A4(210, 297),
        LETTER(215.9, 279.4);

        private final double widthMm;
        private final double heightMm;

        Paper(double widthMm, double heightMm) {
            this.widthMm = widthMm;
            this.heightMm = heightMm;
        }
    }

    private final PDDocument document = new PDDocument();
    private final Fitting fitting;
    private final Paper paper;
    private Optional<PDFont> loaded = Optional.empty();

    private FlatPdf(Fitting fitting, Paper paper) {
        this.fitting = fitting;
        this.paper = paper;
    }

    static byte[] of(Fitting fitting, Paper paper) {
        FlatPdf pdf = new FlatPdf(fitting, paper);
        try (PDDocument document = pdf.document;
                ByteArrayOutputStream bytes = new ByteArrayOutputStream()) {
            pdf.sheets();
            document.save(bytes);
            return bytes.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Lying or standing, whichever takes fewer sheets. */
    private void sheets() throws IOException {
        Envelope box = box();
        boolean lying = count(box, paper.heightMm, paper.widthMm) < count(box, paper.widthMm, paper.heightMm);
        double width = lying ? paper.heightMm : paper.widthMm;
        double height = lying ? paper.widthMm : paper.heightMm;
        double across = width - 2 * MARGIN_MM;
        double up = height - 2 * MARGIN_MM - FOOT_MM;
        int columns = tiles(box.getWidth(), across);
        int rows = tiles(box.getHeight(), up);
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) {
                double left = box.getMinX() + column * (across - OVERLAP_MM);
                double bottom = box.getMaxY() - up - row * (up - OVERLAP_MM);
                sheet(width, height, left, bottom, row * columns + column + 1, rows * columns);
            }
        }
    }

    private Envelope box() {
        Flat flat = fitting.flat();
        Envelope box = new Envelope(FlatDrawing.band(flat, 0, flat.side().slantMm(), -Math.PI, Math.PI)
                .getEnvelopeInternal());
        for (List<Laid> item : fitting.laid()) {
            for (Laid laid : item) {
                box.expandToInclude(box.centre().x, laid.box().getMinY());
                box.expandToInclude(box.centre().x, laid.box().getMaxY());
            }
        }
        box.expandBy(1);
        return box;
    }

    private static int tiles(double whole, double sheet) {
        return whole <= sheet ? 1 : (int) Math.ceil((whole - OVERLAP_MM) / (sheet - OVERLAP_MM));
    }

    private static int count(Envelope box, double width, double height) {
        return tiles(box.getWidth(), width - 2 * MARGIN_MM) * tiles(box.getHeight(), height - 2 * MARGIN_MM - FOOT_MM);
    }

    private void sheet(double width, double height, double left, double bottom, int number, int of) throws IOException {
        PDPage page = new PDPage(new PDRectangle(points(width), points(height)));
        document.addPage(page);
        double toX = MARGIN_MM - left;
        double toY = MARGIN_MM + FOOT_MM - bottom;
        try (PDPageContentStream out = new PDPageContentStream(document, page)) {
            out.saveGraphicsState();
            out.addRect(
                    points(MARGIN_MM),
                    points(MARGIN_MM + FOOT_MM),
                    points(width - 2 * MARGIN_MM),
                    points(height - 2 * MARGIN_MM - FOOT_MM));
            out.clip();
            draw(out, toX, toY);
            out.restoreGraphicsState();
            crosses(out, width, height);
            rule(out);
            out.beginText();
            out.setFont(font(), 9);
            out.newLineAtOffset(points(MARGIN_MM + RULE_MM + 5), points(MARGIN_MM + 4));
            out.showText("Sheet %d of %d. The rule is 100 mm long:".formatted(number, of));
            out.newLineAtOffset(0, points(-4));
            out.showText("print at 100 %, not fitted to the page.");
            out.endText();
        }
    }

    /** Embedded as on every other paper: a printer's own may be wider. */
    private PDFont font() throws IOException {
        if (loaded.isEmpty()) {
            try (InputStream file = Pdf.font(Pdf.REGULAR)) {
                loaded = Optional.of(PDType0Font.load(document, file));
            }
        }
        return loaded.get();
    }

    private void draw(PDPageContentStream out, double toX, double toY) throws IOException {
        Flat flat = fitting.flat();
        Side side = flat.side();
        out.setLineWidth(0.7f);
        stroke(out, FlatDrawing.band(flat, 0, side.slantMm(), -Math.PI, Math.PI), toX, toY);
        out.setLineDashPattern(new float[] {4, 3}, 0);
        stroke(out, FlatDrawing.band(flat, side.coatedFromMm(), side.coatedToMm(), -Math.PI, Math.PI), toX, toY);
        upright(out, 0, toX, toY);
        out.setLineDashPattern(new float[0], 0);
        out.saveGraphicsState();
        for (Polygon part : Shapes.polygons(FlatDrawing.once(flat))) {
            way(out, part.getExteriorRing(), toX, toY);
        }
        out.clip();
        for (List<Laid> item : fitting.laid()) {
            for (Laid laid : item) {
                for (Laid once : FlatDrawing.onSheet(laid)) {
                    for (Piece piece : once.cut()) {
                        stroke(out, piece.shape(), toX, toY);
                    }
                }
            }
        }
        out.restoreGraphicsState();
    }

    private void upright(PDPageContentStream out, double angle, double toX, double toY) throws IOException {
        OnFlat foot = fitting.flat().at(new OnCup(angle, 0));
        OnFlat top = fitting.flat().at(new OnCup(angle, fitting.flat().side().slantMm()));
        out.moveTo(points(foot.xMm() + toX), points(foot.yMm() + toY));
        out.lineTo(points(top.xMm() + toX), points(top.yMm() + toY));
        out.stroke();
    }

    private static void stroke(PDPageContentStream out, Geometry shape, double toX, double toY) throws IOException {
        for (Polygon polygon : Shapes.polygons(shape)) {
            ring(out, polygon.getExteriorRing(), toX, toY);
            for (int i = 0; i < polygon.getNumInteriorRing(); i++) {
                ring(out, polygon.getInteriorRingN(i), toX, toY);
            }
        }
    }

    private static void ring(PDPageContentStream out, LineString ring, double toX, double toY) throws IOException {
        way(out, ring, toX, toY);
        out.stroke();
    }

    private static void way(PDPageContentStream out, LineString ring, double toX, double toY) throws IOException {
        Coordinate[] corners = ring.getCoordinates();
        for (int i = 0; i < corners.length - 1; i++) {
            float x = points(corners[i].x + toX);
            float y = points(corners[i].y + toY);
            if (i == 0) {
                out.moveTo(x, y);
            } else {
                out.lineTo(x, y);
            }
        }
        out.closePath();
    }

    /** In the middle of each overlap: they are laid on one another. */
    private static void crosses(PDPageContentStream out, double width, double height) throws IOException {
        double half = OVERLAP_MM / 2;
        for (double x : new double[] {MARGIN_MM + half, width - MARGIN_MM - half}) {
            for (double y : new double[] {MARGIN_MM + FOOT_MM + half, height - MARGIN_MM - half}) {
                line(out, x - 3, y, x + 3, y);
                line(out, x, y - 3, x, y + 3);
            }
        }
    }

    private static void rule(PDPageContentStream out) throws IOException {
        out.setLineWidth(0.25f);
        line(out, MARGIN_MM, MARGIN_MM, MARGIN_MM + RULE_MM, MARGIN_MM);
        for (int mm = 0; mm <= RULE_MM; mm += 10) {
            line(out, MARGIN_MM + mm, MARGIN_MM, MARGIN_MM + mm, MARGIN_MM + (mm % 50 == 0 ? 6 : 3.5));
        }
    }

    private static void line(PDPageContentStream out, double x, double y, double toX, double toY) throws IOException {
        out.moveTo(points(x), points(y));
        out.lineTo(points(toX), points(toY));
        out.stroke();
    }

    private static float points(double mm) {
        return (float) (mm / POINT_MM);
    }
}
