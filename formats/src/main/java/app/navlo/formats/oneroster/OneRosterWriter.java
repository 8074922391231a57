package app.navlo.formats.oneroster;

import app.navlo.core.exact.Rational;
import app.navlo.formats.table.TableWriter;
import java.io.BufferedWriter;
import java.io.Closeable;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.jspecify.annotations.Nullable;

/**
 * Writes a bundle, table by table, as it goes: rows of any number pass through without being kept. Every table is written
 * once, also when it is empty; which are there stands in the manifest, first of all.
 */
public final class OneRosterWriter implements Closeable {
    private static final String[] TABLES = {
        "academicSessions", "categories", "classes", "courses", "enrollments", "lineItems", "orgs", "results", "users"
    };
    private static final String[] LEFT_OUT = {
        "classResources",
        "courseResources",
        "demographics",
        "lineItemLearningObjectiveIds",
        "lineItemScoreScales",
        "resources",
        "resultLearningObjectiveIds",
        "resultScoreScales",
        "roles",
        "scoreScales",
        "userProfiles",
        "userResources"
    };
    private static final int PLACES = 6;

    private final ZipOutputStream zip;
    private final Writer text;
    private final Instant asOf;
    private TableWriter table;

    /**
     * @param out is closed with the writer
     * @param asOf when all of it was true; written into each row, and into the archive, so that the same content has the
     *     same bytes
     */
    public OneRosterWriter(OutputStream out, String system, Instant asOf) throws IOException {
        this.zip = new ZipOutputStream(out);
        this.text = new BufferedWriter(new OutputStreamWriter(zip, StandardCharsets.UTF_8));
        this.asOf = asOf.truncatedTo(ChronoUnit.MILLIS);
        this.table = begin("manifest", "propertyName", "value");
        table.row("manifest.version", "1.0");
        table.row("oneroster.version", "1.2");
        for (String name : TABLES) {
            table.row("file." + name, "bulk");
        }
        for (String name : LEFT_OUT) {
            table.row("file." + name, "absent");
        }
        table.row("source.systemName", system);
    }

    private TableWriter begin(String name, String... heads) throws IOException {
        if (table != null) {
            table.flush();
            text.flush();
            zip.closeEntry();
        }
        ZipEntry entry = new ZipEntry(name + ".csv");
        entry.setTime(asOf.toEpochMilli());
        zip.putNextEntry(entry);
        table = new TableWriter(text, heads);
        return table;
    }

    private String[] row(String id, String... values) {
        return rowAt(asOf, id, values);
    }

    private static String[] rowAt(Instant modified, String id, String... values) {
        String[] all = new String[values.length + 3];
        all[0] = id;
        all[1] = "active";
        all[2] = DateTimeFormatter.ISO_INSTANT.format(modified);
        System.arraycopy(values, 0, all, 3, values.length);
        return all;
    }

    private static String[] heads(String... heads) {
        String[] all = new String[heads.length + 3];
        all[0] = "sourcedId";
        all[1] = "status";
        all[2] = "dateLastModified";
        System.arraycopy(heads, 0, all, 3, heads.length);
        return all;
    }

    public void sessions(Iterable<Roster.Session> sessions) throws IOException {
        begin("academicSessions", heads("title", "type", "startDate", "endDate", "parentSourcedId", "schoolYear"));
        for (Roster.Session one : sessions) {
            String year = Integer.toString(one.last().getYear());
            table.row(row(
                    one.id(),
                    one.title(),
                    one.type().word,
                    one.first().toString(),
                    one.last().toString(),
                    or(one.parent()),
                    year));
        }
    }

    public void categories(Iterable<Roster.Category> categories) throws IOException {
        begin("categories", heads("title", "weight"));
        for (Roster.Category one : categories) {
            table.row(row(one.id(), one.title(), number(one.weight())));
        }
    }

    /** Classes, and a course of the same title for each. */
    public void classes(Iterable<Roster.ClassOf> classes) throws IOException {
        begin(
                "classes",
                heads(
                        "title",
                        "grades",
                        "courseSourcedId",
                        "classCode",
                        "classType",
                        "location",
                        "schoolSourcedId",
                        "termSourcedIds",
                        "subjects",
                        "subjectCodes",
                        "periods"));
        for (Roster.ClassOf one : classes) {
            table.row(row(
                    one.id(), one.title(), "", course(one), "", "scheduled", "", one.org(), one.session(), "", "", ""));
        }
        begin(
                "courses",
                heads(
                        "schoolYearSourcedId",
                        "title",
                        "courseCode",
                        "grades",
                        "orgSourcedId",
                        "subjects",
                        "subjectCodes"));
        for (Roster.ClassOf one : classes) {
            table.row(row(course(one), "", one.title(), "", "", one.org(), "", ""));
        }
    }

