package app.navlo.school.mail;

import static org.testng.Assert.assertEquals;
import static org.testng.Assert.assertFalse;
import static org.testng.Assert.assertTrue;
import static org.testng.Assert.expectThrows;

import jakarta.mail.Message;
import jakarta.mail.Session;
import jakarta.mail.Transport;
import jakarta.mail.internet.InternetAddress;
import jakarta.mail.internet.MimeMessage;
import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.Properties;
import org.testng.annotations.AfterClass;
import org.testng.annotations.BeforeClass;
import org.testng.annotations.Test;

/** Real mail goes in over SMTP and is read on the page. */
public class MailBoxTest {
    private MailBox box;

    @BeforeClass
    public void open() throws IOException {
        box = MailBox.open(0, 0);
    }

    @AfterClass
    public void close() {
        box.close();
    }

    private void send(String subject, String text) throws Exception {
        Properties properties = new Properties();
        properties.put("mail.smtp.host", "localhost");
        properties.put("mail.smtp.port", box.smtpPort());
        MimeMessage message = new MimeMessage(Session.getInstance(properties));
        message.setFrom(new InternetAddress("navlo@localhost", "Mira Sølheim"));
        message.setRecipient(Message.RecipientType.TO, new InternetAddress("teacher@school.example"));
        message.setSubject(subject, "UTF-8");
        message.setText(text, "UTF-8");
        Transport.send(message);
    }

    private HttpResponse<String> page(String path) throws Exception {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(box.address()).resolve(path))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
    }

    @Test
    public void aLetterIsKeptWithItsWordsWhateverItsLetters() throws Exception {
        send("Prøve: «æøå»", "Første linje\nog anden – færdig.");
        Letter letter = box.letters().get(box.letters().size() - 1);
        assertEquals(letter.subject(), "Prøve: «æøå»");
        assertTrue(letter.text().contains("og anden – færdig."), letter.text());
        assertTrue(letter.from().contains("Mira Sølheim"), letter.from());
        assertEquals(letter.to(), "teacher@school.example");
        assertTrue(page("/").body().contains("Prøve"));
    }

    @Test
    public void aScriptInALetterIsOnlyText() throws Exception {
        send("<script>alert(1)</script>", "<img src=x onerror=alert(2)>");
        Letter letter = box.letters().get(box.letters().size() - 1);
        HttpResponse<String> page = page("/" + letter.number());
        assertEquals(page.statusCode(), 200);
        assertFalse(page.body().contains("<script>"), page.body());
        assertFalse(page.body().contains("<img"), page.body());
        assertTrue(page.body().contains("&lt;script&gt;"));
    }

    @Test
    public void whatIsNoLetterOfItsOwnIsNotFound() throws Exception {
        assertEquals(page("/9999").statusCode(), 404);
        assertEquals(page("/..%2fetc").statusCode(), 404);
    }

    @Test
    public void aTakenPortIsSaidSo() {
        IOException taken = expectThrows(IOException.class, () -> MailBox.open(box.smtpPort(), 0));
        assertTrue(String.valueOf(taken.getMessage()).contains(Integer.toString(box.smtpPort())));
    }

    @Test
    public void bytesThatAreNoMailAreKeptAsTheyCame() {
        assertEquals(Letter.read(1, "a@b.example", "hello".getBytes()).to(), "a@b.example");
    }
}
