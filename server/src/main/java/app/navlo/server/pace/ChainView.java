package app.navlo.server.pace;

import java.util.List;

/**
 * @param to the work at its end, with the due that matters
 * @param possible whether its first link can still be begun in time, and nothing shuts it for good
 * @param shutBy work that the teacher would have to open again; empty unless it is shut for good
 */
public record ChainView(long to, boolean possible, List<Long> shutBy, List<LinkView> links) {}
