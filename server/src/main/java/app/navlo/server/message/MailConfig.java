package app.navlo.server.message;

import app.navlo.school.mail.MailBox;
import java.io.IOException;
import java.util.Properties;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.mail.javamail.JavaMailSenderImpl;

/**
 * The mail server of {@code navlo.mail.*}; in the demo, where none is set, a stand-in on this machine. Decided when the
 * server starts, not when it is built.
 */
@Configuration(proxyBeanMethods = false)
class MailConfig {
    private static final String TIMEOUT = "10000";

    /** Holds the stand-in, where there is one, and closes it with the server. */
    record StandIn(@Nullable MailBox box) implements AutoCloseable {
        @Override
        public void close() {
            if (box != null) {
                box.close();
            }
        }
    }

    @Bean
    StandIn standIn(
            @Value("${navlo.demo:false}") boolean demo,
            @Value("${navlo.mail.host:}") String host,
            @Value("${navlo.demo.mail-page:0}") int pagePort)
            throws IOException {
        return new StandIn(demo && host.isBlank() ? open(pagePort) : null);
    }

    private static MailBox open(int pagePort) throws IOException {
        try {
            return MailBox.open(0, pagePort);
        } catch (IOException taken) {
            return MailBox.open(0, 0);
        }
    }

    @Bean
    MailSettings mailSettings(
            StandIn standIn,
            @Value("${navlo.mail.host:}") String host,
            @Value("${navlo.mail.port:587}") int port,
            @Value("${navlo.mail.user:}") String user,
            @Value("${navlo.mail.password:}") String password,
            @Value("${navlo.mail.start-tls:true}") boolean startTls,
            @Value("${navlo.mail.from:navlo@localhost}") String from) {
        MailBox box = standIn.box();
        if (box != null) {
            return new MailSettings("localhost", box.smtpPort(), null, null, false, from, box.address());
        }
        return new MailSettings(
                host.isBlank() ? null : host, port, user.isBlank() ? null : user, password, startTls, from, null);
    }

    @Bean
    JavaMailSenderImpl mailSender(MailSettings settings) {
        JavaMailSenderImpl sender = new JavaMailSenderImpl();
        sender.setHost(settings.host());
        sender.setPort(settings.port());
        sender.setUsername(settings.user());
        sender.setPassword(settings.password());
        sender.setDefaultEncoding("UTF-8");
        Properties properties = sender.getJavaMailProperties();
        properties.put("mail.smtp.auth", settings.user() != null);
        properties.put("mail.smtp.starttls.enable", settings.startTls());
        properties.put("mail.smtp.starttls.required", settings.startTls());
        properties.put("mail.smtp.connectiontimeout", TIMEOUT);
        properties.put("mail.smtp.timeout", TIMEOUT);
        properties.put("mail.smtp.writetimeout", TIMEOUT);
        return sender;
    }
}
