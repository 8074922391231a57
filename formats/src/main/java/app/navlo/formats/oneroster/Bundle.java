package app.navlo.formats.oneroster;

import app.navlo.formats.table.TextTable;
import java.util.Optional;

/** Where the tables of a bundle lie. */
public interface Bundle {
    /**
     * @param name without its ending: "lineItems"
     * @return empty where the bundle hasn't it
     */
    Optional<TextTable.Source> table(String name);
}
