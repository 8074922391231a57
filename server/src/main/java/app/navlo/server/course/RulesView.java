package app.navlo.server.course;

import app.navlo.server.sheet.RuleSheet;

/**
 * @param version to be sent with a write
 * @param trial what the rules as they stand do
 */
public record RulesView(long version, RuleSheet rules, TrialView trial) {}
