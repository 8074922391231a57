package app.navlo.server.message;

import app.navlo.server.account.Person;
import app.navlo.server.account.Sights;
import app.navlo.server.board.Board;
import app.navlo.server.board.Boards;
import app.navlo.server.board.ReadBoard;
import app.navlo.server.change.WriteOnce;
import app.navlo.server.change.Writer;
import app.navlo.server.feedback.SaidView;
import app.navlo.server.files.Enclosures;
import app.navlo.server.files.Uploads.Upload;
import app.navlo.server.live.LiveFeed;
import app.navlo.server.problem.Refusal;
import app.navlo.server.store.ChangeKind;
import app.navlo.server.store.Changes;
import app.navlo.server.store.Course;
import app.navlo.server.store.Material;
import app.navlo.server.store.OutgoingMessages;
import app.navlo.server.store.People;
import app.navlo.server.store.StoredFile;
import app.navlo.server.time.ServerClock;
import app.navlo.server.workdetail.Receipts;
import app.navlo.server.workdetail.WorkDetail;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Drafts messages, stores what is sent, and says how far each has come. */
@Service
class MessageService {
    private static final Duration AN_HOUR = Duration.ofHours(1);
    /** Letters of one person. */
    private static final int MOST_AN_HOUR = 30;

    private final Boards boards;
    private final OutgoingMessages messages;
    private final Material material;
    private final Receipts receipts;
    private final Enclosures enclosures;
    private final Changes changes;
    private final WriteOnce once;
    private final MailSettings settings;
    private final LiveFeed live;
    private final ServerClock clock;
    private final People people;
    private final Sights sights;

    MessageService(
            Boards boards,
            OutgoingMessages messages,
            Material material,
            Receipts receipts,
            Enclosures enclosures,
            Changes changes,
            WriteOnce once,
            MailSettings settings,
            LiveFeed live,
            ServerClock clock,
            People people,
            Sights sights) {
        this.people = people;
        this.sights = sights;
        this.boards = boards;
        this.messages = messages;
        this.material = material;
        this.receipts = receipts;
        this.enclosures = enclosures;
        this.changes = changes;
        this.once = once;
        this.settings = settings;
        this.live = live;
        this.clock = clock;
    }

    @ReadBoard
    public DraftsView drafts(long student, long work, Person writer) {
        Board.Entry entry = boards.one(student, work, clock.instant());
        boolean words = sights.of(student).words();
        List<MessageDraft> drafts = MessageDraft.of(
                entry, entry.signals(), material.otherRecords(work, changes.undone(student)), voice(student, writer));
        return view(
                entry.course(),
                words
                        ? drafts
                        : drafts.stream().map(MessageDraft::withoutReceipt).toList());
    }

    @ReadBoard
    public DraftsView draftsOfCourse(long student, long course, Person writer) {
        Board board = boards.read(student, ZoneId.of(writer.zone()), clock.instant());
        Course about = course(board, course);
        return view(about, CourseLetters.of(board, about, voice(student, writer)));
    }

    private static Course course(Board board, long id) {
        Course course = board.courses().get(id);
        if (course == null) {
            throw Refusal.notFound("course");
        }
        return course;
    }

    private Voice voice(long student, Person writer) {
        return new Voice(
                writer.name(),
                writer.id() == student
                        ? null
                        : people.student(student).map(People.Student::name).orElseThrow());
    }

    private DraftsView view(Course course, List<MessageDraft> drafts) {
        Course.Details details = course.details();
        return new DraftsView(
                Objects.requireNonNullElse(details.teacher(), ""),
                messages.lastAddress(course.id()).orElse(Objects.requireNonNullElse(details.teacherEmail(), "")),
                settings.canSend(),
                WorkDetail.TakesView.of(Enclosures.ANY),
                drafts);
    }

