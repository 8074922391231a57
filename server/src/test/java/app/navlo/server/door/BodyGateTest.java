package app.navlo.server.door;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertNotNull;
import static org.testng.Assert.assertNull;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.server.page.Page;
import app.navlo.server.problem.BodyRefused;
import app.navlo.server.problem.Problems;
import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletRequest;
import jakarta.servlet.ServletResponse;
import java.lang.reflect.Constructor;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.mock.web.MockHttpServletRequest;
import org.springframework.mock.web.MockHttpServletResponse;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;
import tools.jackson.databind.json.JsonMapper;

/** How much space has to be left, and how a form is read. */
public class BodyGateTest {
    private static final BodyGate.Limits LIMITS = new BodyGate.Limits(100, 1_000, 2_000, Duration.ofSeconds(5), 3, 7);
    private static final long FLOOR = 1_000_000;
    private static final String WORKS = "/api/students/1/works";

    /** What got through. */
    private static final class Through implements FilterChain {
        @Nullable
        ServletRequest request;

        @Override
        public void doFilter(ServletRequest passed, ServletResponse response) {
            request = passed;
        }
    }

    private static Problems problems() throws ReflectiveOperationException {
        Constructor<Problems> made =
                Problems.class.getDeclaredConstructor(JsonMapper.class, ApplicationEventPublisher.class, Page.class);
        made.setAccessible(true);
        return made.newInstance(JsonMapper.builder().build(), (ApplicationEventPublisher) event -> {}, new Page());
    }

    private static MockHttpServletResponse passed(MockHttpServletRequest request, long free, Through through)
            throws Exception {
        MockHttpServletResponse response = new MockHttpServletResponse();
        new BodyGate(problems(), new Space(() -> free, FLOOR), LIMITS).doFilter(request, response, through);
        return response;
    }

    private static MockHttpServletRequest request(String path, String type, int bytes) {
        MockHttpServletRequest request = new MockHttpServletRequest("POST", path);
        request.setContentType(type);
        request.setContent(new byte[bytes]);
        request.addHeader("X-XSRF-TOKEN", "t");
        return request;
    }

    @DataProvider
    public static Object[][] spaces() {
        String files = "multipart/form-data; boundary=x";
        return new Object[][] {
            {WORKS, files, 10, FLOOR + 20, 200},
            {WORKS, files, 10, FLOOR + 19, 507},
            {WORKS, files, 500_000, FLOOR + 999_999, 507},
            {WORKS, "application/json", 10, FLOOR / 10, 200},
            {WORKS, "application/json", 10, FLOOR / 10 - 1, 507},
            {"/api/session", "application/x-www-form-urlencoded", 10, 0, 200},
            {"/api/session", "application/x-www-form-urlencoded", 101, FLOOR, 413},
            {WORKS, "application/json", 1_001, FLOOR, 413},
            {"/api/students/1/imports/7", "application/json", 1_001, FLOOR, 200},
            {"/api/students/1/imports/7", "application/json", 2_001, FLOOR, 413},
        };
    }

    /** Before the disk is full files are refused, then texts; whoever reads or signs in goes on. */
    @Test(dataProvider = "spaces")
    public void whatFitsIsTaken(String path, String type, int bytes, long free, int status) throws Exception {
        Through through = new Through();
        MockHttpServletResponse response = passed(request(path, type, bytes), free, through);
        assertEquals(response.getStatus(), status);
        if (status == 200) {
            assertNotNull(through.request);
        } else {
            assertNull(through.request);
            assertTrue(response.getContentAsString().contains("\"faults\""), "in words");
        }
    }

    /** So many from one source, and so many from everybody; the next ones are told to wait, and places are free again afterwards. */
    @Test
    public void aCrowdIsToldToWait() throws Exception {
        BodyGate gate = new BodyGate(problems(), new Space(() -> FLOOR, FLOOR), LIMITS);
        assertEquals(within(gate, 0, 1), List.of(200, 200, 200, 503), "of one source");
        assertEquals(within(gate, 0, 3), List.of(200, 200, 200, 200, 200, 200, 200, 503), "of three sources");
        assertEquals(within(gate, 0, 3).size(), 8, "places are free again");
    }

    /** Bodies that come while those before them are still being read, each from the next of some sources, until one is refused. */
    private static List<Integer> within(BodyGate gate, int number, int sources) throws Exception {
        MockHttpServletRequest request = request(WORKS, "application/json", 10);
        request.setRemoteAddr("192.0.2." + number % sources);
        MockHttpServletResponse response = new MockHttpServletResponse();
        List<Integer> inner = new ArrayList<>();
        gate.doFilter(request, response, (passed, answer) -> {
            try {
                inner.addAll(within(gate, number + 1, sources));
            } catch (Exception fault) {
                throw new ServletException(fault);
            }
        });
        inner.add(0, response.getStatus());
        return inner;
    }

    @Test
    public void whatBringsNothingIsNotLookedAt() throws Exception {
        Through through = new Through();
        passed(new MockHttpServletRequest("GET", WORKS), 0, through);
        assertNotNull(through.request);
    }

    @DataProvider
    public static Object[][] forms() {
        return new Object[][] {
            {"email=a%40b.example&password=x", "a@b.example", "x"},
            {"password=a+b%2Bc%26d%3De&email=y", "y", "a b+c&d=e"},
            {"email=&password=", "", ""},
            {"email=1&email=2&password=%zz", "1", ""},
            {"nothing", null, null},
            {"email=%C3%A5%E2%9C%93&password=%F0%9F%8C%B1", "å✓", "🌱"},
        };
    }

    @Test(dataProvider = "forms")
    public void aFormSaysWhatWasTyped(String body, @Nullable String email, @Nullable String password) throws Exception {
        MockHttpServletRequest request = request("/api/session", "application/x-www-form-urlencoded; charset=UTF-8", 0);
        request.setContent(body.getBytes(java.nio.charset.StandardCharsets.US_ASCII));
        Through through = new Through();
        passed(request, FLOOR, through);
        ServletRequest form = through.request;
        assertNotNull(form);
        assertEquals(form.getParameter("email"), email);
        assertEquals(form.getParameter("password"), password);
    }

    /** Each byte in time, and the whole never. */
    @Test
    public void aBodyThatDripsIsGivenUp() throws Exception {
        MockHttpServletRequest request = request(WORKS, "application/json", 10);
        LimitedBody body = new LimitedBody(request.getInputStream(), 10, Duration.ofMillis(1));
        TimeUnit.MILLISECONDS.sleep(5);
        BodyRefused slow = expectThrows(BodyRefused.class, body::read);
        assertEquals(slow.refusal().status().value(), 408);
        LimitedBody whole =
                new LimitedBody(request(WORKS, "text/plain", 10).getInputStream(), 10, Duration.ofSeconds(9));
        assertEquals(whole.readAllBytes().length, 10, "as much as it may have");
        LimitedBody more =
                new LimitedBody(request(WORKS, "text/plain", 11).getInputStream(), 10, Duration.ofSeconds(9));
        assertEquals(
                expectThrows(BodyRefused.class, more::readAllBytes)
                        .refusal()
                        .status()
                        .value(),
                413);
    }
}
