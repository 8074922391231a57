package app.navlo.server.door;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import jakarta.servlet.MultipartConfigElement;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServlet;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.TimeUnit;
import org.apache.catalina.Context;
import org.apache.catalina.Wrapper;
import org.apache.catalina.startup.Tomcat;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Files that come drop by drop, on a container as it is. */
public class FilesInTimeTest {
    private static final FilesInTime.Slowest SLOWEST = new FilesInTime.Slowest(Duration.ofMillis(400), 10_000);
    private static final int PATIENCE = 20_000;
    private static final String BEFORE =
            "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"a.txt\"\r\n\r\n";
    private static final String AFTER = "\r\n--x--\r\n";

    private final Tomcat tomcat = new Tomcat();

    /** Says how large the file is that came. */
    private static final class Taking extends HttpServlet {
        private static final long serialVersionUID = 1;

        @Override
        protected void doPost(HttpServletRequest request, HttpServletResponse response)
                throws ServletException, IOException {
            response.getWriter().write("came: " + request.getPart("file").getSize());
        }
    }

    @BeforeClass
    public void start() throws Exception {
        Path folder = Files.createTempDirectory("navlo-files");
        tomcat.setBaseDir(folder.toString());
        tomcat.setPort(0);
        tomcat.getConnector();
        Context context = tomcat.addContext("", folder.toString());
        Wrapper taking = Tomcat.addServlet(context, "taking", new Taking());
        taking.setMultipartConfigElement(new MultipartConfigElement(""));
        taking.addMapping("/");
        context.getPipeline().addValve(new FilesInTime.Timing(SLOWEST));
        tomcat.start();
    }

    @AfterClass
    public void stop() throws Exception {
        tomcat.stop();
        tomcat.destroy();
    }

    /** @return what is answered; the last pieces may find nobody who reads them */
    private String sent(int bytes, int atOnce, long pauseMillis) throws Exception {
        try (Socket socket = new Socket("localhost", tomcat.getConnector().getLocalPort())) {
            socket.setSoTimeout(PATIENCE);
            socket.setTcpNoDelay(true);
            OutputStream out = socket.getOutputStream();
            int length = BEFORE.length() + bytes + AFTER.length();
            out.write(("POST / HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n"
                            + "Content-Type: multipart/form-data; boundary=x\r\nContent-Length: " + length + "\r\n\r\n"
                            + BEFORE)
                    .getBytes(StandardCharsets.US_ASCII));
            try {
                for (int i = 0; i < bytes; i += atOnce) {
                    out.write("a".repeat(Math.min(atOnce, bytes - i)).getBytes(StandardCharsets.US_ASCII));
                    out.flush();
                    TimeUnit.MILLISECONDS.sleep(pauseMillis);
                }
                out.write(AFTER.getBytes(StandardCharsets.US_ASCII));
                out.flush();
            } catch (IOException nobodyReads) {
                return "given up";
            }
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.US_ASCII);
        }
    }

    @Test
    public void whatComesDropByDropIsGivenUp() throws Exception {
        long began = System.nanoTime();
        String answer = sent(200, 1, 20);
        assertFalse(answer.contains("came"), answer);
        assertTrue(System.nanoTime() - began < TimeUnit.SECONDS.toNanos(15), "long before its end");
    }

    @Test
    public void whatComesAtOnceOrSteadilyIsTaken() throws Exception {
        assertTrue(sent(300_000, 300_000, 0).endsWith("came: 300000"));
        assertTrue(sent(60_000, 3_000, 50).endsWith("came: 60000"), "a second, at six times the least");
    }

    @Test
    public void itMayPauseAsLongAsItIsFastEnoughInTheMean() {
        long second = TimeUnit.SECONDS.toNanos(1);
        FilesInTime.Slowest slowest = new FilesInTime.Slowest(Duration.ofSeconds(20), 4_000);
        assertTrue(slowest.allows(0, 20 * second), "nothing yet");
        assertFalse(slowest.allows(3_999, 21 * second));
        assertTrue(slowest.allows(4_000, 21 * second));
        assertTrue(slowest.allows(300_000_000, 20 * second + 75_000 * second));
        assertEquals(slowest.allows(300_000_000, 20 * second + 75_001 * second), false);
    }
}
