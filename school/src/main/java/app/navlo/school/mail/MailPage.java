package app.navlo.school.mail;

import app.navlo.school.page.Html;
import com.sun.net.httpserver.HttpExchange;
import com.sun.net.httpserver.HttpHandler;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Optional;

/** Shows the letters: all of them, or one by its number. Whatever a letter says is only ever text. */
final class MailPage implements HttpHandler {
    private static final String HEAD = """
            <!doctype html>
            <html lang="en">
            <meta charset="utf-8">
            <meta name="viewport" content="width=device-width">
            <title>Mail-box</title>
            <style>
            :root { color-scheme: light dark }
            body { font: 15px/1.5 system-ui, sans-serif; max-width: 46rem; margin: 2rem auto; padding: 0 1rem;
                   background: light-dark(#f7f4ec, #0f1f1d); color: light-dark(#14302b, #e9e6da) }
            a { color: inherit }
            h1 { font-size: 1.3rem; margin: 0 0 .2rem }
            ol { list-style: none; padding: 0 } li { border-top: 1px solid #8886; padding: .6rem 0 }
            dl { display: grid; grid-template-columns: auto 1fr; gap: .1rem 1rem } dt { opacity: .75 } dd { margin: 0 }
            pre { font: inherit; white-space: pre-wrap; border-top: 1px solid #8886; padding-top: 1rem }
            p { margin: .2rem 0 }
            </style>
            <main>
            """;

    private final MailBox box;

    MailPage(MailBox box) {
        this.box = box;
    }

    @Override
    public void handle(HttpExchange exchange) throws IOException {
        String path = exchange.getRequestURI().getPath();
        Optional<Letter> letter =
                path.matches("/\\d{1,9}") ? box.letter(Integer.parseInt(path.substring(1))) : Optional.empty();
        boolean found = path.equals("/") || letter.isPresent();
        String body = letter.map(MailPage::one).orElseGet(() -> found ? all() : "<p>There is no such letter.</p>");
        byte[] page = (HEAD + body + "</main>").getBytes(StandardCharsets.UTF_8);
        exchange.getResponseHeaders().set("Content-Type", "text/html; charset=utf-8");
        exchange.getResponseHeaders()
                .set("Content-Security-Policy", "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'");
        exchange.getResponseHeaders().set("Cache-Control", "no-store");
        exchange.sendResponseHeaders(found ? 200 : 404, page.length);
        exchange.getResponseBody().write(page);
        exchange.close();
    }

    private String all() {
        List<Letter> letters = new ArrayList<>(box.letters());
        Collections.reverse(letters);
        StringBuilder page =
                new StringBuilder("<h1>Mail-box</h1><p>A stand-in: what is sent ends here, and goes nowhere.</p>");
        page.append(letters.isEmpty() ? "<p>No letter has come yet.</p>" : "<ol>");
        for (Letter letter : letters) {
            page.append("<li><a href=\"/%d\">%s</a><p>to %s</p><p>%s</p></li>"
                    .formatted(
                            letter.number(),
                            Html.text(letter.subject()),
                            Html.text(letter.to()),
                            Html.text(letter.date())));
        }
        return page.append(letters.isEmpty() ? "" : "</ol>").toString();
    }

    private static String one(Letter letter) {
        return "<p><a href=\"/\">All letters</a></p><h1>" + Html.text(letter.subject()) + "</h1><dl>"
                + row("To", letter.to())
                + row("From", letter.from())
                + row("Answers go to", letter.replyTo())
                + row("Date", letter.date())
                + row("One press stops these", letter.stop())
                + row("Comes with", String.join(", ", letter.files()))
                + "</dl><pre>" + Html.text(letter.text()) + "</pre>";
    }

    private static String row(String name, String value) {
        return value.isEmpty() ? "" : "<dt>" + name + "</dt><dd>" + Html.text(value) + "</dd>";
    }
}
