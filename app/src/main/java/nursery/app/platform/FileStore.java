package nursery.app.platform;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Files beside the database, each under the SHA-256 of what is in it: so none is ever overwritten by another, and one
 * that was damaged is known by its name.
 */
@Published
@Component
public class FileStore {

    private static final Pattern NAME = Pattern.compile("[0-9a-f]{64}\\.jpg");

    private final Path folder;

    FileStore(@Value("${nursery.files.folder}") Path folder) {
        this.folder = folder.toAbsolutePath();
    }

    public Path folder() {
        return folder;
    }

    /** @return the name it is kept under */
    public String put(byte[] bytes) {
        try {
            return put(folder, bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public Optional<byte[]> get(String name) {
        Path file = folder.resolve(name);
        try {
            return isName(name) && Files.isRegularFile(file) ? Optional.of(Files.readAllBytes(file)) : Optional.empty();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static boolean isName(String name) {
        return NAME.matcher(name).matches();
    }

    /** The name of what is in it. */
    public static String nameOf(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes)) + ".jpg";
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    /** Beside its place first, so that a file that is there is whole. */
    public static String put(Path folder, byte[] bytes) throws IOException {
        Files.createDirectories(folder);
        String name = nameOf(bytes);
        Path file = folder.resolve(name);
        if (!Files.exists(file)) {
            Path beside = Files.createTempFile(folder, ".file", ".part");
            Files.write(beside, bytes);
            Files.move(beside, file, StandardCopyOption.ATOMIC_MOVE);
        }
        return name;
    }

    /** Every file there is, by name. */
    public static List<Path> all(Path folder) throws IOException {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(file -> isName(String.valueOf(file.getFileName())))
                    .sorted()
                    .toList();
        }
    }
}
