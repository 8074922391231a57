package app.navlo.server.door;

import app.navlo.server.problem.BodyRefused;
import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import java.io.IOException;
import java.net.SocketTimeoutException;
import java.time.Duration;

/** The body of a request, up to so many bytes and for so long, however it comes. */
final class LimitedBody extends ServletInputStream {
    private final ServletInputStream inner;
    private final long most;
    private final long until;
    private long read;

    LimitedBody(ServletInputStream inner, long most, Duration longest) {
        this.inner = inner;
        this.most = most;
        this.until = System.nanoTime() + longest.toNanos();
    }

    private void count(long bytes) throws IOException {
        read += Math.max(0, bytes);
        if (read > most) {
            throw BodyRefused.tooLarge(most);
        }
        if (System.nanoTime() > until) {
            throw BodyRefused.tooSlow();
        }
    }

    /** A container wraps it when nothing comes in time. */
    private static IOException orSlow(IOException broken) {
        boolean slow = broken instanceof SocketTimeoutException || broken.getCause() instanceof SocketTimeoutException;
        return slow ? BodyRefused.tooSlow() : broken;
    }

    @Override
    public int read() throws IOException {
        int one;
        try {
            one = inner.read();
        } catch (IOException broken) {
            throw orSlow(broken);
        }
        count(one < 0 ? 0 : 1);
        return one;
    }

    @Override
    public int read(byte[] into, int from, int length) throws IOException {
        int some;
        try {
            some = inner.read(into, from, length);
        } catch (IOException broken) {
            throw orSlow(broken);
        }
        count(some);
        return some;
    }

    @Override
    public boolean isFinished() {
        return inner.isFinished();
    }

    @Override
    public boolean isReady() {
        return inner.isReady();
    }

    @Override
    public void setReadListener(ReadListener listener) {
        inner.setReadListener(listener);
    }
}
