package app.navlo.server.board;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.http.ResponseEntity;
import tools.jackson.databind.json.JsonMapper;

/**
 * An answer that is sent more than once: written in JSON, and compressed, once.
 *
 * @param <T> what was written
 */
public final class Written<T> {
    private static final String NOW = "X-Navlo-Now";

    private final byte[] gzip;

    private Written(byte[] gzip) {
        this.gzip = gzip;
    }

    public static <T> Written<T> of(T answer, JsonMapper json) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (OutputStream out = new GZIPOutputStream(bytes)) {
            json.writeValue(out, answer);
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
        return new Written<>(bytes.toByteArray());
    }

    /** With what time it is: what is answered again is of a little earlier. */
    public ResponseEntity<Written<T>> answered(Instant now) {
        return ResponseEntity.ok().header(NOW, now.toString()).body(this);
    }

    /** Its bytes as GZIP has them (RFC 1952). */
    byte[] gzip() {
        return gzip.clone();
    }

    /** For who takes nothing that is compressed. */
    public byte[] plain() {
        try (GZIPInputStream in = new GZIPInputStream(new ByteArrayInputStream(gzip))) {
            return in.readAllBytes();
        } catch (IOException impossible) {
            throw new UncheckedIOException(impossible);
        }
    }
}
