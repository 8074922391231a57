package app.navlo.bench;

import java.io.Closeable;
import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;

/** Hands each new connection to the next of several servers, and one that can't be had to the one after it. */
final class RoundRobin implements Closeable {
    private final List<Integer> ports;
    private final ServerSocket door;
    private final ExecutorService threads = Executors.newCachedThreadPool(task -> {
        Thread thread = new Thread(task);
        thread.setDaemon(true);
        return thread;
    });
    private final AtomicInteger next = new AtomicInteger();

    RoundRobin(List<Integer> ports) throws IOException {
        this.ports = ports;
        door = new ServerSocket(0, 500, InetAddress.getByName("localhost"));
        threads.execute(this::welcome);
    }

    String address() {
        return "http://localhost:" + door.getLocalPort();
    }

    private void welcome() {
        try {
            while (true) {
                Socket client = door.accept();
                threads.execute(() -> lead(client));
            }
        } catch (IOException closed) {
            // The bench is over.
        }
    }

    private void lead(Socket client) {
        try (client;
                Socket server = reached()) {
            threads.execute(() -> pass(client, server));
            server.getInputStream().transferTo(client.getOutputStream());
        } catch (IOException left) {
            // One of the two has gone; the other is told by the end of its stream.
        }
    }

    private static void pass(Socket client, Socket server) {
        try {
            client.getInputStream().transferTo(server.getOutputStream());
            server.shutdownOutput();
        } catch (IOException left) {
            // As above.
        }
    }

    private Socket reached() throws IOException {
        IOException none = new IOException("no server can be reached");
        for (int i = 0; i < ports.size(); i++) {
            int port = ports.get(Math.floorMod(next.getAndIncrement(), ports.size()));
            try {
                return new Socket("localhost", port);
            } catch (IOException gone) {
                none.addSuppressed(gone);
            }
        }
        throw none;
    }

    @Override
    public void close() throws IOException {
        door.close();
        threads.shutdownNow();
    }
}
