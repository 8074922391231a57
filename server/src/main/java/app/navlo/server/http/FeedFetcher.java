package app.navlo.server.http;

import app.navlo.server.problem.Refusal;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.net.ConnectException;
import java.net.InetAddress;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.UnknownHostException;
import java.time.Duration;
import java.util.Arrays;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.apache.hc.client5.http.ConnectTimeoutException;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;
import org.apache.hc.client5.http.classic.methods.HttpGet;
import org.apache.hc.client5.http.config.ConnectionConfig;
import org.apache.hc.client5.http.config.RequestConfig;
import org.apache.hc.client5.http.impl.classic.CloseableHttpClient;
import org.apache.hc.client5.http.impl.classic.HttpClients;
import org.apache.hc.client5.http.impl.io.PoolingHttpClientConnectionManagerBuilder;
import org.apache.hc.core5.concurrent.Cancellable;
import org.apache.hc.core5.http.ClassicHttpRequest;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.HttpEntity;
import org.apache.hc.core5.http.HttpMessage;
import org.apache.hc.core5.http.io.HttpClientResponseHandler;
import org.apache.hc.core5.util.Timeout;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.stereotype.Component;

/**
 * Fetches feeds from addresses that a person typed in. Never from within a private network, whatever a name resolves to
 * and wherever an answer redirects; only the demo's own stand-in is excepted.
 */
@Component
public class FeedFetcher {
    private static final int MOST_BYTES = 5 << 20;
    private static final Timeout CONNECT = Timeout.ofSeconds(5);
    private static final Timeout WAIT = Timeout.ofSeconds(15);
    /** Of an answer in all, however it drips, and wherever it redirects to. */
    private static final Duration LONGEST = Duration.ofSeconds(30);

    private static final int HIGHEST_PORT = 65_535;
    private static final int LONGEST_ADDRESS = 1_000;

    private static final int MOST_REDIRECTS = 3;

    private final StandIns standIns;
    private final CloseableHttpClient outside;
    private final CloseableHttpClient here;

    private final Duration longest;
    private final ScheduledExecutorService deadlines = Executors.newSingleThreadScheduledExecutor(FeedFetcher::quiet);

    @Autowired
    FeedFetcher(StandIns standIns) {
        this(standIns, LONGEST, new PublicOnly());
    }

    /**
     * @param longest that an answer may take, from the first hop to its last byte
     * @param outsideNames finds hosts that aren't stand-ins
     */
    FeedFetcher(StandIns standIns, Duration longest, DnsResolver outsideNames) {
        this.standIns = standIns;
        this.longest = longest;
        this.outside = client(outsideNames, true);
        this.here = client(SystemDefaultDnsResolver.INSTANCE, false);
    }

    private static Thread quiet(Runnable task) {
        Thread thread = new Thread(task, "fetch-deadlines");
        thread.setDaemon(true);
        return thread;
    }

    /** Why a feed couldn't be fetched, in words for the person whose feed it is. */
    public static final class FetchFault extends Exception {
        private static final long serialVersionUID = 1L;

        /** Whether a request got as far as to be sent. */
        public final boolean sent;

        FetchFault(String message, @Nullable Throwable cause) {
            this(message, false, cause);
        }

        FetchFault(String message, boolean sent, @Nullable Throwable cause) {
            super(message, cause);
            this.sent = sent;
        }
    }

    /**
     * @param content empty where it is as it was
     * @param tag to be given when it is asked again; null for none
     */
    public record Fetched(
            boolean unchanged, byte[] content, @Nullable String tag) {}

    private static CloseableHttpClient client(DnsResolver resolver, boolean redirects) {
        return HttpClients.custom()
                .setConnectionManager(PoolingHttpClientConnectionManagerBuilder.create()
                        .setDnsResolver(resolver)
                        .setDefaultConnectionConfig(ConnectionConfig.custom()
                                .setConnectTimeout(CONNECT)
                                .setSocketTimeout(WAIT)
                                .build())
                        .build())
                .setDefaultRequestConfig(RequestConfig.custom()
                        .setRedirectsEnabled(redirects)
                        .setMaxRedirects(MOST_REDIRECTS)
                        .setResponseTimeout(WAIT)
                        .build())
                .disableAutomaticRetries()
                .disableCookieManagement()
                .setUserAgent("Navlo")
                .build();
    }

    /** @throws Refusal if it can't be the address of a feed */
    public URI address(String typed) {
        String plain = typed.strip().replaceFirst("(?i)^webcals?://", "https://");
        try {
            URI address = new URI(plain);
            String scheme = String.valueOf(address.getScheme()).toLowerCase(Locale.ROOT);
            boolean web = scheme.equals("https") || scheme.equals("http");
            if (web
                    && address.getHost() != null
                    && address.getUserInfo() == null
                    && address.getPort() <= HIGHEST_PORT
                    && plain.length() <= LONGEST_ADDRESS) {
                return address;
            }
        } catch (URISyntaxException notAnAddress) {
            throw Refusal.invalid("address", "This is no web address. It begins with https:// or webcal://.");
        }
        throw Refusal.invalid(
                "address", "Give a web address that begins with https:// or webcal://, without a password.");
    }

