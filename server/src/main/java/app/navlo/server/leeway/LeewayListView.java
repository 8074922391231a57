package app.navlo.server.leeway;

import java.util.List;

/**
 * @param cases work for which something can be had or is asked for, by the time that is left for it
 * @param banks of the courses that give tokens
 * @param history the latest first
 */
public record LeewayListView(List<LeewayCaseView> cases, List<BankView> banks, List<LeewayEventView> history) {}
