package app.navlo.server.page;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.ClassPathResource;
import org.springframework.stereotype.Component;

/**
 * The page of all views. A part that locks the scroll bar behind a dialog writes a style of its own; so that nobody else can, each
 * answer has a number, in the page and in its policy, that nobody can guess.
 */
@Component
public class Page {
    private static final String NUMBER = Page.class.getName() + ".number";
    private static final String PLACE = "%number%";
    private static final int BYTES = 16;
    private static final SecureRandom RANDOM = new SecureRandom();

    private @Nullable String read;

    /** The page with the number of this answer. */
    public String written(HttpServletRequest request) {
        String number = number(request).orElseGet(() -> newNumber(request));
        return html().replace(PLACE, number);
    }

    /** That of the page that this request is answered with; empty for every other answer. */
    public static Optional<String> number(HttpServletRequest request) {
        return Optional.ofNullable((String) request.getAttribute(NUMBER));
    }

    private static String newNumber(HttpServletRequest request) {
        byte[] bytes = new byte[BYTES];
        RANDOM.nextBytes(bytes);
        String number = Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        request.setAttribute(NUMBER, number);
        return number;
    }

    private String html() {
        String known = read;
        if (known == null) {
            try {
                known = new ClassPathResource("static/index.html").getContentAsString(StandardCharsets.UTF_8);
            } catch (IOException fault) {
                throw new UncheckedIOException(fault);
            }
            read = known;
        }
        return known;
    }
}
