package app.navlo.server.problem;

import app.navlo.core.check.IllegalInput;
import app.navlo.server.page.Page;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Objects;
import java.util.stream.Collectors;
import org.apache.catalina.connector.ClientAbortException;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.dao.DataAccessException;
import org.springframework.dao.PessimisticLockingFailureException;
import org.springframework.dao.QueryTimeoutException;
import org.springframework.http.CacheControl;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.ServletWebRequest;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.servlet.resource.NoResourceFoundException;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DatabindException;
import tools.jackson.databind.exc.UnrecognizedPropertyException;
import tools.jackson.databind.json.JsonMapper;

/** Writes every fault as problem details with a list of {@code faults}: field and message. */
@Component
@RestControllerAdvice
public class Problems extends ResponseEntityExceptionHandler {
    private static final Logger LOG = LoggerFactory.getLogger(Problems.class);
    private static final String RETRY_SECONDS = "2";

    private final JsonMapper json;
    private final ApplicationEventPublisher events;
    private final Page page;

    Problems(JsonMapper json, ApplicationEventPublisher events, Page page) {
        this.events = events;
        this.json = json;
        this.page = page;
    }

    /** Puts down that the data can't be reached, for who can do something about it. */
    public Refusal outOfReach(Throwable fault) {
        LOG.error("the data are out of reach: {}", String.valueOf(fault.getMessage()));
        events.publishEvent(new OutOfReach.Met());
        return OutOfReach.refusal(fault);
    }

    public static ProblemDetail detail(Refusal refusal) {
        ProblemDetail problem = detail(refusal.status(), refusal.title(), refusal.faults());
        if (refusal.there() != null) {
            problem.setProperty("there", refusal.there());
        }
        return problem;
    }

    private static ProblemDetail detail(HttpStatusCode status, String title, List<Refusal.Fault> faults) {
        ProblemDetail problem = ProblemDetail.forStatus(status);
        problem.setTitle(title);
        problem.setDetail(faults.isEmpty() ? title : faults.get(0).message());
        problem.setProperty("faults", faults);
        return problem;
    }

    /** For filters, which stand before the controllers. */
    public void write(HttpServletResponse response, Refusal refusal) throws IOException {
        response.setStatus(refusal.status().value());
        if (refusal.status().equals(HttpStatus.SERVICE_UNAVAILABLE)) {
            response.setHeader(HttpHeaders.RETRY_AFTER, RETRY_SECONDS);
        }
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        json.writeValue(response.getOutputStream(), detail(refusal));
    }

    /** Whoever reads pages gets the page, which says that there is nothing there. */
    @Override
    protected @Nullable ResponseEntity<Object> handleNoResourceFoundException(
            NoResourceFoundException none, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        String accepts = request.getHeader(HttpHeaders.ACCEPT);
        boolean reads = accepts != null && accepts.contains(MediaType.TEXT_HTML_VALUE);
        if (!reads || none.getResourcePath().startsWith("api/")) {
            return super.handleNoResourceFoundException(none, headers, status, request);
        }
        return ResponseEntity.status(status)
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .cacheControl(CacheControl.noCache())
                .body(page.written(((ServletWebRequest) request).getRequest()));
    }

    @ExceptionHandler(Refusal.class)
    ResponseEntity<ProblemDetail> refused(Refusal refusal) {
        return ResponseEntity.status(refusal.status()).body(detail(refusal));
    }

    /** Somebody else writes the same for very long. */
    @ExceptionHandler({PessimisticLockingFailureException.class, QueryTimeoutException.class})
    ResponseEntity<ProblemDetail> busy(DataAccessException busy) {
        return refused(Refusal.of(
                HttpStatus.SERVICE_UNAVAILABLE,
                "Something else is being written just now",
                "",
                "Nothing was changed. Try again in a moment."));
    }

    /** What the core won't take, all of it at once. */
    @ExceptionHandler(IllegalInput.class)
    ResponseEntity<ProblemDetail> illegal(IllegalInput wrong) {
        return refused(Refusal.invalid(wrong.problems().stream()
                .map(problem -> Refusal.Fault.of(problem.field(), problem.rule()))
                .toList()));
    }

    @Override
    protected ResponseEntity<Object> handleMethodArgumentNotValid(
            MethodArgumentNotValidException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        List<Refusal.Fault> faults = e.getBindingResult().getFieldErrors().stream()
                .map(error -> new Refusal.Fault(
                        error.getField(),
                        error.isBindingFailure()
                                ? "This can't be read. Write it as the field asks for it."
                                : String.valueOf(error.getDefaultMessage())))
                .toList();
        return ResponseEntity.status(HttpStatus.UNPROCESSABLE_CONTENT).body(detail(Refusal.invalid(faults)));
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        BodyRefused refused = BodyRefused.in(e);
        if (refused != null) {
            return ResponseEntity.status(refused.refusal().status()).body(detail(refused.refusal()));
        }
        return ResponseEntity.status(status)
                .body(detail(status, "The request can't be read", List.of(fault(e.getCause()))));
    }

    /** What of a request can't be read, as exactly as is known. */
    private static Refusal.Fault fault(@Nullable Throwable cause) {
        if (!(cause instanceof DatabindException wrong)) {
            return new Refusal.Fault("", "The request can't be read. Reload the page and try again.");
        }
        String field = wrong.getPath().stream()
                .map(JacksonException.Reference::getPropertyName)
                .filter(Objects::nonNull)
                .collect(Collectors.joining("."));
        return new Refusal.Fault(
                field,
                wrong instanceof UnrecognizedPropertyException
                        ? "There is no field of this name. Leave it out, or write it as the description of the interface has it."
                        : "This can't be read. Write it as the field asks for it.");
    }

    /** Files and fields that came other than a form brings them. */
    @ExceptionHandler(MultipartException.class)
    ResponseEntity<ProblemDetail> noForm(MultipartException wrong) {
        BodyRefused slow = BodyRefused.in(wrong);
        if (slow != null) {
            return refused(slow.refusal());
        }
        return refused(Refusal.of(
                HttpStatus.BAD_REQUEST,
                "The request can't be read",
                "",
                "The files didn't arrive whole. Choose them anew and send them again."));
    }

    /** What nobody thought of. The log has it whole, under the number that the answer names. */
    @ExceptionHandler(Exception.class)
    @Nullable
    ResponseEntity<ProblemDetail> broken(Exception broken, WebRequest request) {
        if (broken instanceof AccessDeniedException denied) {
            throw denied;
        }
        if (broken instanceof ClientAbortException) {
            return null;
        }
        if (OutOfReach.in(broken)) {
            return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                    .header(HttpHeaders.RETRY_AFTER, RETRY_SECONDS)
                    .body(detail(outOfReach(broken)));
        }
        LOG.error("{} couldn't be answered", request.getDescription(false), broken);
        ProblemDetail problem = detail(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Something broke here",
                List.of(new Refusal.Fault(
                        "", "Nothing was changed. Try again; if it stays, say the number of this request.")));
        problem.setProperty("request", MDC.get(RequestNumber.KEY));
        return ResponseEntity.status(HttpStatus.INTERNAL_SERVER_ERROR).body(problem);
    }

    @Override
    protected ResponseEntity<Object> handleMaxUploadSizeExceededException(
            MaxUploadSizeExceededException e, HttpHeaders headers, HttpStatusCode status, WebRequest request) {
        Refusal refusal = Refusal.tooLarge("The file is larger than this server takes. Make it smaller or split it.");
        return ResponseEntity.status(refusal.status()).body(detail(refusal));
    }
}
