package app.navlo.formats.csv;

import java.util.List;
import java.util.Optional;

/**
 * What the columns of a table mean, and how its dates and numbers are written.
 *
 * @param fields by the place of the column; {@link Field#NONE} for one that is passed over
 */
public record Mapping(List<Field> fields, DateOrder dates, Decimals decimals) {
    public enum Field {
        NONE,
        KEY,
        COURSE,
        TITLE,
        KIND,
        CATEGORY,
        UNIT,
        OPENS,
        DUE,
        POSSIBLE,
        SCORE,
        STATE,
        COMMENT,
        /** The line of a text that the row came from. */
        LINE
    }

    /** Of dates that don't begin with the year. */
    public enum DateOrder {
        DAY_FIRST,
        MONTH_FIRST
    }

    public enum Decimals {
        POINT,
        COMMA
    }

    public Mapping {
        fields = List.copyOf(fields);
    }

    /** The place of the column that means this; the first of several. */
    public Optional<Integer> place(Field field) {
        int place = fields.indexOf(field);
        return place < 0 ? Optional.empty() : Optional.of(place);
    }
}
