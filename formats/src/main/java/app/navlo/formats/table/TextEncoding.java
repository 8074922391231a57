package app.navlo.formats.table;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.Reader;
import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;

/** In which encoding a text came: by its mark, else UTF-8 where it is valid, else the Western one of older programs. */
final class TextEncoding {
    private static final Charset WESTERN = Charset.forName("windows-1252");
    private static final int BUFFER = 1 << 16;
    private static final int MARK = 0xFEFF;

    private TextEncoding() {}

    /** Reads the source twice, without keeping it: once to see what it is. */
    static Reader read(TextTable.Source source) throws IOException {
        Charset charset;
        try (InputStream in = source.open()) {
            charset = of(in);
        }
        Reader reader = new InputStreamReader(new BufferedInputStream(source.open(), BUFFER), charset);
        return new Unmarked(reader);
    }

    static Charset of(InputStream in) throws IOException {
        ByteBuffer bytes = ByteBuffer.wrap(in.readNBytes(BUFFER));
        if (bytes.remaining() >= 2) {
            int first = bytes.getShort(0) & 0xFFFF;
            if (first == MARK) {
                return StandardCharsets.UTF_16BE;
            }
            if (first == 0xFFFE) {
                return StandardCharsets.UTF_16LE;
            }
        }
        return isUtf8(bytes, in) ? StandardCharsets.UTF_8 : WESTERN;
    }

    private static boolean isUtf8(ByteBuffer first, InputStream in) throws IOException {
        CharsetDecoder decoder = StandardCharsets.UTF_8
                .newDecoder()
                .onMalformedInput(CodingErrorAction.REPORT)
                .onUnmappableCharacter(CodingErrorAction.REPORT);
        CharBuffer out = CharBuffer.allocate(BUFFER);
        ByteBuffer bytes = ByteBuffer.allocate(2 * BUFFER);
        bytes.put(first).flip();
        while (true) {
            byte[] more = in.readNBytes(BUFFER);
            out.clear();
            if (decoder.decode(bytes, out, more.length == 0).isError()) {
                return false;
            }
            if (more.length == 0) {
                return true;
            }
            bytes.compact().put(more).flip();
        }
    }

    /** Passes over the mark at the beginning. */
    private static final class Unmarked extends Reader {
        private final Reader inner;
        private boolean begun;

        Unmarked(Reader inner) {
            this.inner = inner;
        }

        @Override
        public int read(char[] into, int from, int length) throws IOException {
            if (begun || length == 0) {
                return inner.read(into, from, length);
            }
            begun = true;
            int first = inner.read();
            if (first == MARK) {
                return inner.read(into, from, length);
            }
            if (first < 0) {
                return -1;
            }
            into[from] = (char) first;
            return 1;
        }

        @Override
        public void close() throws IOException {
            inner.close();
        }
    }
}
