package app.navlo.server;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The demo's mail-box, as a person reads it. */
public record MailBox(String address) {
    private static final int LOOKS = 200;

    static MailBox of(TestClient client) {
        return new MailBox(client.get("/api/session").json().at("/demo/mailBox").asString());
    }

    public MailBox {
        address = address.replaceFirst("/$", "");
    }

    /** The newest letter with these words in its subject and its page, once there is one. */
    public String letter(String subject, String words) throws IOException, InterruptedException {
        for (int look = 0; look < LOOKS; look++) {
            Matcher letters = Pattern.compile("<a href=\"/(\\d+)\">" + subject).matcher(page("/"));
            while (letters.find()) {
                String letter = page("/" + letters.group(1));
                if (letter.contains(words)) {
                    return letter;
                }
            }
            Thread.sleep(100);
        }
        throw new AssertionError("no letter came: " + subject);
    }

    /** What follows these words in a letter, as far as it can stand in an address. */
    public static String after(String words, String letter) {
        Matcher found = Pattern.compile(Pattern.quote(words) + "([\\w-]+)").matcher(letter);
        if (!found.find()) {
            throw new AssertionError("no " + words + " in " + letter);
        }
        return found.group(1);
    }

    private String page(String path) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(HttpRequest.newBuilder(URI.create(address + path)).build(), HttpResponse.BodyHandlers.ofString())
                .body();
    }
}
