package app.navlo.server.http;

import java.net.Inet4Address;
import java.net.InetAddress;
import java.util.Arrays;
import java.util.List;
import org.springframework.security.web.util.matcher.IpAddressMatcher;

/**
 * Which addresses are of the public network: all but those that IANA keeps for other purposes (its registries of special-purpose IPv4
 * and IPv6 addresses), and but those that carry another address within (6to4, Teredo, the translations).
 */
final class PublicNetwork {
    private static final List<IpAddressMatcher> SPECIAL_4 = matchers(
            "0.0.0.0/8",
            "10.0.0.0/8",
            "100.64.0.0/10",
            "127.0.0.0/8",
            "169.254.0.0/16",
            "172.16.0.0/12",
            "192.0.0.0/24",
            "192.0.2.0/24",
            "192.88.99.0/24",
            "192.168.0.0/16",
            "198.18.0.0/15",
            "198.51.100.0/24",
            "203.0.113.0/24",
            "224.0.0.0/4",
            "240.0.0.0/4");

    private static final List<IpAddressMatcher> SPECIAL_6 = matchers(
            "::/96",
            "::ffff:0:0:0/96",
            "64:ff9b::/96",
            "64:ff9b:1::/48",
            "100::/64",
            "100:0:0:1::/64",
            "2001::/23",
            "2001:db8::/32",
            "2002::/16",
            "3fff::/20",
            "5f00::/16",
            "fc00::/7",
            "fe80::/10",
            "fec0::/10",
            "ff00::/8");

    private static List<IpAddressMatcher> matchers(String... ranges) {
        return Arrays.stream(ranges).map(IpAddressMatcher::new).toList();
    }

    private PublicNetwork() {}

    static boolean has(InetAddress address) {
        String text = address.getHostAddress();
        int zone = text.indexOf('%');
        String plain = zone < 0 ? text : text.substring(0, zone);
        List<IpAddressMatcher> special = address instanceof Inet4Address ? SPECIAL_4 : SPECIAL_6;
        return special.stream().noneMatch(range -> range.matches(plain));
    }
}
