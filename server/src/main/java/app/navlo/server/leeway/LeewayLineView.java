package app.navlo.server.leeway;

import app.navlo.core.leeway.Choices;
import java.util.List;

/** @param steps each up to its last instant; null for always */
public record LeewayLineView(Choices.Kind kind, int tokens, List<LeewayStepView> steps) {}
