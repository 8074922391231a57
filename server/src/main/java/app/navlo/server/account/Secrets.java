package app.navlo.server.account;

import java.util.Base64;
import org.springframework.security.crypto.keygen.Base64StringKeyGenerator;
import org.springframework.stereotype.Component;

/** Secrets that let whoever has them in: in links and tokens. Only their digests are kept. */
@Component
public class Secrets {
    private final Base64StringKeyGenerator generator =
            new Base64StringKeyGenerator(Base64.getUrlEncoder().withoutPadding());

    /** 256 bits, in letters that an address can have. */
    public String next() {
        return generator.generateKey();
    }
}
