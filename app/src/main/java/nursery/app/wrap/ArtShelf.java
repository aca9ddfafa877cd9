package nursery.app.wrap;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HexFormat;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.wrap.ArtMapper.ArtBody;
import nursery.app.wrap.ArtMapper.ArtRow;
import nursery.core.measure.Fault;
import nursery.core.measure.Faults;
import nursery.core.measure.InvalidInput;
import nursery.core.wrap.Art;
import nursery.core.wrap.Piece;
import nursery.core.wrap.Shapes;
import org.locationtech.jts.geom.Envelope;
import org.springframework.stereotype.Service;

/** Art that was read in. It is never changed, so what was read out of it once is kept at hand. */
@Service
class ArtShelf {

    private static final Semaphore ONE = new Semaphore(1, true);
    private static final int PATIENCE_S = 8;
    private static final int AT_HAND = 60;
    private static final int LARGEST_PNG_BYTES = 12 * 1024 * 1024;
    private static final int MOST_PIXELS_ACROSS = 20_000;
    private static final long MOST_PIXELS = 64_000_000L;
    private static final double PIXEL_MM = 25.4 / 300;
    private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', 0x0d, 0x0a, 0x1a, 0x0a};

    private final ArtMapper mapper;
    private final Moments moments;
    private final Map<Long, Shelved> atHand = Collections.synchronizedMap(new LinkedHashMap<>(16, 0.75f, true) {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Long, Shelved> eldest) {
            return size() > AT_HAND;
        }
    });

    ArtShelf(ArtMapper mapper, Moments moments) {
        this.mapper = mapper;
        this.moments = moments;
    }

    /**
     * A piece of art.
     *
     * @param pixelsAcross of a picture of dots; 0 for a drawing
     */
    record Shelved(long id, String name, Art art, int pixelsAcross, List<String> left) {

        boolean isPicture() {
            return pixelsAcross > 0;
        }

        /** Dots an inch at a width. */
        double dpi(double widthMm) {
            return pixelsAcross / (widthMm / 25.4);
        }
    }

    List<ArtRow> all() {
        return mapper.all();
    }

    /** @throws Gone if there is none of that number */
    Shelved find(long id) {
        Shelved known = atHand.get(id);
        if (known != null) {
            return known;
        }
        ArtBody body = mapper.body(id).orElseThrow(Gone::new);
        Shelved read = read(id, body.name(), body.body());
        atHand.put(id, read);
        return read;
    }

    Optional<byte[]> picture(long id) {
        return mapper.body(id).filter(body -> body.kind().equals("png")).map(ArtBody::body);
    }

    /**
     * Puts a file on the shelf; the same file twice is one. It is read before anything is written, one at a time: a
     * large one takes seconds, and nobody waits for the database meanwhile.
     *
     * @return its number
     * @throws InvalidInput if it cannot be fitted, with what to do, or others are in line
     */
    long add(String name, byte[] file, String by) {
        Shelved read = alone(name, file);
        String digest = sha256(file);
        mapper.insert(read.name(), isPng(file) ? "png" : "svg", digest, file, moments.now(), by);
        return mapper.same(digest).orElseThrow(Gone::new);
    }

    private static Shelved alone(String name, byte[] file) {
        try {
            if (!ONE.tryAcquire(PATIENCE_S, TimeUnit.SECONDS)) {
                throw SvgShapes.refused("Other drawings are being read just now: send it again in a moment.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw SvgShapes.refused("It was not read: send it again.");
        }
        try {
            return read(0, name, file);
        } finally {
            ONE.release();
        }
    }

    private static Shelved read(long id, String name, byte[] file) {
        if (isPng(file)) {
            return picture(id, name, file);
        }
        SvgDrawing drawing = SvgDrawing.read(file);
        try {
            return new Shelved(id, name, drawing.art(), 0, drawing.left());
        } catch (InvalidInput e) {
            // What was left out is why there is nothing: to say more would be a guess.
            List<Fault> faults = new ArrayList<>();
            if (drawing.left().isEmpty()) {
                e.faults().forEach(fault -> faults.add(new Fault("file", fault.message())));
            } else {
                faults.add(new Fault("file", "Nothing in it can be cut as it is."));
                drawing.left().forEach(words -> faults.add(new Fault("file", words)));
            }
            throw new InvalidInput(faults);
        }
    }

    private static boolean isPng(byte[] file) {
        return file.length > PNG.length && java.util.Arrays.equals(file, 0, PNG.length, PNG, 0, PNG.length);
    }

    /** Only its head is read: a picture of a small file can be as large as a house. */
    private static Shelved picture(long id, String name, byte[] file) {
        Faults faults = new Faults();
        faults.require(
                file.length <= LARGEST_PNG_BYTES,
                "file",
                "The picture is larger than %d MB: scale it down.".formatted(LARGEST_PNG_BYTES >> 20));
        faults.throwIfAny();
        try (ImageInputStream stream = ImageIO.createImageInputStream(new ByteArrayInputStream(file))) {
            Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName("png");
            ImageReader reader = readers.next();
            reader.setInput(stream, true, true);
            int across = reader.getWidth(0);
            int down = reader.getHeight(0);
            reader.dispose();
            faults.within("file", "Its width", across, 8, MOST_PIXELS_ACROSS, "dots");
            faults.within("file", "Its height", down, 8, MOST_PIXELS_ACROSS, "dots");
            faults.require(
                    (long) across * down <= MOST_PIXELS,
                    "file",
                    "The picture is %d × %d dots: up to 64 million are taken. Scale it down.".formatted(across, down));
            faults.throwIfAny();
            Piece whole = new Piece(
                    name, "#d8d2c4", Shapes.FACTORY.toGeometry(new Envelope(0, across * PIXEL_MM, 0, down * PIXEL_MM)));
            return new Shelved(id, name, Art.of(List.of(whole)), across, List.of());
        } catch (IOException e) {
            throw new InvalidInput(List.of(new Fault("file", "The picture breaks off or is damaged: save it again.")));
        }
    }

    private static String sha256(byte[] file) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(file));
        } catch (NoSuchAlgorithmException e) {
            throw new UncheckedIOException(new IOException(e));
        }
    }
}
