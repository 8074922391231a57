package app.navlo.server.store;

import java.net.InetAddress;
import java.net.UnknownHostException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;
import org.h2.tools.Server;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.jdbc.support.JdbcUtils;

/**
 * The data of one file for other processes: this one has the file open, and they ask it. Nothing but that file can be had, and only
 * by who knows its name: nobody else on the machine or in the network gets in.
 */
public final class DataServer implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(DataServer.class);

    /** Read by H2 when its classes are loaded; without it, it listens at every address of the machine. */
    private static final String LISTENS_AT = "h2.bindAddress";

    private static final int PORT_TAKEN = 90_061;

    /** Asked by whoever has the file open here, anew each time: where the data were closed for want of space, they are opened again. */
    private final DriverManagerDataSource here;

    /** As long as it is open, the data are, whoever comes and goes. */
    private final Connection open;

    private final Server server;

    private DataServer(DriverManagerDataSource here, Connection open, Server server) {
        this.here = here;
        this.open = open;
        this.server = server;
    }

    /** Must be said before anything of the data is touched in this process. @param host a name or an address of this machine */
    public static void listenAt(String host) {
        System.setProperty(LISTENS_AT, host);
    }

    /**
     * @param file of the data, without its ending
     * @param url by which this process opens it
     * @param name by which others do
     * @param host at which it listens, as it was said before
     * @param port 0 for any that is free
     * @throws IllegalArgumentException in words, if it can't listen there
     */
    public static DataServer start(Path file, String url, String user, String name, String host, int port)
            throws SQLException {
        List<String> settings =
                new ArrayList<>(List.of("-tcpPort", String.valueOf(port), "-key", name, file.toString()));
        if (!isOfThisMachineAlone(host)) {
            settings.add("-tcpAllowOthers");
        }
        DriverManagerDataSource here = new DriverManagerDataSource(url, user, "");
        Connection open = here.getConnection();
        try {
            return new DataServer(
                    here,
                    open,
                    Server.createTcpServer(settings.toArray(String[]::new)).start());
        } catch (SQLException failed) {
            open.close();
            if (failed.getErrorCode() == PORT_TAKEN) {
                throw new IllegalArgumentException(
                        "port " + port + " is in use; choose another with --port, or stop what runs there", failed);
            }
            throw failed;
        }
    }

    private static boolean isOfThisMachineAlone(String host) {
        try {
            return InetAddress.getByName(host).isLoopbackAddress();
        } catch (UnknownHostException unknown) {
            throw new IllegalArgumentException("this machine has no address " + host, unknown);
        }
    }

    public int port() {
        return server.getPort();
    }

    /** Of what is open here. */
    public Copies copies() {
        return new Copies(JdbcClient.create(here));
    }

    /** Who is connected is cut off; what was committed is in the file. */
    @Override
    public void close() {
        server.stop();
        JdbcUtils.closeConnection(open);
        try (Connection last = here.getConnection();
                Statement statement = last.createStatement()) {
            statement.execute("SHUTDOWN");
        } catch (SQLException closed) {
            LOG.warn("the data weren't closed in peace: {}", closed.getMessage());
        }
    }
}
