package app.navlo.server.exports;

import app.navlo.server.live.LiveFeed;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

/** Everything of a student out as one file, and in again. */
@RestController
@RequestMapping("/api/students/{student}/archive")
public class ArchiveController {
    private final ArchiveWriter writer;
    private final ArchiveReader reader;
    private final LiveFeed live;

    ArchiveController(ArchiveWriter writer, ArchiveReader reader, LiveFeed live) {
        this.writer = writer;
        this.reader = reader;
        this.live = live;
    }

    /**
     * @param rows that were taken in
     * @param damaged names of files that were missing in the archive, or not what they had been
     */
    public record ArchiveTaken(int rows, List<String> damaged) {}

    /** Written first and then sent, so that an archive never ends in the middle. */
    @GetMapping(produces = "application/zip")
    public void write(@PathVariable long student, HttpServletResponse response) throws IOException {
        Path archive = Files.createTempFile("navlo-archive", ".zip");
        try {
            try (var out = Files.newOutputStream(archive)) {
                writer.write(student, out);
            }
            response.setContentType("application/zip");
            response.setContentLengthLong(Files.size(archive));
            response.setHeader(
                    HttpHeaders.CONTENT_DISPOSITION,
                    ContentDisposition.attachment()
                            .filename("navlo-archive.zip")
                            .build()
                            .toString());
            response.setHeader(HttpHeaders.CACHE_CONTROL, "no-store");
            Files.copy(archive, response.getOutputStream());
        } finally {
            Files.deleteIfExists(archive);
        }
    }

    /** Takes an archive in, whole or not at all. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    @ResponseStatus(HttpStatus.CREATED)
    public ArchiveTaken take(@PathVariable long student, @RequestParam MultipartFile file) throws IOException {
        Path archive = Files.createTempFile("navlo-archive", ".zip");
        try {
            file.transferTo(archive);
            ArchiveReader.Taken taken = reader.take(student, archive);
            live.changed(student);
            return new ArchiveTaken(taken.rows(), List.copyOf(taken.damaged()));
        } finally {
            Files.deleteIfExists(archive);
        }
    }
}
