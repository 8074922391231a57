package app.navlo.school.mail;

import jakarta.mail.BodyPart;
import jakarta.mail.Message;
import jakarta.mail.MessagingException;
import jakarta.mail.Multipart;
import jakarta.mail.Part;
import jakarta.mail.Session;
import jakarta.mail.internet.MimeMessage;
import jakarta.mail.internet.MimeUtility;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UnsupportedEncodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Properties;
import org.jspecify.annotations.Nullable;

/**
 * One letter that arrived.
 *
 * @param number from 1, in the order of arrival
 * @param to as the envelope has it
 * @param from as the letter says; empty where it doesn't
 * @param replyTo as the letter says; empty where it doesn't
 * @param date as the letter says; empty where it doesn't
 * @param stop where a press stops letters of this kind (RFC 8058); empty where it offers none
 * @param text the plain words; empty where there are none
 * @param files the names of what came with it
 */
public record Letter(
        int number,
        String to,
        String from,
        String replyTo,
        String date,
        String subject,
        String stop,
        String text,
        List<String> files) {
    public Letter {
        files = List.copyOf(files);
    }

    /** What can't be read as a letter is kept as it came. */
    static Letter read(int number, String to, byte[] raw) {
        try {
            MimeMessage message = new MimeMessage(Session.getInstance(new Properties()), new ByteArrayInputStream(raw));
            return new Letter(
                    number,
                    to,
                    header(message, "From"),
                    header(message, "Reply-To"),
                    header(message, "Date"),
                    header(message, "Subject"),
                    header(message, "List-Unsubscribe").replaceAll("[<>]", ""),
                    text(message),
                    files(message));
        } catch (MessagingException | IOException e) {
            return new Letter(
                    number, to, "", "", "", "(can't be read)", "", new String(raw, StandardCharsets.UTF_8), List.of());
        }
    }

    private static String header(Message message, String name) throws MessagingException {
        String[] values = message.getHeader(name);
        return values == null ? "" : decoded(values[0]);
    }

    private static String decoded(String value) {
        try {
            return MimeUtility.decodeText(MimeUtility.unfold(value));
        } catch (UnsupportedEncodingException e) {
            return value;
        }
    }

    private static String text(Part part) throws MessagingException, IOException {
        Object content = part.getContent();
        if (content instanceof Multipart parts) {
            for (int i = 0; i < parts.getCount(); i++) {
                String found = plain(parts.getBodyPart(i));
                if (found != null) {
                    return found;
                }
            }
            return "";
        }
        return String.valueOf(content);
    }

    private static List<String> files(Part part) throws MessagingException, IOException {
        List<String> names = new ArrayList<>();
        if (part.getContent() instanceof Multipart parts) {
            for (int i = 0; i < parts.getCount(); i++) {
                names.addAll(files(parts.getBodyPart(i)));
            }
        } else if (part.getFileName() != null) {
            names.add(decoded(part.getFileName()));
        }
        return names;
    }

    private static @Nullable String plain(BodyPart part) throws MessagingException, IOException {
        return part.isMimeType("text/plain") || part.isMimeType("multipart/*") ? text(part) : null;
    }
}
