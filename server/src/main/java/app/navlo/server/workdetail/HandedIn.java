package app.navlo.server.workdetail;

import app.navlo.server.workdetail.WorkDetail.Receipt;
import org.jspecify.annotations.Nullable;

/**
 * @param change to be named when it is undone
 * @param receipt null where the hand-in isn't one that has a receipt
 */
public record HandedIn(long change, @Nullable Receipt receipt, WorkDetail detail) {}
