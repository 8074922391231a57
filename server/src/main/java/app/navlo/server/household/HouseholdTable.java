package app.navlo.server.household;

import app.navlo.formats.table.TableWriter;
import java.io.IOException;
import java.io.StringWriter;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** The rows of students as a table for a spreadsheet; instants are in the zone of each student. */
final class HouseholdTable {
    private static final DateTimeFormatter AT = DateTimeFormatter.ofPattern("yyyy-MM-dd HH:mm");

    private static final String[] COLUMNS = {
        "Student",
        "School",
        "Term",
        "Groups",
        "Missing, can still be had",
        "Missing, closed",
        "Handed in, yet listed missing",
        "With the teacher longer than usual",
        "Sent back or asked for more",
        "About to be lost, percent of a course",
        "Next loss",
        "Next due",
        "Nearest close",
        "Courses below their aim",
        "New to you",
        "Note"
    };

    private HouseholdTable() {}

    /**
     * @param wanted students' numbers in their order; all for none, and nobody whom the rows don't have
     * @throws IOException never: it is written to memory
     */
    static String of(HouseholdView view, List<Long> wanted) throws IOException {
        StringWriter out = new StringWriter();
        // Spreadsheets take a text for UTF-8 by this mark.
        out.write('\uFEFF');
        TableWriter table = new TableWriter(out, COLUMNS);
        for (HouseholdRow row : chosen(view, wanted)) {
            table.row(cells(row));
        }
        for (HouseholdView.UnreadStudent unread : view.unread()) {
            if (wanted.isEmpty() || wanted.contains(unread.id())) {
                table.row(unreadCells(unread));
            }
        }
        table.flush();
        return out.toString();
    }

    private static List<HouseholdRow> chosen(HouseholdView view, List<Long> wanted) {
        if (wanted.isEmpty()) {
            return view.students();
        }
        Map<Long, HouseholdRow> rows = view.students().stream().collect(Collectors.toMap(HouseholdRow::id, row -> row));
        return wanted.stream()
                .distinct()
                .filter(rows::containsKey)
                .map(rows::get)
                .toList();
    }

    private static String[] cells(HouseholdRow row) {
        ZoneId zone = ZoneId.of(row.zone());
        HouseholdRow.MissingView missing = row.missing();
        return new String[] {
            row.name(),
            text(row.school()),
            text(row.term()),
            String.join(", ", row.own().groups()),
            Integer.toString(missing.savable()),
            Integer.toString(missing.closed()),
            Integer.toString(missing.listed()),
            Integer.toString(missing.ungradedLong()),
            Integer.toString(missing.sentBack()),
            new BigDecimal(row.aboutToBeLost())
                    .setScale(1, RoundingMode.HALF_UP)
                    .toPlainString(),
            row.nextLoss() == null ? "" : at(row.nextLoss().at(), zone),
            row.nextDue() == null ? "" : at(row.nextDue().at(), zone),
            row.close() == null ? "" : at(row.close().at(), zone),
            Long.toString(row.courses().stream()
                    .filter(HouseholdRow.CourseGlance::belowAim)
                    .count()),
            Integer.toString(row.fresh()),
            row.own().note()
        };
    }

    private static String[] unreadCells(HouseholdView.UnreadStudent unread) {
        String[] cells = new String[COLUMNS.length];
        Arrays.fill(cells, "");
        cells[0] = unread.name();
        cells[COLUMNS.length - 1] = "couldn't be worked out just now";
        return cells;
    }

    private static String text(@Nullable String text) {
        return text == null ? "" : text;
    }

    private static String at(Instant at, ZoneId zone) {
        return AT.format(at.atZone(zone));
    }
}
