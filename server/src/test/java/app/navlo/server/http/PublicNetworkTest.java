package app.navlo.server.http;

import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;

import java.net.InetAddress;
import java.net.UnknownHostException;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

public class PublicNetworkTest {
    /** Of each special purpose the first and the last, and addresses that carry another one within. */
    @DataProvider
    public static Object[][] special() {
        return new Object[][] {
            {"0.0.0.0"},
            {"0.255.255.255"},
            {"10.0.0.1"},
            {"100.64.0.0"},
            {"100.127.255.255"},
            {"127.0.0.1"},
            {"127.255.255.255"},
            {"169.254.169.254"},
            {"172.16.0.0"},
            {"172.31.255.255"},
            {"192.0.0.8"},
            {"192.0.2.1"},
            {"192.88.99.1"},
            {"192.168.1.1"},
            {"198.18.0.0"},
            {"198.19.255.255"},
            {"198.51.100.7"},
            {"203.0.113.255"},
            {"224.0.0.1"},
            {"240.0.0.1"},
            {"255.255.255.255"},
            {"::"},
            {"::1"},
            {"::127.0.0.1"},
            {"::ffff:127.0.0.1"},
            {"::ffff:0:127.0.0.1"},
            {"64:ff9b::7f00:1"},
            {"64:ff9b:1::1"},
            {"100::1"},
            {"2001::1"},
            {"2001:0:7f00:1::"},
            {"2001:db8::1"},
            {"2002:7f00:1::"},
            {"2002:7f00:1::1"},
            {"3fff::1"},
            {"5f00::1"},
            {"fc00::1"},
            {"fdff::1"},
            {"fe80::1"},
            {"fe80::1%1"},
            {"fec0::1"},
            {"ff02::1"},
        };
    }

    @Test(dataProvider = "special")
    public void whatIsKeptForOtherPurposesIsntPublic(String address) throws UnknownHostException {
        assertFalse(PublicNetwork.has(InetAddress.getByName(address)), address);
    }

    /** The neighbours of those. */
    @DataProvider
    public static Object[][] open() {
        return new Object[][] {
            {"1.0.0.0"},
            {"9.255.255.255"},
            {"11.0.0.0"},
            {"100.63.255.255"},
            {"100.128.0.0"},
            {"172.15.255.255"},
            {"172.32.0.0"},
            {"192.0.1.0"},
            {"192.167.255.255"},
            {"198.17.255.255"},
            {"198.20.0.0"},
            {"223.255.255.255"},
            {"2001:200::1"},
            {"2003::1"},
            {"2606:4700::1111"},
            {"::ffff:8.8.8.8"},
        };
    }

    @Test(dataProvider = "open")
    public void theRestIs(String address) throws UnknownHostException {
        assertTrue(PublicNetwork.has(InetAddress.getByName(address)), address);
    }
}
