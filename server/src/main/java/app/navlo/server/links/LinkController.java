package app.navlo.server.links;

import app.navlo.server.account.Person;
import app.navlo.server.change.Changed;
import app.navlo.server.change.Writer;
import app.navlo.server.http.StandIns;
import app.navlo.server.imports.ImportForms.ImportChoices;
import app.navlo.server.imports.ImportForms.ImportConfirmation;
import app.navlo.server.imports.ImportMapper;
import app.navlo.server.imports.ImportMapper.ImportDone;
import app.navlo.server.imports.ImportMapper.ImportKind;
import app.navlo.server.imports.ImportMapper.ImportPreview;
import app.navlo.server.links.LinkPreviews.Seen;
import app.navlo.server.problem.OneLine;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Links;
import app.navlo.server.store.Links.Link;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.net.URI;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Links to schools' systems: what each gives and how it fares. */
@RestController
@RequestMapping("/api/students/{student}/links")
public class LinkController {
    private static final int MOST_IMPORTS = 50;

    private final LinkService service;
    private final LinkPreviews looks;
    private final Links links;
    private final Changes changes;
    private final StandIns standIns;

    LinkController(LinkService service, LinkPreviews looks, Links links, Changes changes, StandIns standIns) {
        this.service = service;
        this.looks = looks;
        this.links = links;
        this.changes = changes;
        this.standIns = standIns;
    }

    /** What a link can do. */
    public enum LinkAbility {
        DUES,
        GRADEBOOK,
        HAND_IN,
        ASK,
        WRITE
    }

    /** How far an asking is. */
    public enum LinkStage {
        ASKING,
        COMPARING,
        WRITING
    }

    /**
     * @param address its host alone for who looks on
     * @param askedAt when it last answered; null for never
     * @param toldAt when it last told anything new; null for never
     * @param nextAskAt null where it isn't asked by itself
     * @param fault what went wrong last; null if it went well
     * @param news what it last told, in words
     * @param stage null while it isn't being asked
     */
    public record SchoolLinkView(
            long id,
            String name,
            Links.Kind kind,
            String address,
            @Nullable String knownAs,
            Set<LinkAbility> abilities,
            boolean paused,
            @Nullable Instant askedAt,
            @Nullable Instant toldAt,
            @Nullable Instant nextAskAt,
            int failures,
            @Nullable String fault,
            @Nullable String news,
            @Nullable LinkStage stage) {}

    /** @param school where the simulated school can be looked at; null outside the demo */
    public record LinksView(
            List<SchoolLinkView> links, @Nullable String school) {}

    public record LinkForm(
            @NotNull(message = "Choose what kind of link it is.")
            Links.Kind kind,

            @NotBlank(message = "Give the address.") @Size(max = 1000, message = "At most 1000 letters.")
            String address,

            @Nullable @Size(max = 300, message = "At most 300 letters.")
            String token,

            @Nullable @Size(max = 300, message = "At most 300 letters.")
            String knownAs,

            @Nullable @Size(max = 200, message = "At most 200 letters.") @OneLine
            String name) {
        Links.Access access() {
            return new Links.Access(kind, address.strip(), blank(token), blank(knownAs));
        }

        private static @Nullable String blank(@Nullable String text) {
            return text == null || text.isBlank() ? null : text.strip();
        }
    }

    public record LinkSetting(
            @NotBlank(message = "Give it a name.") @Size(max = 200, message = "At most 200 letters.") @OneLine
            String name,

            boolean paused) {}

    /** What adding it would bring. */
    public record LinkLook(Set<LinkAbility> abilities, ImportPreview preview) {}

    /** @param news what was new, in words */
    public record LinkAsked(String news) {}

    /** @param stands false once it is undone */
    public record LinkImportView(
            long change,
            Instant at,
            String summary,
            int added,
            int changed,
            int gone,
            int happened,
            List<String> troubles,
            boolean stands) {}

    /** The links to schools' systems, and how each fares. */
    @GetMapping
    public LinksView list(@PathVariable long student, @AuthenticationPrincipal Person reader) {
        boolean own = reader.id() == student;
        return new LinksView(
                service.standing(student).stream().map(link -> view(link, own)).toList(), standIns.school());
    }

    /** The rest of an address may be a secret: others see the host alone. */
    private static String host(String address) {
        try {
            return Objects.requireNonNullElse(URI.create(address).getHost(), "");
        } catch (IllegalArgumentException none) {
            return "";
        }
    }

