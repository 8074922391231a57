package app.navlo.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;

/** A disk in memory that is soon full. */
final class SmallDisk implements AutoCloseable {
    private static final String SIZE = "600m";
    private static final int BLOCK = 1 << 16;

    private final Path folder;

    private SmallDisk(Path folder) {
        this.folder = folder;
    }

    /** Null where one can't be mounted. */
    static @Nullable SmallDisk mounted() throws IOException, InterruptedException {
        Path folder = Files.createTempDirectory("navlo-bench-disk");
        return begun("mount", "-t", "tmpfs", "-o", "size=" + SIZE, "tmpfs", folder.toString())
                                .waitFor()
                        == 0
                ? new SmallDisk(folder)
                : null;
    }

    Path folder() {
        return folder;
    }

    /** Until not a byte is left. */
    void fill() throws IOException {
        try (OutputStream ballast = Files.newOutputStream(folder.resolve("ballast"))) {
            while (true) {
                ballast.write(new byte[BLOCK]);
            }
        } catch (IOException full) {
            if (Files.getFileStore(folder).getUsableSpace() > BLOCK) {
                throw full;
            }
        }
    }

    void free() throws IOException {
        Files.deleteIfExists(folder.resolve("ballast"));
    }

    private static Process begun(String... command) throws IOException {
        return new ProcessBuilder(command)
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
    }

    @Override
    public void close() throws IOException {
        begun("umount", "-l", folder.toString()).onExit().join();
    }
}
