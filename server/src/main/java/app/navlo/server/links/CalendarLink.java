package app.navlo.server.links;

import app.navlo.formats.ical.CalendarContent;
import app.navlo.formats.ical.CalendarFault;
import app.navlo.formats.ical.CalendarReader;
import app.navlo.formats.ical.CalendarTold;
import app.navlo.server.http.FeedFetcher;
import app.navlo.server.http.FeedFetcher.FetchFault;
import app.navlo.server.http.FeedFetcher.Fetched;
import app.navlo.server.http.StandIns;
import app.navlo.server.imports.SyncDelta;
import app.navlo.server.links.SchoolLink.Ability;
import app.navlo.server.links.SchoolLink.LinkFault;
import app.navlo.server.store.Links;
import java.net.URI;
import java.time.ZoneId;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/** A calendar that a course gives under an address: what is due, and no more. */
@Component
final class CalendarLink implements SchoolLink {
    private static final int MOST_BYTES = 5 << 20;

    private final FeedFetcher fetcher;
    private final StandIns standIns;

    CalendarLink(FeedFetcher fetcher, StandIns standIns) {
        this.fetcher = fetcher;
        this.standIns = standIns;
    }

    @Override
    public Links.Kind kind() {
        return Links.Kind.CALENDAR;
    }

    @Override
    public Set<Ability> abilities() {
        return Set.of(Ability.DUES);
    }

    @Override
    public SyncDelta ask(Links.Link link, ZoneId zone) throws LinkFault {
        URI address = URI.create(standIns.resolve(link.access().address()));
        try {
            Fetched fetched =
                    fetcher.fetch(address, link.faring().tag(), link.access().token(), MOST_BYTES);
            if (fetched.unchanged()) {
                return SyncDelta.unchanged(null, link.faring().tag());
            }
            CalendarContent content = CalendarReader.read(fetched.content(), zone);
            return new SyncDelta(CalendarTold.of(content, link.name(), Set.of()), true, List.of(), null, fetched.tag());
        } catch (FetchFault | CalendarFault fault) {
            throw new LinkFault(String.valueOf(fault.getMessage()), false, fault);
        }
    }
}
