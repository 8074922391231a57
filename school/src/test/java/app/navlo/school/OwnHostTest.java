package app.navlo.school;

import static org.testng.Assert.assertEquals;

import app.navlo.school.calendar.CalendarShelf;
import java.io.IOException;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What stands in for the world outside answers to its own name alone. */
public class OwnHostTest {
    @DataProvider
    public static Object[][] hosts() {
        return new Object[][] {
            {"localhost", 200},
            {"localhost:8182", 200},
            {"127.0.0.1", 200},
            {"[::1]:8182", 200},
            {"evil.example", 421},
            {"localhost.evil.example", 421},
            {"10.0.0.1", 421},
        };
    }

    @Test(dataProvider = "hosts")
    public void onlyItsOwnNameIsAnswered(String host, int status) throws IOException {
        try (CalendarShelf shelf = CalendarShelf.open(0);
                Socket socket =
                        new Socket("localhost", URI.create(shelf.address("")).getPort())) {
            OutputStream out = socket.getOutputStream();
            String ask = "GET /" + CalendarShelf.ROWING + " HTTP/1.1\r\nHost: " + host + "\r\n\r\n";
            out.write(ask.getBytes(StandardCharsets.US_ASCII));
            String answer =
                    new String(socket.getInputStream().readNBytes("HTTP/1.1 200".length()), StandardCharsets.US_ASCII);
            assertEquals(answer, "HTTP/1.1 " + status);
        }
    }
}
