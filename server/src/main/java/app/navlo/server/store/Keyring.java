package app.navlo.server.store;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.InvalidKeyException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import java.util.Optional;
import javax.crypto.Mac;
import javax.crypto.spec.SecretKeySpec;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.security.crypto.encrypt.AesGcmBytesEncryptor;
import org.springframework.security.crypto.encrypt.BytesEncryptor;
import org.springframework.security.crypto.keygen.KeyGenerators;
import org.springframework.stereotype.Component;

/**
 * What this Navlo alone can seal, open and sign. Its key lies beside the data, in a file that its owner alone reads, or comes from
 * {@code NAVLO_KEY}: whoever has a copy of the data only opens nothing. 256 bits; one key for each purpose is made from it.
 */
@Component
public class Keyring {
    private static final Logger LOG = LoggerFactory.getLogger(Keyring.class);
    private static final int BYTES = 32;
    /** What varies each time, and what shows that nothing was changed. */
    private static final int SHORTEST = 16 + 16;

    private static final String MAC = "HmacSHA256";

    private final byte[] key;
    private final BytesEncryptor sealing;

    /**
     * @param given in Base64; empty to read it from the file
     * @param file made at the first start; empty for a key that nothing keeps
     */
    Keyring(@Value("${navlo.key:}") String given, @Value("${navlo.key-file:}") String file) {
        if (!given.isBlank()) {
            key = decoded(given, "NAVLO_KEY");
        } else if (!file.isBlank()) {
            key = kept(Path.of(file));
        } else {
            key = KeyGenerators.secureRandom(BYTES).generateKey();
        }
        sealing = AesGcmBytesEncryptor.withSecretKey(new SecretKeySpec(derived("seal"), "AES"))
                .build();
    }

    /**
     * For who runs without the rest of the server. The same as the constructor.
     *
     * @throws IllegalArgumentException in words, if what was given isn't a key
     */
    public static Keyring of(String given, String file) {
        try {
            return new Keyring(given, file);
        } catch (IllegalStateException wrong) {
            throw new IllegalArgumentException(wrong.getMessage(), wrong);
        }
    }

    private static byte[] kept(Path file) {
        try {
            return decoded(Files.readString(file), file.toString());
        } catch (NoSuchFileException none) {
            byte[] made = KeyGenerators.secureRandom(BYTES).generateKey();
            write(file, Base64.getEncoder().encodeToString(made) + "\n");
            return made;
        } catch (IOException e) {
            throw new UncheckedIOException("the key " + file + " can't be read", e);
        }
    }

    private static void write(Path file, String text) {
        try {
            if (file.getFileSystem().supportedFileAttributeViews().contains("posix")) {
                Files.createFile(
                        file, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
                Files.writeString(file, text);
            } else {
                Files.writeString(file, text, StandardOpenOption.CREATE_NEW);
            }
        } catch (IOException e) {
            throw new UncheckedIOException("the key " + file + " can't be written", e);
        }
    }

    private static byte[] decoded(String text, String where) {
        try {
            byte[] key = Base64.getDecoder().decode(text.strip());
            if (key.length == BYTES) {
                return key;
            }
        } catch (IllegalArgumentException wrong) {
            LOG.debug("no Base64", wrong);
        }
        throw new IllegalStateException(where + " isn't a key: it has to be " + BYTES
                + " bytes in Base64, as `openssl rand -base64 32` prints them");
    }

    private byte[] derived(String purpose) {
        return mac(key, purpose);
    }

    private static byte[] mac(byte[] key, String text) {
        try {
            Mac mac = Mac.getInstance(MAC);
            mac.init(new SecretKeySpec(key, MAC));
            return mac.doFinal(text.getBytes(StandardCharsets.UTF_8));
        } catch (NoSuchAlgorithmException | InvalidKeyException e) {
            throw new IllegalStateException(e);
        }
    }

    /** In letters; other ones each time (AES-256 in Galois counter mode). */
    public String seal(String text) {
        return Base64.getUrlEncoder()
                .withoutPadding()
                .encodeToString(sealing.encrypt(text.getBytes(StandardCharsets.UTF_8)));
    }

    /** Empty for what wasn't sealed with this key, or was changed since. */
    public Optional<String> open(String sealed) {
        try {
            byte[] bytes = Base64.getUrlDecoder().decode(sealed);
            return bytes.length < SHORTEST
                    ? Optional.empty()
                    : Optional.of(new String(sealing.decrypt(bytes), StandardCharsets.UTF_8));
        } catch (IllegalArgumentException | IllegalStateException wrong) {
            return Optional.empty();
        }
    }

    /**
     * Says that this Navlo wrote it.
     *
     * @param purpose for which it holds, so that what was signed for one is worth nothing for another
     */
    public String sign(String purpose, String text) {
        byte[] signed = mac(derived(purpose), text);
        return Base64.getUrlEncoder().withoutPadding().encodeToString(signed);
    }

    public boolean isSigned(String purpose, String text, String signature) {
        return MessageDigest.isEqual(
                sign(purpose, text).getBytes(StandardCharsets.US_ASCII), signature.getBytes(StandardCharsets.US_ASCII));
    }
}
