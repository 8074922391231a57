package app.navlo.bench;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** From a fresh clone to ready, with the package caches as they are; and once more with nothing to build. */
final class BuildBench {
    private BuildBench() {}

    static void run() throws IOException, InterruptedException {
        Path clone = Files.createTempDirectory("navlo-clone").resolve("navlo");
        new ProcessBuilder("git", "clone", "-q", ".", clone.toString())
                .inheritIO()
                .start()
                .waitFor();
        Figures.print("clone to ready", ready(clone), "at most 180 000");
        Figures.print("second run, nothing to build", ready(clone), "starts without rebuilding");
    }

    private static double ready(Path clone) throws IOException {
        long began = System.nanoTime();
        Process process = new ProcessBuilder("./navlo", "demo", "--port", "0")
                .directory(clone.toFile())
                .redirectErrorStream(true)
                .start();
        BufferedReader lines =
                new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
        for (String line = lines.readLine(); line != null; line = lines.readLine()) {
            if (line.contains("Navlo is ready")) {
                double millis = (System.nanoTime() - began) / 1e6;
                process.descendants().forEach(ProcessHandle::destroyForcibly);
                process.destroyForcibly();
                process.onExit().join();
                return millis;
            }
        }
        throw new IOException("the clone never got ready");
    }
}
