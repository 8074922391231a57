package app.navlo.server.time;

import java.time.InstantSource;

/** The clock that Navlo goes by: the machine's own, or the demo's. */
public interface ServerClock extends InstantSource {
    static ServerClock ofMachine() {
        return InstantSource.system()::instant;
    }
}
