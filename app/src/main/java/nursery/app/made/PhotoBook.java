package nursery.app.made;

import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import nursery.app.made.PhotoMapper.PhotoRow;
import nursery.app.platform.FileStore;
import nursery.app.platform.Gone;
import nursery.app.platform.Moments;
import nursery.app.platform.Once;
import nursery.app.platform.Published;
import nursery.core.measure.InvalidInput;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The pictures of cups. */
@Published
@Service
public class PhotoBook {

    private final PhotoMapper mapper;
    private final FileStore files;
    private final Moments moments;

    PhotoBook(PhotoMapper mapper, FileStore files, Moments moments) {
        this.mapper = mapper;
        this.files = files;
        this.moments = moments;
    }

    /** What a picture shows. */
    @Published
    public enum Kind {
        STEP("at work"),
        BEFORE("before"),
        AFTER("after"),
        FAULT("a fault");

        private final String word;

        Kind(String word) {
            this.word = word;
        }

        public String word() {
            return word;
        }
    }

    List<PhotoRow> of(long cup) {
        return Once.aPage(PhotoBook.class, "of " + cup, () -> mapper.of(cup));
    }

    Optional<byte[]> file(String name) {
        return files.get(name);
    }

    /**
     * What is kept of a picture, made before anything is written: no other tablet waits for the database meanwhile.
     *
     * @throws InvalidInput about the field {@code file}
     */
    public PhotoMaker.Made made(byte[] picture) {
        return PhotoMaker.of(picture);
    }

    /** One that was made before, in both of its sizes. */
    public PhotoMaker.Made ready(byte[] whole, byte[] small, int width, int height) {
        return new PhotoMaker.Made(whole, small, width, height);
    }

    @Transactional
    public void add(long cup, PhotoMaker.Made made, Kind kind, OptionalInt step, String words, String by) {
        mapper.insert(new PhotoRow(
                0,
                cup,
                step.isPresent() ? step.getAsInt() : null,
                kind.name(),
                files.put(made.whole()),
                files.put(made.small()),
                made.width(),
                made.height(),
                words,
                moments.now(),
                by));
    }

    @Transactional
    void hide(long id, long cup) {
        if (mapper.hide(id, cup, moments.now()) == 0) {
            throw new Gone();
        }
    }
}
