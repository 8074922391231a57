package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What is let in before anybody is asked who they are. */
public class DoorTest extends DemoServer {
    private static final int PATIENCE = 30_000;

    private Socket asked(String head) throws IOException {
        Socket socket = new Socket("localhost", port);
        socket.setSoTimeout(PATIENCE);
        OutputStream out = socket.getOutputStream();
        out.write((head.replace("\n", "\r\n") + "\r\n\r\n").getBytes(StandardCharsets.ISO_8859_1));
        out.flush();
        return socket;
    }

    private static int status(Socket socket) throws IOException {
        InputStream in = socket.getInputStream();
        String first = new String(in.readNBytes("HTTP/1.1 200".length()), StandardCharsets.ISO_8859_1);
        return Integer.parseInt(first.substring("HTTP/1.1 ".length()));
    }

    @DataProvider
    public static Object[][] hosts() {
        return new Object[][] {
            {"localhost", 200},
            {"LOCALHOST:8080", 200},
            {"127.0.0.1:80", 200},
            {"[::1]:80", 200},
            {"192.168.7.7", 200},
            {"evil.example:18120", 421},
            {"localhost.evil.example", 421},
            {"127.0.0.1.evil.example", 421},
            {"evil", 421},
            {"1.2.3.4.5", 421},
        };
    }

    /** A page whose name leads here is none of ours; who asks by a number was led by no name. */
    @Test(dataProvider = "hosts")
    public void onlyItsOwnNamesAreAnswered(String host, int status) throws IOException {
        try (Socket socket = asked("GET /api/session HTTP/1.1\nHost: " + host)) {
            assertEquals(status(socket), status);
        }
    }

    @DataProvider
    public static Object[][] uploads() {
        String head =
                " HTTP/1.1\nHost: localhost\nContent-Type: multipart/form-data; boundary=x\nContent-Length: 262144000";
        return new Object[][] {
            {"POST /api/students/1/archive" + head, 403},
            {"POST /api/students/1/archive" + head + "\nX-XSRF-TOKEN: guessed", 403},
            {"POST /api/students/1/archive" + head + "\nAuthorization: Bearer navlo_guessed", 401},
            {"POST /api/%73tudents/1/archive" + head + "\nX-XSRF-TOKEN: guessed", 403},
            {"POST /api/session" + head + "\nX-XSRF-TOKEN: guessed", 403},
            {"POST /api/people" + head, 403},
            {"POST /" + head, 403},
        };
    }

    /** They are answered before a byte of the file was sent. */
    @Test(dataProvider = "uploads")
    public void filesOfNobodyArentWaitedFor(String head, int status) throws IOException {
        try (Socket socket = asked(head)) {
            assertEquals(status(socket), status);
        }
    }

    @Test
    public void aTextThatIsTooLargeIsRefusedBeforeItIsRead() throws IOException {
        try (Socket socket = asked(
                "POST /api/people HTTP/1.1\nHost: localhost\nContent-Type: application/json\nContent-Length: 62914560")) {
            assertEquals(status(socket), 413);
        }
        try (Socket socket = asked(
                "POST /api/session HTTP/1.1\nHost: localhost\nContent-Type: application/x-www-form-urlencoded\nContent-Length: 100000")) {
            assertEquals(status(socket), 413);
        }
    }

    /** Without a length it is counted as it comes. */
    @Test
    public void aTextThatNeverEndsIsRefusedWhereItIsTooMuch() {
        TestClient mira = mira();
        TestClient.Answer long1 = mira.post(STUDENT + "/courses", "{\"name\":\"" + "x".repeat(1 << 20) + "\"}");
        assertEquals(long1.status(), 413, long1.body());
        assertTrue(long1.fault().contains("1024 kB"), long1.fault());
        TestClient.Answer chunked = mira.chunked(STUDENT + "/courses", "{\"name\":\"" + "x".repeat(3 << 20) + "\"}");
        assertEquals(chunked.status(), 413, chunked.body());
    }

    /** Who sends many bodies slowly keeps nobody else waiting. */
    @Test
    public void manySlowBodiesStopNobody() throws Exception {
        List<Socket> slow = new ArrayList<>();
        try {
            for (int i = 0; i < 230; i++) {
                slow.add(asked("POST /api/session HTTP/1.1\nHost: localhost\n"
                        + "Content-Type: application/x-www-form-urlencoded\nContent-Length: 8000"));
            }
            TimeUnit.MILLISECONDS.sleep(300);
            long before = System.nanoTime();
            assertEquals(new TestClient(port).get("/api/session").status(), 200);
            assertTrue(System.nanoTime() - before < TimeUnit.SECONDS.toNanos(8), "answered meanwhile");
            assertEquals(status(slow.get(229)), 503, "there were enough of them");
            assertEquals(status(slow.get(0)), 408, "and none goes on for ever");
        } finally {
            for (Socket socket : slow) {
                socket.close();
            }
        }
    }

    /** A form that is read by the clock says the same as one that is read by the container. */
    @Test
    public void aFormIsReadAsItWasWritten() {
        TestClient client = new TestClient(port);
        client.get("/api/session");
        assertEquals(
                client.form("/api/session", "password", TestSettings.MIRAS_PASSWORD, "email", TestSettings.MIRA)
                        .status(),
                204);
        TestClient odd = new TestClient(port);
        odd.get("/api/session");
        assertEquals(
                odd.form("/api/session", "email", "a+b c&d=e%@x.example", "password", "ü & + %zz")
                        .status(),
                401);
    }
}
