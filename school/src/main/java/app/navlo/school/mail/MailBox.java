package app.navlo.school.mail;

import app.navlo.school.page.OwnHost;
import com.sun.net.httpserver.HttpServer;
import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.subethamail.smtp.server.SMTPServer;

/**
 * Takes mail by SMTP and shows it on a page, both on this machine only. Delivers nothing. Keeps the last letters in memory.
 */
public final class MailBox implements AutoCloseable {
    private static final int MOST_LETTERS = 1_000;
    private static final int MOST_BYTES = 10 << 20;
    private static final int MOST_CONNECTIONS = 20;

    private final List<Letter> letters = new CopyOnWriteArrayList<>();
    private final AtomicInteger numbers = new AtomicInteger();
    private final ExecutorService threads = Executors.newCachedThreadPool(work -> {
        Thread thread = new Thread(work, "mail-box");
        thread.setDaemon(true);
        return thread;
    });
    private final SMTPServer smtp;
    private final HttpServer page;

    private MailBox(int smtpPort, int pagePort) throws IOException {
        InetAddress here = InetAddress.getLoopbackAddress();
        page = HttpServer.create(new InetSocketAddress(here, pagePort), 0);
        OwnHost.guard(page.createContext("/", new MailPage(this)));
        page.setExecutor(threads);
        smtp = SMTPServer.port(smtpPort)
                .bindAddress(here)
                .hostName("localhost")
                .softwareName("Navlo mail-box")
                .executorService(threads)
                .maxMessageSize(MOST_BYTES)
                .maxConnections(MOST_CONNECTIONS)
                .messageHandler((context, from, to, data) -> take(to, data))
                .build();
    }

    /**
     * @param smtpPort 0 for any that is free
     * @param pagePort 0 for any that is free
     * @throws IOException if a port is taken
     */
    public static MailBox open(int smtpPort, int pagePort) throws IOException {
        MailBox box = new MailBox(smtpPort, pagePort);
        try {
            box.smtp.start();
        } catch (RuntimeException e) {
            box.page.stop(0);
            throw new IOException("port " + smtpPort + " can't be opened for mail: " + e.getMessage(), e);
        }
        box.page.start();
        return box;
    }

    private void take(String to, byte[] data) {
        letters.add(Letter.read(numbers.incrementAndGet(), to, data));
        if (letters.size() > MOST_LETTERS) {
            letters.remove(0);
        }
    }

    public int smtpPort() {
        return smtp.getPortAllocated();
    }

    /** Where its letters can be read. */
    public String address() {
        return "http://localhost:" + page.getAddress().getPort() + "/";
    }

    /** The latest last. */
    public List<Letter> letters() {
        return List.copyOf(letters);
    }

    Optional<Letter> letter(int number) {
        return letters.stream().filter(letter -> letter.number() == number).findFirst();
    }

    @Override
    public void close() {
        smtp.stop();
        page.stop(0);
        threads.shutdownNow();
    }
}
