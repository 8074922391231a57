package app.navlo.server.files;

import app.navlo.server.store.Files;
import app.navlo.server.store.StoredFile;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;

/** Sends a file as a download, never shown by the browser on its own. */
@Component
public class Downloads {
    private final Files files;

    Downloads(Files files) {
        this.files = files;
    }

    /** Must be called within a transaction. @throws app.navlo.server.problem.Refusal if the file is damaged */
    public void send(StoredFile file, HttpServletResponse response) throws IOException {
        files.check(file.sha256());
        head(file.name(), file.mediaType(), response);
        response.setContentLengthLong(file.size());
        files.write(file.sha256(), response.getOutputStream());
    }

    public void sendPdf(String name, byte[] pdf, HttpServletResponse response) throws IOException {
        head(name, MediaType.APPLICATION_PDF_VALUE, response);
        response.setContentLength(pdf.length);
        response.getOutputStream().write(pdf);
    }

    private void head(String name, String mediaType, HttpServletResponse response) {
        response.setContentType(mediaType);
        response.setHeader(
                HttpHeaders.CONTENT_DISPOSITION,
                ContentDisposition.attachment()
                        .filename(name, StandardCharsets.UTF_8)
                        .build()
                        .toString());
        response.setHeader("Content-Security-Policy", "sandbox; default-src 'none'");
    }
}
