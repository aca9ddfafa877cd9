package nursery.app.demo;

import java.awt.Color;
import java.awt.GradientPaint;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.OptionalInt;
import java.util.Random;
import javax.imageio.ImageIO;
import nursery.app.floor.Floors;
import nursery.app.made.PhotoBook;
import nursery.core.log.Cup;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** The demo's pictures: drawn, not taken. */
@Component
class DemoPhotos {

    private static final int EDGE = 900;

    private final PhotoBook photos;
    private final Floors floors;

    DemoPhotos(PhotoBook photos, Floors floors) {
        this.photos = photos;
        this.floors = floors;
    }

    void of(String name, String by) {
        Cup cup = floors.now().cups().stream()
                .map(now -> now.cup())
                .filter(one -> one.about().name().equals(name))
                .findFirst()
                .orElseThrow();
        photos.add(
                cup.id(),
                photos.made(picture(Color.LIGHT_GRAY, null)),
                PhotoBook.Kind.BEFORE,
                OptionalInt.empty(),
                "Bare steel",
                by);
        photos.add(
                cup.id(),
                photos.made(picture(Color.decode(cup.about().paint()), null)),
                PhotoBook.Kind.STEP,
                OptionalInt.empty(),
                "Painted",
                by);
        photos.add(
                cup.id(),
                photos.made(picture(
                        Color.decode(cup.about().paint()),
                        Color.decode(cup.about().glitter()))),
                PhotoBook.Kind.STEP,
                OptionalInt.empty(),
                "Glitter on, before the first coat",
                by);
    }

    private static byte[] picture(Color body, @Nullable Color flakes) {
        BufferedImage image = new BufferedImage(EDGE, EDGE, BufferedImage.TYPE_INT_RGB);
        Graphics2D pen = image.createGraphics();
        pen.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        pen.setPaint(new GradientPaint(0, 0, new Color(0xd9d2c2), 0, EDGE, new Color(0xa79b84)));
        pen.fillRect(0, 0, EDGE, EDGE);
        pen.setColor(new Color(0x8a7f6a));
        pen.fillRect(0, 720, EDGE, 180);
        Path2D side = new Path2D.Double();
        side.moveTo(300, 150);
        side.lineTo(600, 150);
        side.lineTo(570, 780);
        side.quadTo(450, 810, 330, 780);
        side.closePath();
        pen.setColor(body);
        pen.fill(side);
        if (flakes != null) {
            Random random = new Random(5);
            pen.setClip(side);
            for (int i = 0; i < 5200; i++) {
                int light = random.nextInt(90) - 45;
                pen.setColor(new Color(
                        clipped(flakes.getRed() + light),
                        clipped(flakes.getGreen() + light),
                        clipped(flakes.getBlue() + light)));
                pen.fillRect(300 + random.nextInt(300), 150 + random.nextInt(660), 5, 5);
            }
        }
        pen.setClip(side);
        pen.setPaint(new GradientPaint(300, 0, new Color(0, 0, 0, 120), 430, 0, new Color(255, 255, 255, 60)));
        pen.fillRect(300, 150, 130, 660);
        pen.setPaint(new GradientPaint(430, 0, new Color(255, 255, 255, 60), 600, 0, new Color(0, 0, 0, 140)));
        pen.fillRect(430, 150, 170, 660);
        pen.setClip(null);
        pen.setColor(new Color(0xc9ccd0));
        pen.fillOval(300, 125, 300, 52);
        pen.setColor(new Color(0x55585c));
        pen.fillOval(318, 133, 264, 36);
        pen.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "jpg", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    private static int clipped(int value) {
        return Math.max(0, Math.min(255, value));
    }
}