    private static String course(Roster.ClassOf one) {
        return "course-" + one.id();
    }

    public void enrolments(Iterable<Roster.Enrolment> enrolments) throws IOException {
        begin(
                "enrollments",
                heads("classSourcedId", "schoolSourcedId", "userSourcedId", "role", "primary", "beginDate", "endDate"));
        for (Roster.Enrolment one : enrolments) {
            String primary = one.role() == Roster.Role.TEACHER ? "true" : "false";
            table.row(row(
                    one.id(), one.classOf(), one.org(), one.user(), one.role().word(), primary, "", ""));
        }
    }

    public void lineItems(Iterable<Roster.LineItem> items) throws IOException {
        begin(
                "lineItems",
                heads(
                        "title",
                        "description",
                        "assignDate",
                        "dueDate",
                        "classSourcedId",
                        "categorySourcedId",
                        "gradingPeriodSourcedId",
                        "academicSessionSourcedId",
                        "schoolSourcedId",
                        "resultValueMin",
                        "resultValueMax"));
        for (Roster.LineItem one : items) {
            table.row(row(
                    one.id(),
                    one.title(),
                    one.description(),
                    or(one.assigned()),
                    or(one.due()),
                    one.classOf(),
                    or(one.category()),
                    or(one.session()),
                    "",
                    "",
                    "0.0",
                    number(one.most())));
        }
    }

    public void orgs(Iterable<Roster.Org> orgs) throws IOException {
        begin("orgs", heads("name", "type", "identifier", "parentSourcedId"));
        for (Roster.Org one : orgs) {
            table.row(row(one.id(), one.name(), "school", "", ""));
        }
    }

    public void results(Iterable<Roster.Result> results) throws IOException {
        begin(
                "results",
                heads(
                        "lineItemSourcedId",
                        "studentSourcedId",
                        "scoreStatus",
                        "score",
                        "scoreDate",
                        "comment",
                        "textScore",
                        "classSourcedId",
                        "inProgress",
                        "incomplete",
                        "late",
                        "missing"));
        for (Roster.Result one : results) {
            table.row(rowAt(
                    one.modified() == null ? asOf : one.modified(),
                    one.id(),
                    one.lineItem(),
                    one.student(),
                    one.status().word,
                    number(one.score()),
                    one.day() == null ? "" : one.day().toString(),
                    one.comment(),
                    "",
                    "",
                    Boolean.toString(one.inProgress()),
                    Boolean.toString(one.incomplete()),
                    Boolean.toString(one.late()),
                    Boolean.toString(one.missing())));
        }
    }

    public void users(Iterable<Roster.User> users) throws IOException {
        begin(
                "users",
                heads(
                        "enabledUser",
                        "username",
                        "userIds",
                        "givenName",
                        "familyName",
                        "middleName",
                        "identifier",
                        "email",
                        "sms",
                        "phone",
                        "agentSourcedIds",
                        "grades",
                        "password",
                        "userMasterIdentifier",
                        "resourceSourcedIds",
                        "preferredGivenName",
                        "preferredMiddleName",
                        "preferredFamilyName",
                        "primaryOrgSourcedId",
                        "pronouns"));
        for (Roster.User one : users) {
            table.row(row(
                    one.id(),
                    "true",
                    one.email(),
                    "",
                    one.givenName(),
                    one.familyName(),
                    "",
                    "",
                    one.email(),
                    "",
                    "",
                    "",
                    "",
                    "",
                    "",
                    "",
                    "",
                    "",
                    "",
                    "",
                    ""));
        }
    }

    private static String or(@Nullable String value) {
        return value == null ? "" : value;
    }

    private static String number(@Nullable Rational value) {
        return value == null
                ? ""
                : value.toDecimal(PLACES, RoundingMode.HALF_UP)
                        .stripTrailingZeros()
                        .toPlainString();
    }

    @Override
    public void close() throws IOException {
        table.flush();
        text.flush();
        zip.closeEntry();
        text.close();
    }
}
