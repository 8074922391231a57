package app.navlo.server.store;

import com.zaxxer.hikari.SQLExceptionOverride;
import java.sql.SQLException;
import java.util.Set;

/**
 * H2 closes all data where it can't write, on a full disk for one. The connections that were open then are of no use any more; a new
 * one opens the data again, once that can be done. Named in the settings of the pool.
 */
public final class DataLost implements SQLExceptionOverride {
    private static final int CLOSED = 90_098;
    private static final int CLOSED_WITH_THE_PROCESS = 90_121;
    private static final int CONNECTION_BROKEN = 90_067;
    private static final int OBJECT_CLOSED = 90_007;
    private static final int FILE_FAULT = 90_028;
    private static final int FILE_FAULT_OF = 90_031;
    private static final Set<Integer> CODES =
            Set.of(CLOSED, CLOSED_WITH_THE_PROCESS, CONNECTION_BROKEN, OBJECT_CLOSED, FILE_FAULT, FILE_FAULT_OF);

    private static final String STORE_FAULT = "MVStoreException";

    @java.lang.Override
    public Override adjudicate(SQLException fault) {
        boolean lost = CODES.contains(fault.getErrorCode())
                || String.valueOf(fault.getMessage()).contains(STORE_FAULT);
        return lost ? Override.MUST_EVICT : Override.CONTINUE_EVICT;
    }
}
