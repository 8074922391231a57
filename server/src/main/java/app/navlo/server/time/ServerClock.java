package app.navlo.server.time;

import java.time.InstantSource;
import java.time.temporal.ChronoUnit;

/** The clock that Navlo goes by: the machine's own, or the demo's. */
public interface ServerClock extends InstantSource {
    /** As exactly as every database keeps it: to the microsecond. */
    static ServerClock ofMachine() {
        return () -> InstantSource.system().instant().truncatedTo(ChronoUnit.MICROS);
    }
}
