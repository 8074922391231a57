package app.navlo.server.store;

import java.io.InputStream;
import java.lang.reflect.InvocationTargetException;
import java.lang.reflect.Method;
import java.lang.reflect.Proxy;
import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Properties;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import javax.sql.DataSource;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.datasource.DelegatingDataSource;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/**
 * Connections to PostgreSQL for SQL that was written for H2. What both speak goes through as it is; these few don't mean the same to
 * both, and are said in PostgreSQL's words: rows that replace one of the same key, the next number of a sequence, the lock on a row
 * whose number stays, and parameters that are instants, streams, or texts with a character of no width and no meaning (U+0000).
 */
public final class InPostgres extends DelegatingDataSource {
    /** The driver's setting by which texts take the type of the column that they go to, as they do in H2. */
    static final String TEXTS = "stringtype";

    static final String UNTYPED = "unspecified";

    private static final Pattern REPLACING = Pattern.compile(
            "MERGE\\s+INTO\\s+(\\w+)\\s*\\(([^)]*)\\)\\s*KEY\\s*\\(([^)]*)\\)\\s*(VALUES.*)",
            Pattern.DOTALL | Pattern.CASE_INSENSITIVE);
    private static final Pattern NEXT = Pattern.compile("NEXT VALUE FOR (\\w+)", Pattern.CASE_INSENSITIVE);

    /** What names a row goes on naming it meanwhile: only H2 has no lock that lets it. */
    private static final Pattern LOCK = Pattern.compile("FOR UPDATE\\s*$", Pattern.CASE_INSENSITIVE);

    InPostgres(DataSource postgres) {
        super(postgres);
    }

    /** Connections made one at a time. @param user null for who the address names */
    public static DataSource at(String url, @Nullable String user, @Nullable String password) {
        Properties settings = new Properties();
        settings.setProperty(TEXTS, UNTYPED);
        DriverManagerDataSource plain = new DriverManagerDataSource(url, settings);
        if (user != null) {
            plain.setUsername(user);
        }
        if (password != null) {
            plain.setPassword(password);
        }
        return new InPostgres(plain);
    }

    /** Whether an address of data leads to PostgreSQL. @param url as JDBC has it; null for none */
    static boolean speaks(@Nullable String url) {
        return url != null && url.startsWith("jdbc:postgresql:");
    }

    @Override
    public Connection getConnection() throws SQLException {
        return spoken(super.getConnection());
    }

    @Override
    public Connection getConnection(String username, String password) throws SQLException {
        return spoken(super.getConnection(username, password));
    }

    private static Connection spoken(Connection connection) {
        return (Connection) Proxy.newProxyInstance(
                InPostgres.class.getClassLoader(), new Class<?>[] {Connection.class}, (self, method, args) -> {
                    if (!method.getName().equals("prepareStatement")) {
                        return called(connection, method, args);
                    }
                    @Nullable Object[] said = args.clone();
                    said[0] = said((String) args[0]);
                    return spoken((PreparedStatement) Objects.requireNonNull(called(connection, method, said)));
                });
    }

    private static PreparedStatement spoken(PreparedStatement statement) {
        return (PreparedStatement) Proxy.newProxyInstance(
                InPostgres.class.getClassLoader(), new Class<?>[] {PreparedStatement.class}, (self, method, args) -> {
                    if (method.getName().equals("setObject") && args[1] instanceof Instant at) {
                        statement.setObject(
                                (Integer) args[0], at.atOffset(ZoneOffset.UTC), Types.TIMESTAMP_WITH_TIMEZONE);
                        return null;
                    }
                    if (args != null && args.length > 1 && args[1] instanceof String text && text.indexOf('\0') >= 0) {
                        // It keeps every character but this one, which no text needs.
                        @Nullable Object[] kept = args.clone();
                        kept[1] = text.replace('\0', '\uFFFD');
                        return called(statement, method, kept);
                    }
                    if (method.getName().equals("setObject") && args[1] instanceof InputStream stream) {
                        statement.setBinaryStream((Integer) args[0], stream);
                        return null;
                    }
                    return called(statement, method, args);
                });
    }

    private static @Nullable Object called(Object on, Method method, @Nullable Object @Nullable [] args)
            throws Throwable {
        try {
            return method.invoke(on, args);
        } catch (InvocationTargetException failed) {
            throw failed.getCause();
        }
    }

    /** The same in PostgreSQL's words. */
    static String said(String sql) {
        Matcher replacing = REPLACING.matcher(sql.strip());
        String said = replacing.matches() ? replaced(replacing) : sql;
        said = NEXT.matcher(said).replaceAll("nextval('$1')");
        return LOCK.matcher(said).replaceAll("FOR NO KEY UPDATE");
    }

    private static String replaced(Matcher merge) {
        List<String> keys = names(merge.group(3));
        String others = names(merge.group(2)).stream()
                .filter(name -> !keys.contains(name))
                .map(name -> name + " = EXCLUDED." + name)
                .collect(Collectors.joining(", "));
        return "INSERT INTO %s (%s) %s ON CONFLICT (%s) DO %s"
                .formatted(
                        merge.group(1),
                        merge.group(2),
                        merge.group(4).strip(),
                        String.join(", ", keys),
                        others.isEmpty() ? "NOTHING" : "UPDATE SET " + others);
    }

    private static List<String> names(String list) {
        return Arrays.stream(list.split(",")).map(String::strip).toList();
    }
}
