package app.navlo.server.store;

import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** The browser that asks just now, by the name that it gives itself. It proves nothing and is only used to tell of others. */
@Component
public class Device {
    private static final String HEADER = "X-Navlo-Device";
    private static final Pattern NAME = Pattern.compile("[0-9a-zA-Z-]{8,40}");

    /** Null outside a request, and for one that doesn't say. */
    public @Nullable String current() {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request)) {
            return null;
        }
        String name = request.getRequest().getHeader(HEADER);
        return name != null && NAME.matcher(name).matches() ? name : null;
    }
}
