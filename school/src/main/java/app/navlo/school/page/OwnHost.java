package app.navlo.school.page;

import com.sun.net.httpserver.Filter;
import com.sun.net.httpserver.HttpContext;
import com.sun.net.httpserver.HttpExchange;
import java.io.IOException;
import java.util.Locale;
import java.util.regex.Pattern;

/** Answers on this machine's own name alone: a page elsewhere whose name is made to lead here gets nothing. */
public final class OwnHost extends Filter {
    private static final Pattern OWN = Pattern.compile("(localhost|127\\.0\\.0\\.1|\\[::1\\])(:\\d+)?");
    private static final int MISDIRECTED = 421;

    private OwnHost() {}

    public static void guard(HttpContext context) {
        context.getFilters().add(new OwnHost());
    }

    @Override
    public void doFilter(HttpExchange exchange, Chain chain) throws IOException {
        String host =
                String.valueOf(exchange.getRequestHeaders().getFirst("Host")).toLowerCase(Locale.ROOT);
        if (OWN.matcher(host).matches()) {
            chain.doFilter(exchange);
        } else {
            exchange.sendResponseHeaders(MISDIRECTED, -1);
            exchange.close();
        }
    }

    @Override
    public String description() {
        return "answers for its own name";
    }
}
