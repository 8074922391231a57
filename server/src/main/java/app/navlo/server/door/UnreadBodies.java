package app.navlo.server.door;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;
import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.stereotype.Component;

/**
 * A container reads to its end what was refused, at the pace of whoever sends it, and keeps a thread for it. What was refused here is
 * not read on: the connection ends.
 */
@Component
class UnreadBodies implements WebServerFactoryCustomizer<TomcatServletWebServerFactory> {
    private static final String UNREAD = UnreadBodies.class.getName();

    @Override
    public void customize(TomcatServletWebServerFactory factory) {
        factory.addContextValves(new Leaving());
    }

    /** Says that the body of this request isn't wanted any more. */
    static void leave(jakarta.servlet.ServletRequest request) {
        request.setAttribute(UNREAD, true);
    }

    private static final class Leaving extends ValveBase {
        Leaving() {
            super(true);
        }

        @Override
        public void invoke(Request request, Response response) throws IOException, ServletException {
            getNext().invoke(request, response);
            if (request.getAttribute(UNREAD) != null) {
                request.getCoyoteRequest().action(ActionCode.DISABLE_SWALLOW_INPUT, null);
            }
        }
    }
}
