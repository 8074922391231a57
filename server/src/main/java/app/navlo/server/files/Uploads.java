package app.navlo.server.files;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/** Files of a request, beside it on the disk until the request is answered. */
public final class Uploads implements AutoCloseable {
    private final List<Upload> all = new ArrayList<>();

    private Uploads() {}

    /** @param name as it came */
    public record Upload(String name, Path content) {}

    /** @param files null for none; an empty field of a form comes as a file without a name, and is passed over */
    public static Uploads of(@Nullable List<MultipartFile> files) throws IOException {
        Uploads uploads = new Uploads();
        try {
            for (MultipartFile file : Objects.requireNonNullElse(files, List.<MultipartFile>of())) {
                String name = Objects.requireNonNullElse(file.getOriginalFilename(), "");
                if (!file.isEmpty() || !name.isEmpty()) {
                    Path copy = Files.createTempFile("navlo", ".upload");
                    uploads.all.add(new Upload(name.isEmpty() ? "file" : name, copy));
                    file.transferTo(copy);
                }
            }
            return uploads;
        } catch (IOException | RuntimeException broken) {
            uploads.close();
            throw broken;
        }
    }

    public List<Upload> all() {
        return List.copyOf(all);
    }

    @Override
    public void close() throws IOException {
        for (Upload upload : all) {
            Files.deleteIfExists(upload.content());
        }
    }
}
