package nursery.app.platform;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/** A file that was sent with a form. */
public final class Upload {

    private Upload() {}

    /** @throws InvalidInput if none was chosen, or it is empty */
    public static byte[] bytes(@Nullable MultipartFile file) {
        if (file == null || file.isEmpty()) {
            throw new InvalidInput(List.of(new Fault("file", "No file was chosen.")));
        }
        try {
            return file.getBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
