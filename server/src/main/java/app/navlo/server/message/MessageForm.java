package app.navlo.server.message;

import app.navlo.server.files.Enclosures;
import app.navlo.server.problem.OneLine;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.multipart.MultipartFile;

/**
 * @param receipt the hand-in whose receipt goes with it as a file; null for none
 * @param files that go with it beside; null for none
 */
public record MessageForm(
        @NotBlank(message = "Type the teacher's address.")
        @Email(message = "This isn't an e-mail address; one looks like name@example.org.")
        @Size(max = 254, message = "At most 254 letters.")
        String to,

        @NotBlank(message = "Give it a subject.") @Size(max = 200, message = "At most 200 letters.") @OneLine
        String subject,

        @NotBlank(message = "Write the message first.") @Size(max = 20_000, message = "At most 20000 letters.")
        String body,

        @Nullable Long receipt,

        @Nullable @Size(max = Enclosures.MOST, message = "At most 6 files go with a message. Leave some out.")
        List<MultipartFile> files) {}