    private SchoolLinkView view(Link link, boolean own) {
        String address = standIns.resolve(link.access().address());
        AskingNow.Stage stage = service.stage(link.id());
        return new SchoolLinkView(
                link.id(),
                link.name(),
                link.access().kind(),
                own ? address : host(address),
                link.access().knownAs(),
                abilities(link.access().kind()),
                link.paused(),
                link.faring().askedAt(),
                link.faring().toldAt(),
                link.paused() ? null : link.faring().nextAskAt(),
                link.faring().failures(),
                link.faring().fault(),
                link.faring().news(),
                stage == null ? null : LinkStage.valueOf(stage.name()));
    }

    private Set<LinkAbility> abilities(Links.Kind kind) {
        return service.abilities(kind).stream()
                .map(ability -> LinkAbility.valueOf(ability.name()))
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Asks the system, and writes nothing. What it told is kept for half an hour. */
    @PostMapping("/looks")
    @ResponseStatus(HttpStatus.CREATED)
    public LinkLook look(
            @PathVariable long student, @AuthenticationPrincipal Person person, @Valid @RequestBody LinkForm form) {
        Seen seen = looks.look(student, person, form.access(), form.name());
        return new LinkLook(abilities(form.kind()), view(seen));
    }

    private static ImportPreview view(Seen seen) {
        LinkPreviews.Look look = seen.look();
        ImportKind kind =
                switch (look.kind()) {
                    case BOX -> ImportKind.BOX;
                    case ROSTER -> ImportKind.BUNDLE;
                    case CALENDAR -> ImportKind.CALENDAR;
                    case FILE -> ImportKind.TABLE;
                };
        ImportMapper.Source source = new ImportMapper.Source(look.number(), kind, false, List.of(), null, look.told());
        return ImportMapper.preview(source, seen.looked().choices(), seen.looked());
    }

    /** The same with what a person says of it. The school isn't asked again. */
    @PostMapping("/looks/{look}/preview")
    public ImportPreview preview(
            @PathVariable long student,
            @PathVariable long look,
            @AuthenticationPrincipal Person person,
            @Valid @RequestBody ImportChoices choices) {
        return view(looks.preview(student, person, look, choices.choices()));
    }

    /** Adds the link, and takes in what was confirmed. */
    @PostMapping("/looks/{look}/application")
    @ResponseStatus(HttpStatus.CREATED)
    public ImportDone add(
            @PathVariable long student,
            @PathVariable long look,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody ImportConfirmation confirmed) {
        return ImportDone.of(looks.add(
                Writer.of(student, person, null, key),
                person,
                look,
                confirmed.choices().choices(),
                confirmed.fingerprint()));
    }

    /** Names a link otherwise, or lets it rest. */
    @PutMapping("/{link}")
    public Changed set(
            @PathVariable long student,
            @PathVariable long link,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key,
            @Valid @RequestBody LinkSetting setting) {
        return service.set(Writer.of(student, person, null, key), link, setting.name(), setting.paused());
    }

    /** Removes a link; what it brought stays. */
    @DeleteMapping("/{link}")
    public Changed remove(
            @PathVariable long student,
            @PathVariable long link,
            @AuthenticationPrincipal Person person,
            @RequestHeader("Idempotency-Key") String key) {
        return service.remove(Writer.of(student, person, null, key), link);
    }

    /**
     * Asks a link now, and takes in what it tells.
     *
     * @param anew whether all of it is read again from the beginning; what is here already isn't doubled
     */
    @PostMapping("/{link}/asking")
    public LinkAsked ask(
            @PathVariable long student,
            @PathVariable long link,
            @AuthenticationPrincipal Person person,
            @RequestParam(defaultValue = "false") boolean anew) {
        return new LinkAsked(service.askNow(student, link, person, anew));
    }

    /** Stops an asking; nothing of it is taken then. */
    @DeleteMapping("/{link}/asking")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    public void stop(@PathVariable long student, @PathVariable long link) {
        service.stop(student, link);
    }

    /** What a link brought, the latest first. */
    @GetMapping("/{link}/imports")
    public List<LinkImportView> imports(@PathVariable long student, @PathVariable long link) {
        service.find(student, link);
        Set<Long> undone = changes.undone(student);
        return links.imports(link, MOST_IMPORTS).stream()
                .map(one -> new LinkImportView(
                        one.change(),
                        one.at(),
                        one.summary(),
                        one.added(),
                        one.changed(),
                        one.gone(),
                        one.happened(),
                        one.troubles().isEmpty()
                                ? List.of()
                                : List.of(one.troubles().split("\n")),
                        !undone.contains(one.change())))
                .toList();
    }
}
