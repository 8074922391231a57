package app.navlo.server.links;

import app.navlo.formats.told.SourceSnapshot;
import app.navlo.server.http.FeedFetcher;
import app.navlo.server.http.FeedFetcher.FetchFault;
import app.navlo.server.http.FeedFetcher.Fetched;
import app.navlo.server.http.StandIns;
import app.navlo.server.imports.SyncDelta;
import app.navlo.server.imports.SyncDelta.ToldAnnouncement;
import app.navlo.server.imports.SyncDelta.ToldDeed;
import app.navlo.server.links.SchoolLink.Ability;
import app.navlo.server.links.SchoolLink.LinkFault;
import app.navlo.server.links.SchoolLink.SendingKind;
import app.navlo.server.links.SchoolLink.SentFile;
import app.navlo.server.store.Files;
import app.navlo.server.store.Links;
import app.navlo.server.workdetail.WorkDetail.Receipt;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.apache.hc.client5.http.classic.methods.HttpPost;
import org.apache.hc.client5.http.classic.methods.HttpPut;
import org.apache.hc.client5.http.classic.methods.HttpUriRequestBase;
import org.apache.hc.core5.http.ClassicHttpResponse;
import org.apache.hc.core5.http.ContentType;
import org.apache.hc.core5.http.io.entity.ByteArrayEntity;
import org.apache.hc.core5.http.io.entity.EntityUtils;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** A course site with a hand-in box: the JSON interface that {@code docs/formats.md} describes. */
@Component
final class BoxLink implements SchoolLink {
    private static final int MOST_BYTES = 8 << 20;
    private static final int MOST_ANSWER = 1 << 20;
    private static final int MOST_PAGES = 50;

    private final FeedFetcher fetcher;
    private final StandIns standIns;
    private final Files files;
    private final JsonMapper json;

    BoxLink(FeedFetcher fetcher, StandIns standIns, Files files, JsonMapper json) {
        this.fetcher = fetcher;
        this.standIns = standIns;
        this.files = files;
        this.json = json;
    }

    @Override
    public Links.Kind kind() {
        return Links.Kind.BOX;
    }

    @Override
    public Set<Ability> abilities() {
        return Set.of(Ability.DUES, Ability.GRADEBOOK, Ability.HAND_IN, Ability.ASK, Ability.WRITE);
    }

    private URI address(Links.Link link, String path) {
        return URI.create(standIns.resolve(link.access().address()) + path);
    }

    @Override
    public SyncDelta ask(Links.Link link, ZoneId zone) throws LinkFault {
        String upTo = Objects.requireNonNullElse(link.faring().upTo(), "0");
        String tag = link.faring().tag();
        List<ToldDeed> deeds = new ArrayList<>();
        for (int page = 0; page < MOST_PAGES; page++) {
            Fetched fetched = fetch(link, "record?after=" + upTo, page == 0 ? tag : null);
            if (fetched.unchanged()) {
                return SyncDelta.unchanged(link.faring().upTo(), tag);
            }
            BoxRecord record =
                    new BoxRecord(read(fetched.content()), link.access().address(), zone);
            deeds.addAll(record.deeds());
            // First, so that what can't be read of them is told with the rest.
            List<ToldAnnouncement> announced = record.announcements();
            SourceSnapshot told = record.told();
            boolean moved = !record.last().equals(upTo);
            upTo = record.last();
            if (!record.more()) {
                return new SyncDelta(told, true, deeds, announced, upTo, moved ? null : fetched.tag());
            }
        }
        throw new LinkFault(
                "The school has more to tell than can be read at once. It goes on at the next asking.", false, null);
    }

    private Fetched fetch(Links.Link link, String path, @Nullable String tag) throws LinkFault {
        try {
            return fetcher.fetch(address(link, path), tag, link.access().token(), MOST_BYTES);
        } catch (FetchFault fault) {
            throw new LinkFault(String.valueOf(fault.getMessage()), false, fault);
        }
    }

