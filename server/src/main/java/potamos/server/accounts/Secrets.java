package potamos.server.accounts;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** Tokens for programs and devices: long and by chance, so that a plain hash of one is enough to know it by. */
public final class Secrets {

    private static final int BYTES = 32;
    private static final SecureRandom CHANCE = new SecureRandom();

    private Secrets() {}

    /** A token that nobody had before. */
    public static String fresh() {
        byte[] bytes = new byte[BYTES];
        CHANCE.nextBytes(bytes);
        return "potamos_" + Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
    }

    /** What is kept of a token. */
    public static String hash(String token) {
        try {
            MessageDigest digest = MessageDigest.getInstance("SHA-256");
            return HexFormat.of().formatHex(digest.digest(token.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
