package app.navlo.formats.oneroster;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.core.exact.Rational;
import app.navlo.core.time.Deadline;
import app.navlo.core.work.WorkKind;
import app.navlo.formats.table.TableFault;
import app.navlo.formats.told.SourceSnapshot;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class OneRosterTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Copenhagen");
    private static final Instant AS_OF = Instant.parse("2026-11-24T15:20:00Z");
    private static final long ENOUGH = 1 << 24;

    private static byte[] written() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (OneRosterWriter writer = new OneRosterWriter(out, "Thornmere gradebook", AS_OF)) {
            writer.sessions(List.of(new Roster.Session(
                    "t1",
                    "Autumn",
                    Roster.SessionType.TERM,
                    LocalDate.of(2026, 9, 7),
                    LocalDate.of(2026, 12, 19),
                    null)));
            writer.categories(List.of(new Roster.Category("c1", "Labs", Rational.of(25))));
            writer.classes(List.of(
                    new Roster.ClassOf("k1", "Soil Science", "o1", "t1"),
                    new Roster.ClassOf("k2", "Not hers", "o1", "t1")));
            writer.enrolments(List.of(
                    new Roster.Enrolment("e1", "k1", "o1", "mira", Roster.Role.STUDENT),
                    new Roster.Enrolment("e2", "k1", "o1", "halvor", Roster.Role.TEACHER),
                    new Roster.Enrolment("e3", "k2", "o1", "other", Roster.Role.STUDENT)));
            writer.lineItems(List.of(
                    item("i1", "Soil lab 1: =sum, \"quoted\"", "2026-09-18", "k1"),
                    item("i2", "Closing test", "2026-12-17T10:00:00+01:00", "k1"),
                    item("i3", "Of another class", null, "k2")));
            writer.orgs(List.of(new Roster.Org("o1", "Thornmere")));
            writer.results(List.of(
                    result("i1", "mira", Roster.ScoreStatus.FULLY_GRADED, Rational.of(87, 2)),
                    result("i1", "other", Roster.ScoreStatus.FULLY_GRADED, Rational.of(1)),
                    result("i2", "mira", Roster.ScoreStatus.NOT_SUBMITTED, null)));
            writer.users(List.of(
                    new Roster.User("mira", Roster.Role.STUDENT, "Mira", "Solheim", "mira@thornmere.example"),
                    new Roster.User("other", Roster.Role.STUDENT, "Ada", "Brook", "ada@thornmere.example"),
                    new Roster.User("halvor", Roster.Role.TEACHER, "Halvor", "Tarn", "halvor@thornmere.example")));
        }
        return out.toByteArray();
    }

    private static Roster.LineItem item(String id, String title, String due, String classOf) {
        return new Roster.LineItem(id, title, "Bring boots.", null, due, classOf, "c1", "t1", Rational.of(50));
    }

    private static Roster.Result result(String item, String student, Roster.ScoreStatus status, Rational score) {
        return new Roster.Result(
                item + student,
                item,
                student,
                status,
                score,
                LocalDate.of(2026, 11, 24),
                "Clear.",
                false,
                false,
                true,
                score == null,
                AS_OF);
    }

    private static ZipBundle zip(byte[] content, long most) throws IOException, TableFault {
        Path file = Files.createTempFile("bundle", ".zip");
        Files.write(file, content);
        return ZipBundle.open(file, most);
    }

    @Test
    public void whatIsWrittenIsReadBackOfOneStudent() throws Exception {
        try (ZipBundle bundle = zip(written(), ENOUGH)) {
            OneRosterReader reader = OneRosterReader.of(bundle);
            assertEquals(
                    reader.students().stream().map(Roster.User::name).toList(), List.of("Ada Brook", "Mira Solheim"));
            SourceSnapshot told = reader.read("mira", ZONE);
            assertEquals(told.source(), "Thornmere gradebook");
            assertEquals(told.troubles(), List.of());
            assertEquals(
                    told.courses(),
                    List.of(new SourceSnapshot.Course(
                            "k1",
                            "Soil Science",
                            "Halvor Tarn",
                            List.of(new SourceSnapshot.Category("Labs", Rational.of(25))))));
            assertEquals(told.works().size(), 2, "not of other classes");
            SourceSnapshot.Work lab = told.works().get(0);
            assertEquals(lab.title(), "Soil lab 1: =sum, \"quoted\"");
            assertEquals(lab.due(), Deadline.endOf(LocalDate.of(2026, 9, 18), ZONE));
            assertEquals(lab.possible(), Rational.of(50));
            SourceSnapshot.Work test = told.works().get(1);
            assertEquals(test.due(), Deadline.at(Instant.parse("2026-12-17T09:00:00Z")));
            assertEquals(test.kind(), WorkKind.TEST);
            assertEquals(
                    told.results().get(0),
                    new SourceSnapshot.Result(
                            "i1",
                            SourceSnapshot.Status.SCORED,
                            Rational.of(87, 2),
                            AS_OF,
                            "Clear.",
                            true,
                            false,
                            false));
            assertEquals(told.results().get(1).status(), SourceSnapshot.Status.NOT_HANDED_IN);
            assertTrue(told.results().get(1).missing());
        }
    }

    @Test
    public void theSameContentHasTheSameBytes() throws Exception {
        assertEquals(written(), written());
    }

    private static final Map<String, String> GOOD = Map.of(
            "manifest", "propertyName,value\noneroster.version,1.2\n",
            "users", "sourcedId,givenName,familyName\nm,Mira,Solheim\n",
            "enrollments", "sourcedId,classSourcedId,userSourcedId,role\ne,k,m,student\n",
            "classes", "sourcedId,title\nk,Soil\n",
            "lineItems", "sourcedId,title,classSourcedId,dueDate,resultValueMax\ni,Lab,k,2026-11-24,50\n",
            "results", "sourcedId,lineItemSourcedId,studentSourcedId,scoreStatus,score\nr,i,m,fully graded,40\n");

    private static Bundle with(String table, String content) {
        Map<String, String> tables = new HashMap<>(GOOD);
        tables.put(table, content);
        return name -> Optional.ofNullable(tables.get(name))
                .map(text -> () -> new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
    }

    @DataProvider
    public static Object[][] brokenRows() {
        String items = "sourcedId,title,classSourcedId,dueDate,resultValueMax\n";
        String results = "sourcedId,lineItemSourcedId,studentSourcedId,scoreStatus,score\n";
        return new Object[][] {
            {"lineItems", items + "a,,k,,\ni,Lab,k,,50\n", "lineItems.csv, line 2: its title is missing"},
            {"lineItems", items + "a,B,k,24/11/2026,\ni,Lab,k,,\n", "the dueDate '24/11/2026' is no date"},
            {"lineItems", items + "a,B,k,,lots\ni,Lab,k,,\n", "the resultValueMax 'lots' is no number"},
            {"lineItems", items + "i,Old,k,,\ni,Lab,k,,\n", "the id i comes twice"},
            {"results", results + "q,i,m,done,3\nr,i,m,fully graded,40\n", "the score status 'done' is none"},
            {"results", results + "q,i,m,fully graded,-3\nr,i,m,fully graded,40\n", "the score '-3' is no number"},
        };
    }

    @Test(dataProvider = "brokenRows")
    public void aBrokenRowIsToldOfAndTheGoodOnesAreRead(String table, String content, String words) throws Exception {
        SourceSnapshot told = OneRosterReader.of(with(table, content)).read("m", ZONE);
        SourceSnapshot.Trouble trouble = told.troubles().get(0);
        String said = trouble.where() + ": " + trouble.why();
        assertTrue(said.contains(words), said);
        assertTrue(told.works().stream().anyMatch(work -> work.title().equals("Lab")), told.toString());
        assertEquals(told.results().get(0).points(), Rational.of(40));
    }

    @DataProvider
    public static Object[][] noBundles() {
        return new Object[][] {
            {"manifest", "propertyName,value\noneroster.version,2.0\n", "OneRoster '2.0'"},
            {"manifest", "propertyName,value\noneroster.version,1.2\nfile.lineItems,delta\n", "Export a full one"},
            {"manifest", "", "manifest.csv is empty"},
        };
    }

    @Test(dataProvider = "noBundles")
    public void whatCannotBeReadSaysWhyAndWhatToDo(String table, String content, String words) {
        TableFault fault = expectThrows(TableFault.class, () -> OneRosterReader.of(with(table, content)));
        assertTrue(fault.getMessage().contains(words), fault.getMessage());
    }

    @Test
    public void anythingElseIsNoArchive() {
        byte[] good = new byte[0];
        try {
            good = written();
        } catch (IOException e) {
            throw new AssertionError(e);
        }
        byte[] half = java.util.Arrays.copyOf(good, good.length / 2);
        assertTrue(expectThrows(TableFault.class, () -> zip(half, ENOUGH))
                .getMessage()
                .contains("first part"));
        byte[] text = "sourcedId,title".getBytes(StandardCharsets.UTF_8);
        assertTrue(expectThrows(TableFault.class, () -> zip(text, ENOUGH))
                .getMessage()
                .contains("no zip archive"));
    }

    @Test
    public void whatUnpacksToTooMuchIsLeftOff() throws Exception {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            entry(zip, "manifest.csv", GOOD.get("manifest"));
            entry(zip, "classes.csv", GOOD.get("classes"));
            entry(zip, "lineItems.csv", "sourcedId,title\n");
            byte[] zeros =
                    "a,aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa\n".getBytes(StandardCharsets.UTF_8);
            for (int i = 0; i < 400_000; i++) {
                zip.write(zeros);
            }
        }
        try (ZipBundle bundle = zip(out.toByteArray(), ENOUGH)) {
            ZipBundle.TooLarge large = expectThrows(
                    ZipBundle.TooLarge.class, () -> OneRosterReader.of(bundle).read("m", ZONE));
            assertEquals(
                    large.getMessage(), "The archive unpacks to more than 16 MB. Export less, a term for example.");
        }
    }

    private static void entry(ZipOutputStream zip, String name, String text) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        OutputStream out = zip;
        out.write(text.getBytes(StandardCharsets.UTF_8));
    }
}
