package nursery.app.made;

import com.drew.imaging.ImageMetadataReader;
import com.drew.imaging.ImageProcessingException;
import com.drew.metadata.Metadata;
import com.drew.metadata.exif.ExifIFD0Directory;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageReadParam;
import javax.imageio.ImageReader;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageInputStream;
import javax.imageio.stream.ImageOutputStream;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.jspecify.annotations.Nullable;

/**
 * Makes of a picture from a phone what is kept of it: upright, no larger than a screen, and written anew as JPEG, so
 * that nothing comes with it: no position, no camera, nothing that was hidden in it. What it says it is counts for
 * nothing; what is in it does.
 */
final class PhotoMaker {

    private static final Set<String> TAKEN = Set.of("jpeg", "png", "webp");
    private static final int LONGEST = 2048;
    private static final int SMALL = 360;
    /** More than any phone takes; a bomb says more, and is not unpacked. */
    private static final long MOST_PIXELS = 64_000_000L;
    /** A picture of this kind is unpacked whole before any of it is left out. */
    private static final long MOST_WEBP_PIXELS = 12_000_000L;
    /** So many are held in memory while it is made smaller; the others are left out as it is read. */
    private static final double MOST_HELD = 9_000_000;
    /** One at a time; who comes meanwhile waits so long. */
    private static final Semaphore ONE = new Semaphore(1, true);

    private static final int PATIENCE_S = 8;

    private static final float QUALITY = 0.86f;
    /** Turned or mirrored by EXIF 2.32, tag 0x0112. */
    private static final int UPRIGHT = 1;

    private PhotoMaker() {}

    /** What is kept of a picture. */
    record Made(byte[] whole, byte[] small, int width, int height) {}

    /** @throws InvalidInput about the field {@code file}, if it is no picture that is taken, or others are in line */
    static Made of(byte[] bytes) {
        try {
            if (!ONE.tryAcquire(PATIENCE_S, TimeUnit.SECONDS)) {
                throw refused("Other pictures are being taken in just now: send it again in a moment.", null);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw refused("It was not taken: send it again.", e);
        }
        try {
            return alone(bytes);
        } finally {
            ONE.release();
        }
    }

    private static Made alone(byte[] bytes) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            while (readers.hasNext()) {
                ImageReader reader = readers.next();
                try {
                    if (TAKEN.contains(reader.getFormatName().toLowerCase(Locale.ROOT))) {
                        reader.setInput(in, true, true);
                        return of(reader, orientation(bytes));
                    }
                } finally {
                    reader.dispose();
                }
            }
        } catch (IOException | RuntimeException e) {
            if (e instanceof InvalidInput refused) {
                throw refused;
            }
            throw refused("The picture breaks off or is damaged: take it again.", e);
        }
        throw refused("It is no JPEG, PNG or WebP picture, whatever it is called.", null);
    }

    private static InvalidInput refused(String words, @Nullable Exception cause) {
        InvalidInput refused = new InvalidInput(List.of(new Fault("file", words)));
        if (cause != null) {
            refused.addSuppressed(cause);
        }
        return refused;
    }

    private static Made of(ImageReader reader, int orientation) throws IOException {
        long width = reader.getWidth(0);
        long height = reader.getHeight(0);
        if (width * height > MOST_PIXELS || width < 8 || height < 8) {
            throw refused(
                    "The picture is %d × %d pixels: up to 64 million are taken, and at least 8 × 8."
                            .formatted(width, height),
                    null);
        }
        ImageReadParam param = reader.getDefaultReadParam();
        if (width * height > MOST_WEBP_PIXELS
                && reader.getFormatName().toLowerCase(Locale.ROOT).equals("webp")) {
            throw refused(
                    "The picture is %d × %d pixels: of WebP up to 12 million are taken. Save it as JPEG."
                            .formatted(width, height),
                    null);
        }
        int every = every(width, height);
        param.setSourceSubsampling(every, every, 0, 0);
        BufferedImage upright = upright(reader.read(0, param), orientation);
        BufferedImage whole = scaled(upright, LONGEST);
        return new Made(jpeg(whole), jpeg(scaled(upright, SMALL)), whole.getWidth(), whole.getHeight());
    }

    /** Of how many dots one is read, each way: enough for the longer side, and no more than is held. */
    private static int every(long width, long height) {
        double enough = Math.floor((double) Math.max(width, height) / (2 * LONGEST));
        double held = Math.ceil(Math.sqrt(width * height / MOST_HELD));
        return (int) Math.max(1, Math.max(enough, held));
    }

    private static int orientation(byte[] bytes) {
        try {
            Metadata metadata = ImageMetadataReader.readMetadata(new ByteArrayInputStream(bytes));
            ExifIFD0Directory exif = metadata.getFirstDirectoryOfType(ExifIFD0Directory.class);
            Integer found = exif == null ? null : exif.getInteger(ExifIFD0Directory.TAG_ORIENTATION);
            return found == null || found < 1 || found > 8 ? UPRIGHT : found;
        } catch (ImageProcessingException | IOException e) {
            return UPRIGHT;
        }
    }

    /** EXIF's eight ways of holding a phone: mirrored if even up to 4 or odd from 5, turned by quarters. */
    private static BufferedImage upright(BufferedImage image, int orientation) {
        int w = image.getWidth();
        int h = image.getHeight();
        boolean lies = orientation >= 5;
        AffineTransform turn =
                switch (orientation) {
                    case 2 -> new AffineTransform(-1, 0, 0, 1, w, 0);
                    case 3 -> new AffineTransform(-1, 0, 0, -1, w, h);
                    case 4 -> new AffineTransform(1, 0, 0, -1, 0, h);
                    case 5 -> new AffineTransform(0, 1, 1, 0, 0, 0);
                    case 6 -> new AffineTransform(0, 1, -1, 0, h, 0);
                    case 7 -> new AffineTransform(0, -1, -1, 0, h, w);
                    case 8 -> new AffineTransform(0, -1, 1, 0, 0, w);
                    default -> new AffineTransform();
                };
        return drawn(image, turn, lies ? h : w, lies ? w : h);
    }

    private static BufferedImage scaled(BufferedImage image, int longest) {
        BufferedImage now = image;
        // By halves: a picture made much smaller at once loses what is between.
        while (Math.max(now.getWidth(), now.getHeight()) > longest) {
            double by = Math.max(0.5, (double) longest / Math.max(now.getWidth(), now.getHeight()));
            int width = (int) Math.max(1, Math.round(now.getWidth() * by));
            int height = (int) Math.max(1, Math.round(now.getHeight() * by));
            now = drawn(
                    now,
                    AffineTransform.getScaleInstance(
                            (double) width / now.getWidth(), (double) height / now.getHeight()),
                    width,
                    height);
        }
        return now;
    }

    /** On white, for JPEG knows no holes. */
    private static BufferedImage drawn(BufferedImage image, AffineTransform by, int width, int height) {
        BufferedImage drawn = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = drawn.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        pen.setColor(java.awt.Color.WHITE);
        pen.fillRect(0, 0, width, height);
        pen.drawImage(image, by, null);
        pen.dispose();
        return drawn;
    }

    private static byte[] jpeg(BufferedImage image) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            writer.setOutput(out);
            ImageWriteParam param = writer.getDefaultWriteParam();
            param.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            param.setCompressionQuality(QUALITY);
            writer.write(null, new IIOImage(image, null, null), param);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }
}
