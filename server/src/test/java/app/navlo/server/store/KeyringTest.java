package app.navlo.server.store;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertNotEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Optional;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What one key seals and signs, and another doesn't open. */
public class KeyringTest {
    private static final String ONE = "AAECAwQFBgcICQoLDA0ODxAREhMUFRYXGBkaGxwdHh8=";
    private static final String OTHER = "HwECAwQFBgcICQoLDA0ODxAREhMUFRYXGBkaGxwdHh8=";

    @Test
    public void whatIsSealedIsOpenedWithTheSameKeyAlone() {
        String sealed = new Keyring(ONE, "").seal("token of Thornmere ✓");
        assertFalse(sealed.contains("Thornmere"));
        assertEquals(new Keyring(ONE, "").open(sealed), Optional.of("token of Thornmere ✓"));
        assertEquals(new Keyring(OTHER, "").open(sealed), Optional.empty());
        assertNotEquals(new Keyring(ONE, "").seal("token of Thornmere ✓"), sealed, "never the same twice");
    }

    @DataProvider
    public static Object[][] changed() {
        String sealed = new Keyring(ONE, "").seal("t");
        char last = sealed.charAt(sealed.length() - 3);
        String turned = sealed.substring(0, sealed.length() - 3)
                + (last == 'A' ? 'B' : 'A')
                + sealed.substring(sealed.length() - 2);
        return new Object[][] {{turned}, {sealed.substring(4)}, {""}, {"no base 64 %"}, {"AAAA"}};
    }

    @Test(dataProvider = "changed")
    public void whatWasChangedIsntOpened(String sealed) {
        assertEquals(new Keyring(ONE, "").open(sealed), Optional.empty());
    }

    @Test
    public void aSignatureHoldsForItsPurposeAndItsTextAlone() {
        Keyring keyring = new Keyring(ONE, "");
        String signed = keyring.sign("door", "mira");
        assertTrue(new Keyring(ONE, "").isSigned("door", "mira", signed));
        assertFalse(keyring.isSigned("gate", "mira", signed));
        assertFalse(keyring.isSigned("door", "anders", signed));
        assertFalse(keyring.isSigned("door", "mira", ""));
        assertFalse(new Keyring(OTHER, "").isSigned("door", "mira", signed));
    }

    /** The first start writes it, for who runs Navlo alone; the next ones read it. */
    @Test
    public void theKeyLiesBesideTheData() throws IOException {
        Path file = Files.createTempDirectory("navlo").resolve("navlo.key");
        String sealed = new Keyring("", file.toString()).seal("kept");
        assertEquals(PosixFilePermissions.toString(Files.getPosixFilePermissions(file)), "rw-------");
        assertEquals(new Keyring("", file.toString()).open(sealed), Optional.of("kept"));
        assertEquals(new Keyring(ONE, file.toString()).open(sealed), Optional.empty(), "what is given goes before");
    }

    @DataProvider
    public static Object[][] noKeys() {
        return new Object[][] {{"short"}, {"not base 64 at all, but quite long enough to be taken for it"}, {"AAECAwQF"}
        };
    }

    @Test(dataProvider = "noKeys")
    public void whatIsNoKeyIsSaidAtTheStart(String given) {
        IllegalStateException wrong = expectThrows(IllegalStateException.class, () -> new Keyring(given, ""));
        assertTrue(wrong.getMessage().startsWith("NAVLO_KEY isn't a key"), wrong.getMessage());
        assertTrue(wrong.getMessage().contains("openssl rand -base64 32"), "says how to make one");
    }
}
