package nursery.app.people;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import nursery.app.platform.Published;

/**
 * A QR code as a drawing.
 *
 * @param size modules along an edge, its quiet zone of four included (ISO/IEC 18004)
 * @param path of its dark modules
 */
@Published
public record Qr(int size, String path) {

    private static final int QUIET = 4;
    private static final Pattern DARK = Pattern.compile("M(\\d+) (\\d+)h1v1h-1z");

    public static Qr of(String text) {
        try {
            BitMatrix modules = new QRCodeWriter()
                    .encode(
                            text,
                            BarcodeFormat.QR_CODE,
                            0,
                            0,
                            Map.of(
                                    EncodeHintType.MARGIN,
                                    QUIET,
                                    EncodeHintType.ERROR_CORRECTION,
                                    ErrorCorrectionLevel.M));
            StringBuilder path = new StringBuilder();
            for (int y = 0; y < modules.getHeight(); y++) {
                for (int x = 0; x < modules.getWidth(); x++) {
                    if (modules.get(x, y)) {
                        path.append("M%d %dh1v1h-1z".formatted(x, y));
                    }
                }
            }
            return new Qr(modules.getWidth(), path.toString());
        } catch (WriterException e) {
            throw new IllegalArgumentException("Too long for a QR code: " + text, e);
        }
    }

    /** The same as a PNG for paper, each module so many pixels wide. */
    public static byte[] png(String text, int module) {
        Qr qr = of(text);
        BufferedImage image = new BufferedImage(qr.size * module, qr.size * module, BufferedImage.TYPE_BYTE_BINARY);
        Graphics2D pen = image.createGraphics();
        pen.setColor(Color.WHITE);
        pen.fillRect(0, 0, image.getWidth(), image.getHeight());
        pen.setColor(Color.BLACK);
        Matcher dark = DARK.matcher(qr.path);
        while (dark.find()) {
            pen.fillRect(
                    Integer.parseInt(dark.group(1)) * module, Integer.parseInt(dark.group(2)) * module, module, module);
        }
        pen.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "png", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }
}