    @Transactional(rollbackFor = IOException.class)
    public MessageView send(Writer writer, About about, MessageForm form, List<Upload> files) throws IOException {
        if (!settings.canSend()) {
            throw Refusal.conflict(
                    "No mail server is set up here",
                    "Copy the message and send it yourself; or set navlo.mail.host where Navlo runs.");
        }
        if (messages.writtenSince(writer.person(), clock.instant().minus(AN_HOUR)) >= MOST_AN_HOUR) {
            throw Refusal.of(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "That is many letters in an hour",
                    "",
                    "Nothing was sent. Your text is still here: send it a little later.");
        }
        if (form.receipt() != null
                && (about.work() == null || !sights.of(writer.student()).words())) {
            throw Refusal.invalid("receipt", "No receipt can go with this message. Leave it out.");
        }
        List<StoredFile> along = enclosures.keep(writer.student(), files);
        String asked = "message " + about + List.of(form.to(), form.subject(), form.body()) + form.receipt() + along;
        return once.run(
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), asked, clock.instant()),
                MessageView.class,
                () -> sendNow(writer, about, form, along));
    }

    /** @param title of what it is about */
    private record Topic(Course course, @Nullable Long work, String title) {}

    private Topic topic(long student, About about, Instant now) {
        if (about.work() != null) {
            Board.Entry entry = boards.one(student, about.work(), now);
            return new Topic(
                    entry.course(), about.work(), entry.work().definition().title());
        }
        Course course = course(boards.read(student, ZoneOffset.UTC, now), Objects.requireNonNull(about.course()));
        return new Topic(course, null, course.details().name());
    }

    private MessageView sendNow(Writer writer, About about, MessageForm form, List<StoredFile> along) {
        Instant now = clock.instant();
        Topic topic = topic(writer.student(), about, now);
        String teacher = Objects.requireNonNullElse(topic.course().details().teacher(), form.to());
        long change = changes.add(new Changes.NewChange(
                writer.student(),
                writer.person(),
                ChangeKind.MESSAGE,
                now,
                Changes.TYPED_IN,
                "Wrote to " + teacher + " about " + topic.title()));
        long id = messages.add(new OutgoingMessages.NewMessage(
                writer.student(),
                writer.person(),
                topic.course().id(),
                topic.work(),
                change,
                now,
                teacher,
                form.to().strip(),
                form.subject().strip(),
                form.body().strip(),
                withReceipt(writer.student(), topic.work(), form.receipt(), along)));
        live.changed(writer.student());
        return view(messages.find(id).orElseThrow(), writer.person(), messages.filesOf(id));
    }

    private List<StoredFile> withReceipt(
            long student, @Nullable Long work, @Nullable Long receipt, List<StoredFile> along) {
        List<StoredFile> all = new ArrayList<>();
        if (receipt != null && work != null) {
            all.add(receipts.keep(student, work, receipt));
        }
        all.addAll(along);
        return all;
    }

    @ReadBoard
    public List<MessageView> all(long student, long reader) {
        Map<Long, List<StoredFile>> along = messages.files(student);
        return messages.of(student).stream()
                .map(message -> view(message, reader, along.getOrDefault(message.id(), List.of())))
                .toList();
    }

    /** Puts down what the teacher answered: mail comes to its writer, who alone knows. */
    @Transactional
    public MessageView answered(Writer writer, long id, String words) {
        changes.lock(writer.student());
        OutgoingMessages.OutgoingMessage message = messages.find(id)
                .filter(any -> any.student() == writer.student())
                .orElseThrow(() -> Refusal.notFound("message"));
        if (!Objects.equals(message.from(), writer.person())) {
            throw Refusal.conflict("Somebody else wrote this message", "Whoever wrote it puts down its answer.");
        }
        messages.answered(id, words.isBlank() ? null : words.strip(), clock.instant());
        live.changed(writer.student());
        return view(messages.find(id).orElseThrow(), writer.person(), messages.filesOf(id));
    }

    private static MessageView view(OutgoingMessages.OutgoingMessage message, long reader, List<StoredFile> along) {
        Sending sending = message.sentAt() != null
                ? Sending.SENT
                : message.nextTry() != null ? Sending.WAITING : Sending.GIVEN_UP;
        return new MessageView(
                message.id(),
                message.course(),
                message.work(),
                message.at(),
                Objects.equals(message.from(), message.student()),
                Objects.equals(message.from(), reader),
                message.fromName(),
                message.toName(),
                message.toAddress(),
                message.subject(),
                message.body(),
                sending,
                message.fault(),
                along.stream()
                        .map(file -> new SaidView.EnclosedView(file.name(), file.size()))
                        .toList(),
                message.school() == null ? null : message.school() + ", " + message.schoolNumber(),
                message.answer() == null
                        ? null
                        : new MessageView.ReplyView(
                                message.answer().words(), message.answer().at()));
    }
}
