package nursery.app.people;

import com.google.zxing.BarcodeFormat;
import com.google.zxing.EncodeHintType;
import com.google.zxing.WriterException;
import com.google.zxing.common.BitMatrix;
import com.google.zxing.qrcode.QRCodeWriter;
import com.google.zxing.qrcode.decoder.ErrorCorrectionLevel;
import java.util.Map;

/**
 * A QR code as a drawing.
 *
 * @param size modules along an edge, its quiet zone of four included (ISO/IEC 18004)
 * @param path of its dark modules
 */
record Qr(int size, String path) {

    private static final int QUIET = 4;

    static Qr of(String text) {
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
}
