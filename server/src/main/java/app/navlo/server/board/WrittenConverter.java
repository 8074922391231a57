package app.navlo.server.board;

import java.io.IOException;
import java.io.StringReader;
import java.util.List;
import java.util.Objects;
import org.apache.tomcat.util.http.parser.AcceptEncoding;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpInputMessage;
import org.springframework.http.HttpOutputMessage;
import org.springframework.http.MediaType;
import org.springframework.http.converter.AbstractHttpMessageConverter;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/** Sends what is written already: compressed to who takes that, as browsers do. */
@Component
class WrittenConverter extends AbstractHttpMessageConverter<Written<?>> {
    private static final String GZIP = "gzip";

    WrittenConverter() {
        super(MediaType.APPLICATION_JSON);
    }

    @Override
    protected boolean supports(Class<?> type) {
        return type == Written.class;
    }

    @Override
    public boolean canRead(Class<?> type, @Nullable MediaType media) {
        return false;
    }

    @Override
    protected Written<?> readInternal(Class<? extends Written<?>> type, HttpInputMessage message) {
        throw new HttpMessageNotReadableException("nothing is read so", message);
    }

    @Override
    protected void writeInternal(Written<?> answer, HttpOutputMessage message) throws IOException {
        message.getHeaders().setVary(List.of(HttpHeaders.ACCEPT_ENCODING));
        byte[] body;
        if (takesGzip()) {
            message.getHeaders().set(HttpHeaders.CONTENT_ENCODING, GZIP);
            body = answer.gzip();
        } else {
            body = answer.plain();
        }
        message.getHeaders().setContentLength(body.length);
        message.getBody().write(body);
    }

    private static boolean takesGzip() throws IOException {
        if (!(RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes request)) {
            return false;
        }
        String taken = Objects.requireNonNullElse(request.getRequest().getHeader(HttpHeaders.ACCEPT_ENCODING), "");
        return AcceptEncoding.parse(new StringReader(taken)).stream()
                .anyMatch(one -> one.getEncoding().equals(GZIP) && one.getQuality() > 0);
    }
}
