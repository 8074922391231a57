package app.navlo.server.leeway;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

public record LeewayStepView(@Nullable Instant until, String score) {}
