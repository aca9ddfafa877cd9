package nursery.app.made;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import com.drew.imaging.ImageMetadataReader;
import com.drew.metadata.Directory;
import com.drew.metadata.exif.ExifIFD0Directory;
import com.drew.metadata.exif.GpsDirectory;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Base64;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import nursery.core.measure.InvalidInput;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class PhotoTest {

    /** Red above left, green above right, blue below left, white below right. */
    private static BufferedImage quarters(int width, int height) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                boolean right = x >= width / 2;
                boolean below = y >= height / 2;
                Color colour = below ? (right ? Color.WHITE : Color.BLUE) : right ? Color.GREEN : Color.RED;
                image.setRGB(x, y, colour.getRGB());
            }
        }
        return image;
    }

    private static byte[] written(BufferedImage image, String format) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, format, bytes);
        return bytes.toByteArray();
    }

    /**
     * The picture with an EXIF segment as a phone writes it (EXIF 2.32): which way up it was held, and where it was
     * taken (52° 31' N, 13° 24' E).
     */
    private static byte[] fromAPhone(byte[] jpeg, int orientation) throws IOException {
        ByteArrayOutputStream tiff = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(tiff);
        out.writeBytes("MM");
        out.writeShort(42);
        out.writeInt(8);
        out.writeShort(2);
        entry(out, 0x0112, 3, 1, orientation << 16);
        entry(out, 0x8825, 4, 1, 38);
        out.writeInt(0);
        out.writeShort(4);
        entry(out, 1, 2, 2, 'N' << 24);
        entry(out, 2, 5, 3, 92);
        entry(out, 3, 2, 2, 'E' << 24);
        entry(out, 4, 5, 3, 116);
        out.writeInt(0);
        for (int value : new int[] {52, 31, 0, 13, 24, 0}) {
            out.writeInt(value);
            out.writeInt(1);
        }
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        DataOutputStream file = new DataOutputStream(all);
        file.write(jpeg, 0, 2);
        file.writeShort(0xFFE1);
        file.writeShort(2 + 6 + tiff.size());
        file.writeBytes("Exif\0\0");
        file.write(tiff.toByteArray());
        file.write(jpeg, 2, jpeg.length - 2);
        return all.toByteArray();
    }

    private static void entry(DataOutputStream out, int tag, int type, int count, int value) throws IOException {
        out.writeShort(tag);
        out.writeShort(type);
        out.writeInt(count);
        out.writeInt(value);
    }

    private static Color at(byte[] jpeg, double x, double y) throws IOException {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(jpeg));
        return new Color(image.getRGB((int) (x * image.getWidth()), (int) (y * image.getHeight())));
    }

    private static String word(Color colour) {
        return colour.getRed() > 128 && colour.getGreen() > 128
                ? "white"
                : colour.getRed() > 128 ? "red" : colour.getGreen() > 128 ? "green" : "blue";
    }

    /** Inside the limit of 64 million: read by every so many dots each way, so that little memory is taken. */
    @ParameterizedTest
    @CsvSource({"16000,3990", "3990,16000", "65500,900", "8000,6000"})
    void aPictureThatIsLongOrLargeIsTakenInLittleMemory(int width, int height) throws IOException {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        byte[] jpeg = written(image, "jpeg");
        image.flush();
        image = null;
        com.sun.management.ThreadMXBean threads =
                (com.sun.management.ThreadMXBean) java.lang.management.ManagementFactory.getThreadMXBean();
        long before = threads.getThreadAllocatedBytes(Thread.currentThread().getId());
        PhotoMaker.Made made = PhotoMaker.of(jpeg);
        long taken = threads.getThreadAllocatedBytes(Thread.currentThread().getId()) - before;
        assertThat(Math.max(made.width(), made.height())).isLessThanOrEqualTo(2048);
        assertThat((double) made.width() / made.height())
                .isCloseTo((double) width / height, within(0.1 * width / height));
        assertThat(taken).as("bytes taken").isLessThan(200_000_000);
    }

    /** What stands above left once it is upright, and below right, by EXIF 2.32, tag 0x0112. */
    @ParameterizedTest
    @CsvSource({
        "1,red,white,160,80",
        "2,green,blue,160,80",
        "3,white,red,160,80",
        "4,blue,green,160,80",
        "5,red,white,80,160",
        "6,blue,green,80,160",
        "7,white,red,80,160",
        "8,green,blue,80,160"
    })
    void aPictureStandsUprightAndTellsNoPlace(int held, String above, String below, int width, int height)
            throws Exception {
        byte[] phone = fromAPhone(written(quarters(160, 80), "jpg"), held);
        var before = ImageMetadataReader.readMetadata(new ByteArrayInputStream(phone));
        assertThat(before.getFirstDirectoryOfType(GpsDirectory.class)
                        .getGeoLocation()
                        .getLatitude())
                .isEqualTo(52 + 31 / 60.0);
        PhotoMaker.Made made = PhotoMaker.of(phone);
        assertThat(made.width()).isEqualTo(width);
        assertThat(made.height()).isEqualTo(height);
        assertThat(word(at(made.whole(), 0.2, 0.2))).isEqualTo(above);
        assertThat(word(at(made.whole(), 0.8, 0.8))).isEqualTo(below);
        for (byte[] kept : new byte[][] {made.whole(), made.small()}) {
            var after = ImageMetadataReader.readMetadata(new ByteArrayInputStream(kept));
            assertThat(after.getDirectories())
                    .extracting(Directory::getName)
                    .noneMatch(name -> name.contains("GPS") || name.contains("Exif") || name.contains("XMP"));
            assertThat(after.getFirstDirectoryOfType(ExifIFD0Directory.class)).isNull();
        }
    }

    @Test
    void aLargeOneIsMadeSmaller() throws IOException {
        PhotoMaker.Made made = PhotoMaker.of(written(quarters(6000, 3000), "jpg"));
        assertThat(Math.max(made.width(), made.height()))
                .isLessThanOrEqualTo(2048)
                .isGreaterThan(1400);
        assertThat(made.width()).isEqualTo(2 * made.height());
        BufferedImage small = ImageIO.read(new ByteArrayInputStream(made.small()));
        assertThat(small.getWidth()).isEqualTo(360);
        assertThat(word(at(made.small(), 0.2, 0.2))).isEqualTo("red");
    }

    @Test
    void pngWithHolesAndWebpAreTaken() throws IOException {
        BufferedImage holes = new BufferedImage(40, 40, BufferedImage.TYPE_INT_ARGB);
        assertThat(word(at(PhotoMaker.of(written(holes, "png")).whole(), 0.5, 0.5)))
                .isEqualTo("white");
        // The smallest lossless WebP there is a name for, 1 × 1, is too small to be a picture; it is read as one.
        byte[] webp = Base64.getDecoder().decode("UklGRhoAAABXRUJQVlA4TA0AAAAvAAAAEAcQERGIiP4HAA==");
        assertThatThrownBy(() -> PhotoMaker.of(webp)).hasMessageContaining("1 × 1 pixels");
    }

    /** A PNG that says it is 60,000 pixels wide and high: 14 GB, in a hundred bytes. */
    @Test
    void aBombIsNotUnpacked() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        DataOutputStream out = new DataOutputStream(bytes);
        out.writeLong(0x89504E470D0A1A0AL);
        ByteArrayOutputStream head = new ByteArrayOutputStream();
        DataOutputStream ihdr = new DataOutputStream(head);
        ihdr.writeBytes("IHDR");
        ihdr.writeInt(60_000);
        ihdr.writeInt(60_000);
        ihdr.write(new byte[] {8, 2, 0, 0, 0});
        out.writeInt(13);
        out.write(head.toByteArray());
        CRC32 sum = new CRC32();
        sum.update(head.toByteArray());
        out.writeInt((int) sum.getValue());
        assertThatThrownBy(() -> PhotoMaker.of(bytes.toByteArray()))
                .isInstanceOf(InvalidInput.class)
                .hasMessageContaining("60000 × 60000");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "GIF89a", "%PDF-1.7", "<svg xmlns='http://www.w3.org/2000/svg'/>", "MZ", "RIFF1234WEBP"})
    void whatIsNoPictureIsRefused(String text) {
        assertThatThrownBy(() -> PhotoMaker.of(text.getBytes(StandardCharsets.UTF_8)))
                .isInstanceOf(InvalidInput.class);
    }

    /** A picture and a page in one file: of the page nothing is left. */
    @Test
    void ofAFileOfTwoKindsThePictureIsKept() throws IOException {
        byte[] jpeg = written(quarters(64, 64), "jpg");
        byte[] page = "<script>alert(1)</script>PK\u0003\u0004".getBytes(StandardCharsets.UTF_8);
        byte[] both = Arrays.copyOf(jpeg, jpeg.length + page.length);
        System.arraycopy(page, 0, both, jpeg.length, page.length);
        String kept = new String(PhotoMaker.of(both).whole(), StandardCharsets.ISO_8859_1);
        assertThat(kept).doesNotContain("<script>");
        assertThatThrownBy(() -> PhotoMaker.of(Arrays.copyOf(jpeg, jpeg.length / 3)))
                .isInstanceOf(InvalidInput.class);
    }
}
