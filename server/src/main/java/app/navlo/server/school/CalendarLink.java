package app.navlo.server.school;

import app.navlo.formats.ical.CalendarContent;
import app.navlo.formats.ical.CalendarFault;
import app.navlo.formats.ical.CalendarReader;
import app.navlo.formats.ical.CalendarTold;
import app.navlo.server.imports.News;
import app.navlo.server.link.FeedFetcher;
import app.navlo.server.link.FeedFetcher.FetchFault;
import app.navlo.server.link.FeedFetcher.Fetched;
import app.navlo.server.link.StandIns;
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
    public News ask(Links.Link link, ZoneId zone) throws LinkFault {
        URI address = URI.create(standIns.resolve(link.access().address()));
        try {
            Fetched fetched =
                    fetcher.fetch(address, link.faring().tag(), link.access().token(), MOST_BYTES);
            if (fetched.unchanged()) {
                return News.unchanged(null, link.faring().tag());
            }
            CalendarContent content = CalendarReader.read(fetched.content(), zone);
            return new News(CalendarTold.of(content, link.name(), Set.of()), true, List.of(), null, fetched.tag());
        } catch (FetchFault | CalendarFault fault) {
            throw new LinkFault(String.valueOf(fault.getMessage()), false, fault);
        }
    }
}
