package app.navlo.server.files;

import app.navlo.server.problem.Refusal;
import app.navlo.server.store.Sha256;
import app.navlo.server.store.StoredFile;
import app.navlo.server.store.Work;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.apache.tika.Tika;

/** Sees that a file is what was asked for, by its name and by its content, before it is taken. */
public final class FileCheck {
    private static final Tika TIKA = new Tika();
    private static final int LONGEST_NAME = 200;

    /** What the first bytes of a file must say, where its ending promises it. */
    private static final Map<String, Set<String>> PROMISED = Map.ofEntries(
            Map.entry("pdf", Set.of("application/pdf")),
            Map.entry("png", Set.of("image/png")),
            Map.entry("jpg", Set.of("image/jpeg")),
            Map.entry("jpeg", Set.of("image/jpeg")),
            Map.entry("gif", Set.of("image/gif")),
            Map.entry("webp", Set.of("image/webp")),
            Map.entry("zip", Set.of("application/zip")),
            Map.entry("docx", Set.of("application/zip", "application/x-tika-ooxml")),
            Map.entry("xlsx", Set.of("application/zip", "application/x-tika-ooxml")),
            Map.entry("pptx", Set.of("application/zip", "application/x-tika-ooxml")),
            Map.entry("odt", Set.of("application/zip", "application/vnd.oasis.opendocument.text")),
            Map.entry("ods", Set.of("application/zip", "application/vnd.oasis.opendocument.spreadsheet")));

    private static final Set<String> PROGRAMS = Set.of(
            "application/x-msdownload",
            "application/x-dosexec",
            "application/x-executable",
            "application/x-elf",
            "application/x-sharedlib",
            "application/x-mach-o",
            "application/x-mach-o-executable",
            "application/java-vm",
            "application/x-sh");

    private FileCheck() {}

    /**
     * @param name as it came; whatever looks like a path in it is only dropped
     * @throws Refusal if the file is empty, too large, of a type not asked for, or not what its name says
     */
    public static StoredFile check(Work.Takes takes, String name, Path content) throws IOException {
        String plain = plainName(name);
        long size = Files.size(content);
        if (!takes.files()) {
            throw Refusal.invalid("file", "No files are wanted for this work.");
        }
        if (size == 0) {
            throw Refusal.invalid("file", plain + " is empty. Save it again where you made it, then choose it anew.");
        }
        if (size > takes.maxFileBytes()) {
            throw Refusal.tooLarge(plain + " is " + megabytes(size) + "; at most " + megabytes(takes.maxFileBytes())
                    + " are taken. Make it smaller or split it.");
        }
        String ending = ending(plain);
        if (!takes.fileTypes().isEmpty() && !takes.fileTypes().contains(ending)) {
            throw Refusal.invalid(
                    "file",
                    plain + " is not among the types taken here: " + list(takes.fileTypes())
                            + ". Save or export it as one of these.");
        }
        String found = found(content);
        Set<String> promised = PROMISED.getOrDefault(ending, Set.of());
        boolean broken = !promised.isEmpty() && !promised.contains(found);
        if (broken || PROGRAMS.contains(found)) {
            throw Refusal.invalid(
                    "file",
                    plain + " is named ." + ending + ", but what is in it is " + inWords(found)
                            + ". Export it again as "
                            + list(takes.fileTypes().isEmpty() ? List.of(ending) : takes.fileTypes())
                            + ".");
        }
        return new StoredFile(plain, TIKA.detect(plain), size, sha256(content));
    }

    /** The last part of whatever looks like a path, without control characters, and not too long. */
    static String plainName(String name) {
        String last = name.substring(Math.max(name.lastIndexOf('/'), name.lastIndexOf('\\')) + 1);
        String plain = last.replaceAll("[\\p{Cntrl}\\p{Cf}]", "").strip();
        if (plain.isEmpty() || plain.matches("\\.+")) {
            return "file";
        }
        if (plain.length() <= LONGEST_NAME) {
            return plain;
        }
        String ending = ending(plain);
        int room = LONGEST_NAME - ending.length() - 1;
        return ending.isEmpty() || room < 1
                ? plain.substring(0, LONGEST_NAME)
                : plain.substring(0, room) + "." + ending;
    }

    private static String ending(String name) {
        int dot = name.lastIndexOf('.');
        return dot < 0 ? "" : name.substring(dot + 1).toLowerCase(Locale.ROOT);
    }

    private static String found(Path content) throws IOException {
        try (InputStream in = Files.newInputStream(content)) {
            return TIKA.detect(in.readNBytes(64 * 1024));
        }
    }

    private static String inWords(String mediaType) {
        return switch (mediaType) {
            case "image/jpeg" -> "a JPEG picture";
            case "image/png" -> "a PNG picture";
            case "application/pdf" -> "a PDF";
            case "text/plain" -> "plain text";
            case "text/html" -> "a web page";
            case "application/octet-stream" -> "not recognised";
            default -> PROGRAMS.contains(mediaType) ? "a program" : mediaType;
        };
    }

    static String list(List<String> fileTypes) {
        return String.join(", ", fileTypes.stream().map(type -> "." + type).toList());
    }

    static String megabytes(long bytes) {
        return bytes >= 1 << 20
                ? String.format(Locale.ROOT, "%.1f MB", bytes / (double) (1 << 20))
                : Math.max(1, bytes >> 10) + " kB";
    }

    private static String sha256(Path content) throws IOException {
        try (InputStream in = Files.newInputStream(content)) {
            return Sha256.of(in);
        }
    }
}
