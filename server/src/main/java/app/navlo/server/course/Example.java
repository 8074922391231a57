package app.navlo.server.course;

/**
 * A piece of work to try rules on.
 *
 * @param hoursLate how long after its due it is handed in
 */
record Example(int possible, int earned, int hoursLate) {}
