package nursery.app.platform;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.HexFormat;

/**
 * A secret that is told once and then only recognised: what is kept is its hash, so who reads the table cannot use it.
 *
 * @param text what is told
 */
@Published
public record Secret(String text) {

    private static final int BYTES = 24;
    private static final SecureRandom RANDOM = new SecureRandom();

    public static Secret fresh() {
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        return new Secret(HexFormat.of().formatHex(bytes));
    }

    /** SHA-256, in hexadecimal; the secret is random and long, so it needs no salt. */
    public String hash() {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