    private JsonNode read(byte[] content) throws LinkFault {
        try {
            JsonNode node = json.readTree(content);
            if (node.path("items").isArray()
                    && node.path("deeds").isArray()
                    && node.path("courses").isArray()) {
                return node;
            }
            throw new LinkFault("What came back is no record of a course site. Check the address.", false, null);
        } catch (JacksonException half) {
            throw new LinkFault("What came back ends in the middle or is no JSON. It is asked again.", false, half);
        }
    }

    @Override
    public Receipt send(Links.Link link, Sending sending) throws LinkFault {
        for (SentFile file : sending.files()) {
            HttpPut put = new HttpPut(address(link, "files/" + file.sha256()));
            ByteArrayOutputStream content = new ByteArrayOutputStream();
            files.copy(file.sha256(), content);
            put.setEntity(new ByteArrayEntity(content.toByteArray(), ContentType.APPLICATION_OCTET_STREAM));
            keep(link, put);
        }
        HttpPost post = new HttpPost(address(link, path(sending.kind())));
        post.setHeader("Idempotency-Key", sending.key());
        post.setEntity(new ByteArrayEntity(
                body(sending).toString().getBytes(StandardCharsets.UTF_8), ContentType.APPLICATION_JSON));
        JsonNode receipt = call(link, post);
        return new Receipt(
                receipt.path("receipt").asString(""),
                receipt.path("deed").asString(""),
                Instant.parse(receipt.path("at").asString()));
    }

    /** A file that lies there says nothing of the hand-in that would name it. */
    private void keep(Links.Link link, HttpPut put) throws LinkFault {
        try {
            call(link, put);
        } catch (LinkFault fault) {
            throw new LinkFault(String.valueOf(fault.getMessage()), fault.refused, false, fault);
        }
    }

    private static String path(SendingKind kind) {
        return switch (kind) {
            case HAND_IN -> "hand-ins";
            case WITHDRAW -> "withdrawals";
            case ASK -> "requests";
            case WRITE -> "messages";
        };
    }

    private ObjectNode body(Sending sending) {
        ObjectNode body = json.createObjectNode().put("item", sending.item());
        if (sending.text() != null) {
            body.put("text", sending.text());
        }
        if (sending.note() != null) {
            body.put("note", sending.note());
        }
        if (!sending.files().isEmpty()) {
            var list = body.putArray("files");
            sending.files()
                    .forEach(file -> list.addObject().put("name", file.name()).put("sha256", file.sha256()));
        }
        return body;
    }

    private record Answered(int status, JsonNode body) {}

    private JsonNode call(Links.Link link, HttpUriRequestBase request) throws LinkFault {
        if (link.access().token() != null) {
            request.setHeader("Authorization", "Bearer " + link.access().token());
        }
        Answered answered;
        try {
            answered = fetcher.call(request, address(link, ""), this::answered);
        } catch (FetchFault fault) {
            String words = fault.sent ? "It didn't answer." : String.valueOf(fault.getMessage());
            throw new LinkFault(words, false, fault.sent, fault);
        }
        if (answered.status() >= 500) {
            throw new LinkFault("It answered " + answered.status() + ".", false, true, null);
        }
        if (answered.status() >= 400) {
            throw new LinkFault(
                    answered.body().path("why").asString("It answered " + answered.status() + "."), true, null);
        }
        return answered.body();
    }

    private Answered answered(ClassicHttpResponse response) throws IOException {
        byte[] content =
                response.getEntity() == null ? new byte[0] : EntityUtils.toByteArray(response.getEntity(), MOST_ANSWER);
        try {
            return new Answered(response.getCode(), json.readTree(content));
        } catch (JacksonException half) {
            if (response.getCode() < 400) {
                throw new IOException("the answer ends in the middle", half);
            }
            return new Answered(response.getCode(), json.createObjectNode());
        }
    }
}
