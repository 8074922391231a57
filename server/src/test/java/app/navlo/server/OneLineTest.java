package app.navlo.server;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import app.navlo.server.message.MailAddress;
import app.navlo.server.problem.OneLine;
import app.navlo.server.store.Course;
import com.tngtech.archunit.core.domain.JavaClass;
import com.tngtech.archunit.core.importer.ClassFileImporter;
import com.tngtech.archunit.core.importer.ImportOption;
import jakarta.mail.internet.AddressException;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.lang.reflect.RecordComponent;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Names, titles and subjects are one line, wherever they come from: they stand in the headers of mails. */
public class OneLineTest extends DemoServer {
    private static final Set<String> LINES = Set.of("name", "shortName", "teacher", "title", "subject");

    private static final String PLANTED = "T\\r\\nBcc: evil@elsewhere.example";

    private static Stream<RecordComponent> incoming(JavaClass one) {
        Class<?> type = one.reflect();
        return type.isRecord() ? Arrays.stream(type.getRecordComponents()) : Stream.empty();
    }

    private static boolean isBounded(RecordComponent field) {
        return field.getType() == String.class
                && LINES.contains(field.getName())
                && (field.getAccessor().isAnnotationPresent(NotBlank.class)
                        || field.getAccessor().isAnnotationPresent(Size.class));
    }

    /** A form that is added with a name of its own has to say so. */
    @Test
    public void everyNameThatComesInIsOneLine() {
        Set<String> open = new TreeSet<>();
        long[] seen = {0};
        new ClassFileImporter()
                        .withImportOption(ImportOption.Predefined.DO_NOT_INCLUDE_TESTS)
                        .importPackages("app.navlo.server")
                        .stream()
                        .flatMap(OneLineTest::incoming)
                        .filter(OneLineTest::isBounded)
                        .forEach(field -> {
                            seen[0]++;
                            boolean said = field.getAnnotatedType().isAnnotationPresent(OneLine.class)
                                    || field.isAnnotationPresent(OneLine.class);
                            if (!said) {
                                open.add(field.getDeclaringRecord().getSimpleName() + "." + field.getName());
                            }
                        });
        assertTrue(seen[0] >= 20, seen[0] + " were looked at");
        assertEquals(open, Set.of());
    }

    @DataProvider
    public static Object[][] planted() {
        String course =
                "{\"name\":\"%s\",\"shortName\":\"%s\",\"teacher\":\"%s\",\"zone\":\"Europe/Oslo\",\"colour\":\"teal\"}";
        return new Object[][] {
            {"/courses", course.formatted(PLANTED, "b", "c"), "name"},
            {"/courses", course.formatted("a", PLANTED, "c"), "shortName"},
            {"/courses", course.formatted("a", "b", PLANTED), "teacher"},
            {"/courses", course.formatted("a", "b", "c\\u2028d"), "teacher"},
            {"/courses", course.formatted("a\\u0000b", "b", "c"), "name"},
        };
    }

    @Test(dataProvider = "planted")
    public void whatWouldWriteAHeaderIsRefusedAndNamed(String path, String form, String field) {
        TestClient.Answer refused = mira().post(STUDENT + path, form);
        assertEquals(refused.status(), 422, refused.body());
        assertEquals(refused.json().at("/faults/0/field").asString(), field);
        assertTrue(refused.fault().contains("one line"), refused.fault());
    }

    /** A school's site, a table or an archive asks nobody: there a line break becomes a space. */
    @Test
    public void whatASchoolTellsIsMadeOneLine() {
        Course.Details told = new Course.Details(
                "Soil\r\nLab", "S\u0000L", "T\r\nBcc: evil@elsewhere.example", null, ZoneId.of("Europe/Oslo"), "teal");
        assertEquals(told.name(), "Soil Lab");
        assertEquals(told.shortName(), "S L");
        assertEquals(told.teacher(), "T Bcc: evil@elsewhere.example");
    }

    @Test
    public void atTheEdgeANameIsLookedAtOnceMore() throws AddressException {
        String header = MailAddress.of("v@x.example", "T\r\nBcc: evil@elsewhere.example")
                .toString();
        assertFalse(header.contains("\r") || header.contains("\n"), header);
        assertEquals(MailAddress.of("v@x.example", "Søren Ægir").getPersonal(), "Søren Ægir");
        for (String wrong : List.of("v@x.example\r\nBcc: evil@elsewhere.example", "nobody", "a b@x.example")) {
            expectThrows(AddressException.class, () -> MailAddress.of(wrong, null));
        }
    }
}
