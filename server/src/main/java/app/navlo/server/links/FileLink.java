package app.navlo.server.links;

import app.navlo.server.imports.SyncDelta;
import app.navlo.server.links.SchoolLink.Ability;
import app.navlo.server.links.SchoolLink.LinkFault;
import app.navlo.server.store.Links;
import java.time.ZoneId;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Files of one source, read in by hand. It can't be asked: whoever has a newer file reads that in. */
@Component
final class FileLink implements SchoolLink {
    @Override
    public Links.Kind kind() {
        return Links.Kind.FILE;
    }

    @Override
    public Set<Ability> abilities() {
        return Set.of(Ability.DUES, Ability.GRADEBOOK);
    }

    @Override
    public SyncDelta ask(Links.Link link, ZoneId zone) throws LinkFault {
        throw new LinkFault("These are files. Read in a newer one to bring it up to date.", true, null);
    }
}
