package app.navlo.server.door;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/** Names of this machine under which it may be asked: localhost, what is set, and where others reach it its own in their network. */
@Component
class OwnNames {
    private final Set<String> names = new HashSet<>(Set.of("localhost"));

    /**
     * @param set separated by commas
     * @param listens the address that is listened on
     */
    OwnNames(@Value("${navlo.hosts:}") String set, @Value("${server.address:localhost}") String listens) {
        Arrays.stream(set.split(","))
                .map(String::strip)
                .filter(name -> !name.isEmpty())
                .forEach(this::add);
        if (!listens.equals("localhost") && !listens.startsWith("127.") && !listens.equals("::1")) {
            try {
                String own = InetAddress.getLocalHost().getHostName();
                add(own);
                add(own + ".local");
            } catch (UnknownHostException nameless) {
                names.remove("");
            }
        }
    }

    private void add(String name) {
        names.add(name.toLowerCase(Locale.ROOT));
    }

    boolean has(String name) {
        return names.contains(name);
    }
}
