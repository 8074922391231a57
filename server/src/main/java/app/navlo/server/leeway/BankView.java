package app.navlo.server.leeway;

import java.util.List;

/**
 * @param uses the best of what is left, over all work of the course
 * @param worth of that, in percent of the course
 */
public record BankView(long course, int left, int of, List<BankUseView> uses, String worth) {}
