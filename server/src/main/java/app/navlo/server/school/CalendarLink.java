package app.navlo.server.school;

import app.navlo.formats.ical.CalendarContent;
import app.navlo.formats.ical.CalendarEntry;
import app.navlo.formats.ical.CalendarFault;
import app.navlo.formats.ical.CalendarReader;
import app.navlo.formats.told.Told;
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
    private static final String COURSE = "calendar";

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
            return new News(told(content, link.name()), false, List.of(), null, fetched.tag());
        } catch (FetchFault | CalendarFault fault) {
            throw new LinkFault(String.valueOf(fault.getMessage()), false, fault);
        }
    }

    private static Told told(CalendarContent content, String linkName) {
        String name = content.name() == null ? linkName : content.name();
        List<Told.Work> works = content.entries().stream()
                .filter(entry -> !entry.cancelled())
                .map(CalendarLink::work)
                .toList();
        List<Told.Trouble> troubles = content.leftAside().stream()
                .map(aside -> new Told.Trouble(aside.title(), aside.why()))
                .toList();
        return new Told(name, List.of(new Told.Course(COURSE, name, "", List.of())), works, List.of(), troubles);
    }

    private static Told.Work work(CalendarEntry entry) {
        return new Told.Work(
                entry.key(),
                COURSE,
                entry.title(),
                entry.kind(),
                null,
                null,
                entry.opensAt(),
                entry.due(),
                entry.description(),
                null);
    }
}
