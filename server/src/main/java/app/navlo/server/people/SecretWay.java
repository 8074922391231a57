package app.navlo.server.people;

import java.time.Instant;

/**
 * A link into Navlo for one person, once.
 *
 * @param secret of the link; it is never shown again
 */
public record SecretWay(String secret, Instant endsAt) {}
