package nursery.app.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.OptionalInt;
import nursery.app.floor.Floors;
import nursery.app.made.PhotoBook;
import nursery.core.log.Cup;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/** The demo's pictures: drawn, not taken, and ready as they are kept. */
@Component
@ConditionalOnProperty("nursery.demo")
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
        add(cup, "bare", PhotoBook.Kind.BEFORE, "Bare steel", by);
        add(cup, "painted", PhotoBook.Kind.STEP, "Painted", by);
        add(cup, "glitter", PhotoBook.Kind.STEP, "Glitter on, before the first coat", by);
    }

    private void add(Cup cup, String file, PhotoBook.Kind kind, String words, String by) {
        photos.add(
                cup.id(),
                photos.ready(bytes(file + ".jpg"), bytes(file + "-small.jpg"), EDGE, EDGE),
                kind,
                OptionalInt.empty(),
                words,
                by);
    }

    private static byte[] bytes(String file) {
        try {
            return new ClassPathResource("demo/" + file).getContentAsByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
