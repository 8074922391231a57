package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.test.annotation.DirtiesContext;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.JsonNode;

/** Files, names and connections as somebody who means ill, or has bad luck, would send them. */
@DirtiesContext
public class HostileTest extends DemoServer {
    private static final byte[] PDF = "%PDF-1.4\nx\n%%EOF".getBytes(StandardCharsets.UTF_8);
    private static final byte[] SVG =
            "<svg xmlns='http://www.w3.org/2000/svg' onload='alert(1)'><script>alert(2)</script></svg>"
                    .getBytes(StandardCharsets.UTF_8);

    private static byte[] shellScript() {
        return "#!/bin/sh\nrm -rf /\n".getBytes(StandardCharsets.UTF_8);
    }

    private static byte[] elf() {
        byte[] program = new byte[64];
        System.arraycopy(new byte[] {0x7F, 'E', 'L', 'F', 2, 1, 1}, 0, program, 0, 7);
        program[16] = 2;
        program[18] = 62;
        return program;
    }

    private static byte[] zip() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            zip.putNextEntry(new ZipEntry("run.exe"));
            zip.write(new byte[] {'M', 'Z'});
        }
        return bytes.toByteArray();
    }

    /** A piece of work that was typed in and takes anything. */
    private static JsonNode anything(TestClient mira, String title) {
        long course = board(mira).at("/courses/0/id").asLong();
        TestClient.Answer added = mira.post(STUDENT + "/works", """
                {"courseId":%d,"title":"%s","kind":"ASSIGNMENT","unit":null,"category":null,"required":true,
                 "opensDay":null,"dueDay":null,"dueTime":null,"possible":null,"effortMinutes":null,"instructions":""}
                """.formatted(course, title));
        assertEquals(added.status(), 201, added.body());
        return work(mira, title);
    }

    @DataProvider
    public static Object[][] disguised() throws IOException {
        return new Object[][] {
            {"field-book.pdf", elf()},
            {"field-book.csv", elf()},
            {"field-book.pdf", zip()},
            {"field-book.csv", shellScript()},
        };
    }

    @Test(dataProvider = "disguised")
    public void aRenamedProgramIsKnownByWhatIsInIt(String name, byte[] content) {
        TestClient mira = mira();
        JsonNode work = work(mira, "Level traverse");
        TestClient.Answer answer = mira.upload(path(work) + "/draft/files", name, content);
        assertEquals(answer.status(), 422, answer.body());
        assertEquals(mira.get(path(work)).json().at("/draft/files").size(), 0);
    }

    @Test
    public void aPictureWithAScriptInItIsOnlyEverADownload() {
        TestClient mira = mira();
        JsonNode work = anything(mira, "Anything, with a picture");
        JsonNode drafted =
                mira.upload(path(work) + "/draft/files", "plan.svg", SVG).json();
        TestClient.Answer done =
                mira.post(path(work) + "/hand-ins", handIn(drafted, "FILES"), "If-Match", version(drafted.get("work")));
        TestClient.Answer served = mira.get(
                path(work) + "/hand-ins/" + done.json().at("/receipt/id").asLong() + "/files/1");
        assertEquals(served.raw().body(), SVG);
        assertTrue(header(served, "Content-Disposition").startsWith("attachment"));
        assertEquals(header(served, "Content-Security-Policy"), "sandbox; default-src 'none'");
        assertEquals(header(served, "X-Content-Type-Options"), "nosniff");
    }

    private static String header(TestClient.Answer answer, String name) {
        return answer.raw().headers().firstValue(name).orElse("");
    }

    @DataProvider
    public static Object[][] names() {
        return new Object[][] {
            {"../../etc/passwd.pdf", "passwd.pdf"},
            {"C:\\\\Windows\\\\system.pdf", "system.pdf"},
            {"..", "file"},
            {"a\u202Efdp.exe.pdf", "afdp.exe.pdf"},
            {"<script>alert(1)<", "<script>alert(1)<"},
            {"n".repeat(400) + ".pdf", "n".repeat(196) + ".pdf"},
        };
    }

    @Test(dataProvider = "names")
    public void aNameIsOnlyAName(String sent, String kept) {
        TestClient mira = mira();
        JsonNode work = anything(mira, "Anything named " + kept.hashCode());
        JsonNode drafted = mira.upload(path(work) + "/draft/files", sent, PDF).json();
        String name = drafted.at("/draft/files/0/name").asString();
        assertEquals(name, kept);
        assertFalse(name.contains("/") || name.contains("\\"), name);
    }

    private Socket begin(TestClient mira, JsonNode work, long length) throws IOException {
        String head = mira.request(path(work) + "/draft/files").build().headers().map().entrySet().stream()
                .map(header -> header.getKey() + ": " + header.getValue().get(0) + "\r\n")
                .reduce("", String::concat);
        Socket socket = new Socket("localhost", port);
        OutputStream out = socket.getOutputStream();
        out.write(("POST " + path(work) + "/draft/files HTTP/1.1\r\nHost: localhost:" + port + "\r\n" + head
                        + "Cookie: " + mira.cookies() + "\r\nContent-Type: multipart/form-data; boundary=b\r\n"
                        + "Content-Length: " + length + "\r\n\r\n"
                        + "--b\r\nContent-Disposition: form-data; name=\"file\"; filename=\"traverse.pdf\"\r\n\r\n%PDF-1.4\n")
                .getBytes(StandardCharsets.UTF_8));
        out.flush();
        return socket;
    }

    /** Only the beginning of it is ever sent: whoever waited for the rest would wait for ever. */
    @Test(timeOut = 30_000)
    public void halfAGigabyteIsRefusedBeforeItIsSent() throws IOException {
        TestClient mira = mira();
        JsonNode work = work(mira, "Level traverse");
        try (Socket socket = begin(mira, work, 500L << 20)) {
            InputStream in = socket.getInputStream();
            byte[] answer = new byte[4_096];
            int read = in.read(answer);
            String first = new String(answer, 0, Math.max(0, read), StandardCharsets.UTF_8);
            assertTrue(first.startsWith("HTTP/1.1 413"), first);
        }
        assertEquals(mira.get(path(work)).json().at("/draft/files").size(), 0);
    }

    @Test
    public void aConnectionCutInTheMiddleLeavesTheDraftAsItWasAndCanBeRetried() throws IOException {
        TestClient mira = mira();
        JsonNode work = work(mira, "Planting plan, sheet 2");
        String before = mira.get(path(work)).json().get("draft").toString();
        begin(mira, work, 100_000).close();
        assertEquals(mira.get(path(work)).json().get("draft").toString(), before);
        TestClient.Answer again = mira.upload(path(work) + "/draft/files", "traverse.pdf", PDF);
        assertEquals(again.status(), 200, again.body());
        assertEquals(again.json().at("/draft/files").size(), 2);
    }

    @Test
    public void oneFileTooManyIsRefusedWithTheCure() {
        TestClient mira = mira();
        JsonNode work = anything(mira, "Anything, in many files");
        for (int i = 0; i < 20; i++) {
            byte[] content = ("%PDF-1.4\n" + i + "\n%%EOF").getBytes(StandardCharsets.UTF_8);
            assertEquals(
                    mira.upload(path(work) + "/draft/files", i + ".pdf", content)
                            .status(),
                    200);
        }
        TestClient.Answer more = mira.upload(path(work) + "/draft/files", "more.pdf", PDF);
        assertEquals(more.status(), 422);
        assertTrue(more.fault().contains("At most 20 files"), more.body());
    }
}
