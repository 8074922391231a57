package app.navlo.server.imports;

import app.navlo.formats.table.TextTable;
import app.navlo.server.problem.Refusal;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.Reader;
import java.io.StringWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;

/** The lines of a course outline: of a PDF, a text document, or plain text. */
final class OutlineText {
    private static final int MOST_PAGES = 60;
    private static final int MOST_LINES = 3_000;
    private static final int LONGEST_LINE = 500;
    private static final long MOST_DOCUMENT = 20L << 20;
    private static final int HEAD = 8;

    private OutlineText() {}

    /** Without empty ones. @throws Refusal if there is no text in it */
    static List<String> lines(String name, Path content) throws IOException {
        byte[] head;
        try (InputStream in = Files.newInputStream(content)) {
            head = in.readNBytes(HEAD);
        }
        String start = new String(head, StandardCharsets.ISO_8859_1);
        String text =
                start.startsWith("%PDF") ? pdf(content) : start.startsWith("PK") ? document(content) : plain(content);
        List<String> lines = text.lines()
                .map(line -> line.replaceAll("[\\p{Cntrl}\\s\\u00A0]+", " ").strip())
                .filter(line -> !line.isEmpty())
                .map(line -> line.length() <= LONGEST_LINE ? line : line.substring(0, LONGEST_LINE))
                .limit(MOST_LINES)
                .toList();
        if (lines.isEmpty()) {
            throw Refusal.invalid(
                    "file",
                    name + " has no text that can be read; is it a picture of one? Copy its lines and paste them.");
        }
        return lines;
    }

    private static String pdf(Path content) throws IOException {
        try (PDDocument document = Loader.loadPDF(content.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setSortByPosition(true);
            stripper.setEndPage(MOST_PAGES);
            return stripper.getText(document);
        } catch (IOException broken) {
            throw Refusal.invalid("file", "This PDF can't be read. Open it, copy its lines and paste them.");
        }
    }

    /** The paragraphs and cells of a word processor's document (ECMA-376), one a line; the cells of a row stand in one. */
    private static String document(Path content) throws IOException {
        try (ZipFile zip = new ZipFile(content.toFile())) {
            ZipEntry body = zip.getEntry("word/document.xml");
            if (body == null) {
                throw Refusal.invalid("file", "This is no text document. Save it as DOCX or PDF, or paste its lines.");
            }
            try (InputStream in = new BoundedStream(zip.getInputStream(body), MOST_DOCUMENT)) {
                return paragraphs(in);
            }
        } catch (ZipException | XMLStreamException broken) {
            throw Refusal.invalid("file", "This document can't be read. Open it, copy its lines and paste them.");
        }
    }

    private static String paragraphs(InputStream in) throws XMLStreamException {
        XMLInputFactory factory = XMLInputFactory.newFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        XMLStreamReader xml = factory.createXMLStreamReader(in);
        StringBuilder text = new StringBuilder();
        int rows = 0;
        while (xml.hasNext()) {
            int event = xml.next();
            String name = event == XMLStreamConstants.START_ELEMENT || event == XMLStreamConstants.END_ELEMENT
                    ? xml.getLocalName()
                    : "";
            if (event == XMLStreamConstants.START_ELEMENT && name.equals("t")) {
                text.append(xml.getElementText());
            } else if (event == XMLStreamConstants.START_ELEMENT && name.equals("tr")) {
                rows++;
            } else if (event == XMLStreamConstants.START_ELEMENT && (name.equals("tab") || name.equals("br"))) {
                text.append(' ');
            } else if (event == XMLStreamConstants.END_ELEMENT && name.equals("tr")) {
                rows--;
                text.append('\n');
            } else if (event == XMLStreamConstants.END_ELEMENT && name.equals("p")) {
                text.append(rows > 0 ? ' ' : '\n');
            }
        }
        return text.toString();
    }

    private static String plain(Path content) throws IOException {
        try (Reader reader = TextTable.text(() -> Files.newInputStream(content))) {
            StringWriter text = new StringWriter();
            reader.transferTo(text);
            return text.toString();
        }
    }

    /** Ends with a fault instead of going on for ever. */
    private static final class BoundedStream extends FilterInputStream {
        private long left;

        BoundedStream(InputStream in, long most) {
            super(in);
            left = most;
        }

        @Override
        public int read() throws IOException {
            int one = super.read();
            count(one < 0 ? 0 : 1);
            return one;
        }

        @Override
        public int read(byte[] into, int from, int length) throws IOException {
            int many = super.read(into, from, length);
            count(Math.max(0, many));
            return many;
        }

        private void count(int many) {
            left -= many;
            if (left < 0) {
                throw Refusal.tooLarge("The document is too long. Paste the part with the dates.");
            }
        }
    }
}
