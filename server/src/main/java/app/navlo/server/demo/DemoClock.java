package app.navlo.server.demo;

import app.navlo.server.store.ShownClock;
import app.navlo.server.time.ServerClock;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;

/**
 * The clock of the demo. It starts at the instant that the demo sets, runs on at the machine's pace or stands still, and
 * can be moved on, never back. What it shows is kept, so that a demo that is kept goes on from where it was.
 */
public class DemoClock implements ServerClock {
    private final ShownClock shown;
    private final boolean running;
    private final InstantSource machine = InstantSource.system();
    private volatile Instant base;
    private volatile Instant machineAtBase;

    DemoClock(ShownClock shown, Instant start, boolean running) {
        this.shown = shown;
        this.running = running;
        this.machineAtBase = machine.instant();
        this.base = shown.last().filter(last -> last.isAfter(start)).orElse(start);
    }

    @Override
    public Instant instant() {
        return running ? base.plus(Duration.between(machineAtBase, machine.instant())) : base;
    }

    /** @param by at least 0 */
    synchronized void advance(Duration by) {
        Instant next = instant().plus(by);
        base = next;
        machineAtBase = machine.instant();
        keep();
    }

    /** Called now and then, so that a demo that is kept goes on from where it was. */
    void keep() {
        shown.keep(instant(), machine.instant());
    }
}
