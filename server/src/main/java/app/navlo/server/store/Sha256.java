package app.navlo.server.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/** SHA-256 as 64 hexadecimal digits. */
public final class Sha256 {
    private Sha256() {}

    public static String of(String text) {
        return of(text.getBytes(StandardCharsets.UTF_8));
    }

    public static String of(byte[] content) {
        return HexFormat.of().formatHex(digest().digest(content));
    }

    /** Reads {@code in} to its end and leaves it open. */
    public static String of(InputStream in) throws IOException {
        DigestInputStream digesting = new DigestInputStream(in, digest());
        digesting.transferTo(OutputStream.nullOutputStream());
        return HexFormat.of().formatHex(digesting.getMessageDigest().digest());
    }

    private static MessageDigest digest() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