    /**
     * @param tag that the last answer gave; null for none
     * @throws FetchFault if nothing, too much or an error came back
     */
    public Fetched fetch(URI address, @Nullable String tag) throws FetchFault {
        return fetch(address, tag, null, MOST_BYTES);
    }

    /**
     * @param token to be shown; null for none
     * @param mostBytes of an answer
     * @throws FetchFault if nothing, too much or an error came back
     */
    public Fetched fetch(URI address, @Nullable String tag, @Nullable String token, int mostBytes) throws FetchFault {
        HttpGet get = new HttpGet(address);
        get.setHeader("Accept", "text/calendar, application/json, application/zip, text/plain;q=0.5, */*;q=0.1");
        if (tag != null) {
            get.setHeader(tag.startsWith("e:") ? "If-None-Match" : "If-Modified-Since", tag.substring(2));
        }
        if (token != null) {
            get.setHeader("Authorization", "Bearer " + token);
        }
        return call(get, address, response -> read(response, mostBytes));
    }

    /**
     * Sends any request, under the same rules.
     *
     * @throws FetchFault if nothing came back that {@code reader} can read
     */
    public <T> T call(ClassicHttpRequest request, URI address, HttpClientResponseHandler<T> reader) throws FetchFault {
        CloseableHttpClient client = standIns.allows(address.toString()) ? here : outside;
        Future<?> end = request instanceof Cancellable one
                ? deadlines.schedule(one::cancel, longest.toMillis(), TimeUnit.MILLISECONDS)
                : CompletableFuture.completedFuture(null);
        try {
            return client.execute(request, reader);
        } catch (TooMuch tooMuch) {
            throw new FetchFault(
                    "It sends more than " + (tooMuch.mostBytes >> 20) + " MB. Choose something with fewer entries.",
                    tooMuch);
        } catch (NotPublic notPublic) {
            throw new FetchFault(
                    "The address leads into a private network, where Navlo fetches nothing. Use a public address, or add the calendar as a file.",
                    notPublic);
        } catch (UnknownHostException unknown) {
            throw new FetchFault("There is no such host: " + address.getHost() + ". Check the address.", unknown);
        } catch (IOException failed) {
            boolean neverConnected = failed instanceof ConnectException || failed instanceof ConnectTimeoutException;
            throw new FetchFault(words(address, failed), !neverConnected, failed);
        } finally {
            end.cancel(false);
        }
    }

    private static String words(URI address, IOException failed) {
        return failed instanceof Answered answered
                ? "The feed answered " + answered.status + ". Check that the address is right and still in use."
                : (address.getHost() == null ? address : address.getHost())
                        + " didn't answer. It is tried again later.";
    }

    private static Fetched read(ClassicHttpResponse response, int mostBytes) throws IOException {
        if (response.getCode() == 304) {
            return new Fetched(true, new byte[0], null);
        }
        HttpEntity entity = response.getEntity();
        if (response.getCode() != 200 || entity == null) {
            throw new Answered(response.getCode());
        }
        try (InputStream in = entity.getContent()) {
            return new Fetched(false, limited(in, mostBytes), tag(response));
        }
    }

    private static byte[] limited(InputStream in, int mostBytes) throws IOException {
        byte[] content = in.readNBytes(mostBytes + 1);
        if (content.length > mostBytes) {
            throw new TooMuch(mostBytes);
        }
        return content;
    }

    private static @Nullable String tag(HttpMessage response) {
        if (response.getFirstHeader("ETag") != null) {
            return "e:" + response.getFirstHeader("ETag").getValue();
        }
        return response.getFirstHeader("Last-Modified") == null
                ? null
                : "m:" + response.getFirstHeader("Last-Modified").getValue();
    }

    @PreDestroy
    void close() throws IOException {
        deadlines.shutdownNow();
        outside.close();
        here.close();
    }

    private static final class TooMuch extends IOException {
        private static final long serialVersionUID = 1L;
        private final int mostBytes;

        TooMuch(int mostBytes) {
            this.mostBytes = mostBytes;
        }
    }

    private static final class Answered extends IOException {
        private static final long serialVersionUID = 1L;
        private final int status;

        Answered(int status) {
            super("answered " + status);
            this.status = status;
        }
    }

    private static final class NotPublic extends UnknownHostException {
        private static final long serialVersionUID = 1L;
    }

    /** Resolves a name only to addresses of the public network; asked anew for every hop, and its answer is what is used. */
    private static final class PublicOnly implements DnsResolver {
        @Override
        public InetAddress[] resolve(String host) throws UnknownHostException {
            InetAddress[] all = InetAddress.getAllByName(host);
            if (!Arrays.stream(all).allMatch(PublicNetwork::has)) {
                throw new NotPublic();
            }
            return all;
        }

        @Override
        public String resolveCanonicalHostname(String host) throws UnknownHostException {
            return resolve(host)[0].getCanonicalHostName();
        }
    }
}
