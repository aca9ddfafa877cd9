package nursery.app.platform;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Optional;

/**
 * A text file as people have them: UTF-8; UTF-16, if its first two bytes say so; else what spreadsheets of the West
 * write, Windows-1252, which the maker is told, because it is a guess.
 *
 * @param guessed the encoding it was read in, if that is a guess
 */
@Published
public record FileText(String text, Optional<String> guessed) {

    private static final int HIGH = 0xFE;
    private static final int LOW = 0xFF;

    public static FileText of(byte[] file) {
        if (file.length >= 2 && marks(file[0], file[1])) {
            return new FileText(new String(file, StandardCharsets.UTF_16), Optional.empty());
        }
        try {
            return new FileText(
                    StandardCharsets.UTF_8
                            .newDecoder()
                            .decode(ByteBuffer.wrap(file))
                            .toString(),
                    Optional.empty());
        } catch (CharacterCodingException e) {
            return new FileText(new String(file, Charset.forName("windows-1252")), Optional.of("Windows-1252"));
        }
    }

    private static boolean marks(byte first, byte second) {
        int a = Byte.toUnsignedInt(first);
        int b = Byte.toUnsignedInt(second);
        return a == HIGH && b == LOW || a == LOW && b == HIGH;
    }

    /** What the maker should look at, if it was guessed. */
    public Optional<String> said() {
        return guessed.map("The file is not in UTF-8 and was read as %s: look at its accents."::formatted);
    }
}
