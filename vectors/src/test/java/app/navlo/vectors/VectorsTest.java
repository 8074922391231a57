package app.navlo.vectors;

import static org.testng.Assert.assertTrue;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class VectorsTest {
    private static final Path FOLDER = Path.of("src/test/resources/vectors");

    @DataProvider
    public static Iterator<Object[]> cases() throws IOException {
        List<Object[]> all = new ArrayList<>();
        for (Path file : Vectors.files(FOLDER)) {
            Vectors.run(file).forEach(outcome -> all.add(new Object[] {outcome.id(), outcome}));
        }
        return all.iterator();
    }

    @Test(dataProvider = "cases")
    public void theCoreGivesTheKnownAnswer(String id, Vectors.Outcome outcome) {
        assertTrue(
                outcome.passed(),
                id + ": " + outcome.why() + "\n expected " + outcome.expected() + "\n got      " + outcome.got());
    }
}
