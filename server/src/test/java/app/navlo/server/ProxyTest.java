package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.net.Socket;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.test.annotation.DirtiesContext;
import org.springframework.test.context.testng.AbstractTestNGSpringContextTests;
import org.testng.annotations.Test;

/** Behind a proxy that ends TLS: cookies that nothing else can set or read, and tries counted by who really asks. */
@DirtiesContext
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {
            TestSettings.MEMORY,
            TestSettings.DEMO,
            TestSettings.STILL,
            "navlo.demo.cohort=false",
            "navlo.address=https://navlo.example",
            "server.forward-headers-strategy=native"
        })
public class ProxyTest extends AbstractTestNGSpringContextTests {
    @LocalServerPort
    private int port;

    /** An answer's status and its headers, as they came. */
    private record Answer(int status, List<String> headers) {
        String cookie(String name) {
            return headers.stream()
                    .filter(header -> header.startsWith("Set-Cookie: " + name + "="))
                    .findFirst()
                    .orElse("");
        }

        String value(String name) {
            return cookie(name).replaceFirst("^Set-Cookie: [^=]+=", "").replaceFirst(";.*", "");
        }
    }

    /** @param from the browser, as the proxy tells it */
    private Answer ask(String line, String from, String scheme, String cookies, String body) throws IOException {
        try (Socket socket = new Socket("localhost", port)) {
            String token = cookies.replaceFirst("^.*XSRF-TOKEN=", "").replaceFirst(";.*", "");
            String request = line + " HTTP/1.1\r\nHost: navlo.example\r\nConnection: close\r\nX-Forwarded-For: " + from
                    + "\r\nX-Forwarded-Proto: " + scheme + "\r\nCookie: " + cookies + "\r\nX-XSRF-TOKEN: " + token
                    + "\r\nContent-Type: application/x-www-form-urlencoded\r\nContent-Length: " + body.length()
                    + "\r\n\r\n" + body;
            socket.getOutputStream().write(request.getBytes(StandardCharsets.US_ASCII));
            InputStream in = socket.getInputStream();
            String[] head = new String(in.readAllBytes(), StandardCharsets.UTF_8).split("\r\n\r\n", 2)[0].split("\r\n");
            return new Answer(Integer.parseInt(head[0].substring(9, 12)), List.of(head));
        }
    }

    private Answer signIn(String from, String scheme, String email, String password) throws IOException {
        Answer door = ask("GET /api/session", from, scheme, "a=b", "");
        String cookies = "XSRF-TOKEN=" + door.value("XSRF-TOKEN");
        String form = "email=" + URLEncoder.encode(email, StandardCharsets.UTF_8) + "&password=" + password;
        return ask("POST /api/session", from, scheme, cookies, form);
    }

    @Test
    public void overHttpsTheCookieIsOfThisHostAlone() throws IOException {
        Answer in = signIn("203.0.113.7", "https", TestSettings.MIRA, TestSettings.MIRAS_PASSWORD);
        assertEquals(in.status(), 204, in.toString());
        String cookie = in.cookie("__Host-navlo");
        for (String said : List.of("; Secure", "; HttpOnly", "; SameSite=Lax", "; Path=/", "; Max-Age=2592000")) {
            assertTrue(cookie.contains(said), said + " isn't in " + cookie);
        }
        assertFalse(cookie.contains("Domain"), cookie);
        assertTrue(in.cookie("navlo-known").contains("; Secure"), in.toString());
        assertEquals(in.cookie("navlo"), "");
        Answer board = ask(
                "GET /api/students/1/board", "203.0.113.7", "https", "__Host-navlo=" + in.value("__Host-navlo"), "");
        assertEquals(board.status(), 200);
        assertTrue(
                board.headers().stream()
                        .anyMatch(header -> header.startsWith("Strict-Transport-Security: max-age=31536000")),
                board.toString());
        Answer plain = ask("GET /api/students/1/board", "203.0.113.7", "http", "navlo=" + in.value("__Host-navlo"), "");
        assertTrue(
                plain.headers().stream().noneMatch(header -> header.startsWith("Strict-Transport")), "not over http");
    }

    /** Eight wrong tries from one place; the next place has its own. */
    @Test
    public void triesAreCountedByWhoReallyAsks() throws IOException {
        List<Integer> statuses = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            statuses.add(signIn("198.51.100.1", "https", TestSettings.ANDERS, "wrong")
                    .status());
        }
        assertEquals(statuses.subList(0, 8), List.of(401, 401, 401, 401, 401, 401, 401, 401));
        assertEquals((int) statuses.get(8), 429);
        assertEquals(
                signIn("198.51.100.2", "https", TestSettings.ANDERS, TestSettings.ANDERS_PASSWORD)
                        .status(),
                204);
    }
}
