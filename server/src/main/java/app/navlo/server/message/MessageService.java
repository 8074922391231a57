package app.navlo.server.message;

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
import app.navlo.server.store.StoredFile;
import app.navlo.server.time.ServerClock;
import app.navlo.server.workdetail.Receipts;
import app.navlo.server.workdetail.WorkDetail;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Drafts messages, stores what is sent, and says how far each has come. */
@Service
class MessageService {
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
            ServerClock clock) {
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
    public DraftsView drafts(long student, long work, String writer) {
        Board.Entry entry = boards.one(student, work, clock.instant());
        Course.Details course = entry.course().details();
        String address =
                messages.lastAddress(entry.course().id()).orElse(Objects.requireNonNullElse(course.teacherEmail(), ""));
        return new DraftsView(
                Objects.requireNonNullElse(course.teacher(), ""),
                address,
                settings.canSend(),
                WorkDetail.TakesView.of(Enclosures.ANY),
                MessageDraft.of(entry, entry.signals(), material.otherRecords(work, changes.undone(student)), writer));
    }

    @Transactional(rollbackFor = IOException.class)
    public MessageView send(Writer writer, long work, MessageForm form, List<Upload> files) throws IOException {
        if (!settings.canSend()) {
            throw Refusal.conflict(
                    "No mail server is set up here",
                    "Copy the message and send it yourself; or set navlo.mail.host where Navlo runs.");
        }
        if (form.subject().chars().anyMatch(Character::isISOControl)) {
            throw Refusal.invalid("subject", "A subject is one line. Take the line breaks out.");
        }
        List<StoredFile> along = enclosures.keep(files);
        String asked = "message " + work + List.of(form.to(), form.subject(), form.body()) + form.receipt() + along;
        return once.run(
                new WriteOnce.Once(writer.student(), writer.person(), writer.key(), asked, clock.instant()),
                MessageView.class,
                () -> sendNow(writer, work, form, along));
    }

    private MessageView sendNow(Writer writer, long work, MessageForm form, List<StoredFile> along) {
        Instant now = clock.instant();
        Board.Entry entry = boards.one(writer.student(), work, now);
        String teacher = Objects.requireNonNullElse(entry.course().details().teacher(), form.to());
        long change = changes.add(new Changes.NewChange(
                writer.student(),
                writer.person(),
                ChangeKind.MESSAGE,
                now,
                Changes.TYPED_IN,
                "Wrote to " + teacher + " about " + entry.work().definition().title()));
        long id = messages.add(new OutgoingMessages.NewMessage(
                writer.student(),
                writer.person(),
                entry.course().id(),
                work,
                change,
                now,
                teacher,
                form.to().strip(),
                form.subject().strip(),
                form.body().strip(),
                withReceipt(writer.student(), work, form.receipt(), along)));
        live.changed(writer.student());
        return view(messages.find(id).orElseThrow(), messages.filesOf(id));
    }

    private List<StoredFile> withReceipt(long student, long work, @Nullable Long receipt, List<StoredFile> along) {
        List<StoredFile> all = new ArrayList<>();
        if (receipt != null) {
            all.add(receipts.keep(student, work, receipt));
        }
        all.addAll(along);
        return all;
    }

    @ReadBoard
    public List<MessageView> all(long student) {
        Map<Long, List<StoredFile>> along = messages.files(student);
        return messages.of(student).stream()
                .map(message -> view(message, along.getOrDefault(message.id(), List.of())))
                .toList();
    }

    private static MessageView view(OutgoingMessages.OutgoingMessage message, List<StoredFile> along) {
        Sending sending = message.sentAt() != null
                ? Sending.SENT
                : message.nextTry() != null ? Sending.WAITING : Sending.GIVEN_UP;
        return new MessageView(
                message.id(),
                message.course(),
                message.work(),
                message.at(),
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
                message.school() == null ? null : message.school() + ", " + message.schoolNumber());
    }
}
