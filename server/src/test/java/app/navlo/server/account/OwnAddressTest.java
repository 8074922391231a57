package app.navlo.server.account;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Under which people reach this Navlo, as links and passkeys name it. */
public class OwnAddressTest {
    @DataProvider
    public static Object[][] addresses() {
        return new Object[][] {
            {"https://navlo.example", "https://navlo.example", "navlo.example", "https://navlo.example"},
            {"https://navlo.example/", "https://navlo.example", "navlo.example", "https://navlo.example"},
            {"https://navlo.example///", "https://navlo.example", "navlo.example", "https://navlo.example"},
            {
                "https://college.example:8443/navlo/",
                "https://college.example:8443/navlo",
                "college.example",
                "https://college.example:8443"
            },
            {"http://192.168.1.20:8080", "http://192.168.1.20:8080", "192.168.1.20", "http://192.168.1.20:8080"},
            {"", "http://localhost:8080", "localhost", "http://localhost:8080"},
        };
    }

    @Test(dataProvider = "addresses")
    public void itIsReadOnceAndSaidWithoutASlash(String set, String said, String host, String origin) {
        OwnAddress address = new OwnAddress(set);
        assertEquals(address.toString(), said);
        assertEquals(address.host(), host);
        assertEquals(address.origin(), origin);
    }

    @DataProvider
    public static Object[][] noAddresses() {
        return new Object[][] {
            {"navlo.example"}, {"https://"}, {"https://navlo example"}, {"ftp://navlo.example"}, {"80"}
        };
    }

    /** A start that fails says why; each page that fails says nothing. */
    @Test(dataProvider = "noAddresses")
    public void whatIsNoAddressIsRefusedAtTheStart(String set) {
        IllegalArgumentException fault = expectThrows(IllegalArgumentException.class, () -> new OwnAddress(set));
        assertTrue(fault.getMessage().contains("'" + set + "'"), fault.getMessage());
        assertTrue(fault.getMessage().contains("https://navlo.example"), fault.getMessage());
    }

    @DataProvider
    public static Object[][] browsers() {
        return new Object[][] {
            {"Mozilla/5.0 (X11; Linux x86_64) AppleWebKit/537.36 Chrome/131.0 Safari/537.36", "Chrome on Linux"},
            {"Mozilla/5.0 (Windows NT 10.0) AppleWebKit/537.36 Chrome/131.0 Safari/537.36 Edg/131.0", "Edge on Windows"
            },
            {"Mozilla/5.0 (Windows NT 10.0; rv:132.0) Gecko/20100101 Firefox/132.0", "Firefox on Windows"},
            {"Mozilla/5.0 (Macintosh; Intel Mac OS X 14_6) AppleWebKit/605.1 Version/18 Safari/605.1", "Safari on a Mac"
            },
            {"Mozilla/5.0 (iPhone; CPU iPhone OS 18_1) AppleWebKit/605.1 Safari/604.1", "Safari on an iPhone"},
            {"Mozilla/5.0 (Linux; Android 15) AppleWebKit/537.36 Chrome/131.0 Mobile Safari/537.36", "Chrome on Android"
            },
            {"Mozilla/5.0 (X11; CrOS x86_64 15917) AppleWebKit/537.36 Chrome/131.0", "Chrome on a Chromebook"},
            {"curl/8.11.0", "A program"},
            {"script (Windows)", "A program on Windows"},
            {"", "A program"},
        };
    }

    @Test(dataProvider = "browsers")
    public void aBrowserIsCalledAsItsPersonKnowsIt(String agent, String words) {
        assertEquals(Browser.words(agent), words);
    }
}
