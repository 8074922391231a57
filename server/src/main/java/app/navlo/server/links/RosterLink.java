package app.navlo.server.links;

import app.navlo.formats.oneroster.OneRosterReader;
import app.navlo.formats.oneroster.Roster;
import app.navlo.formats.oneroster.ZipBundle;
import app.navlo.formats.table.TableFault;
import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.http.FeedFetcher;
import app.navlo.server.http.FeedFetcher.FetchFault;
import app.navlo.server.http.FeedFetcher.Fetched;
import app.navlo.server.http.StandIns;
import app.navlo.server.imports.SyncDelta;
import app.navlo.server.links.SchoolLink.Ability;
import app.navlo.server.links.SchoolLink.LinkFault;
import app.navlo.server.store.Links;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/** A gradebook that gives its OneRoster bundle under an address. */
@Component
final class RosterLink implements SchoolLink {
    private static final int MOST_BYTES = 50 << 20;
    private static final long MOST_UNPACKED = 512L << 20;

    private final FeedFetcher fetcher;
    private final StandIns standIns;

    RosterLink(FeedFetcher fetcher, StandIns standIns) {
        this.fetcher = fetcher;
        this.standIns = standIns;
    }

    @Override
    public Links.Kind kind() {
        return Links.Kind.ROSTER;
    }

    @Override
    public Set<Ability> abilities() {
        return Set.of(Ability.DUES, Ability.GRADEBOOK);
    }

    @Override
    public SyncDelta ask(Links.Link link, ZoneId zone) throws LinkFault {
        URI address = URI.create(standIns.resolve(link.access().address()));
        Fetched fetched;
        try {
            fetched = fetcher.fetch(address, link.faring().tag(), link.access().token(), MOST_BYTES);
        } catch (FetchFault fault) {
            throw new LinkFault(String.valueOf(fault.getMessage()), false, fault);
        }
        if (fetched.unchanged()) {
            return SyncDelta.unchanged(null, link.faring().tag());
        }
        try {
            Path file = Files.createTempFile("navlo-bundle", ".zip");
            try {
                Files.write(file, fetched.content());
                return new SyncDelta(read(file, link, zone), true, List.of(), null, fetched.tag());
            } finally {
                Files.deleteIfExists(file);
            }
        } catch (TableFault fault) {
            throw new LinkFault(String.valueOf(fault.getMessage()), false, fault);
        } catch (IOException | UncheckedIOException failed) {
            throw new LinkFault("The bundle can't be read: " + failed.getMessage(), false, failed);
        }
    }

    private static SourceSnapshot read(Path file, Links.Link link, ZoneId zone)
            throws IOException, TableFault, LinkFault {
        try (ZipBundle bundle = ZipBundle.open(file, MOST_UNPACKED)) {
            OneRosterReader reader = OneRosterReader.of(bundle);
            String knownAs = String.valueOf(link.access().knownAs());
            List<Roster.User> students = reader.students();
            Roster.User student = students.stream()
                    .filter(one ->
                            one.id().equalsIgnoreCase(knownAs) || one.email().equalsIgnoreCase(knownAs))
                    .findFirst()
                    .orElseGet(() -> students.size() == 1 ? students.get(0) : null);
            if (student == null) {
                throw new LinkFault(
                        "Nobody in this gradebook is known as '" + knownAs
                                + "'. Say which address or number you have there.",
                        false,
                        null);
            }
            return reader.read(student.id(), zone);
        }
    }
}
