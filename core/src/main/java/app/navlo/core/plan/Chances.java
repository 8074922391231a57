package app.navlo.core.plan;

import java.util.List;

/**
 * What may come of an order of jobs when they take as long as they may.
 *
 * @param mean share of all that could be had which is had on average, 0 to 1
 * @param low share that nine in ten cases come to at least
 * @param high share that one in ten comes to at least
 * @param inTime by job: in which part of all cases it earns what it earns as planned, 0 to 1; 0 for what isn't planned
 */
public record Chances(double mean, double low, double high, List<Double> inTime) {
    public Chances {
        inTime = List.copyOf(inTime);
    }
}
