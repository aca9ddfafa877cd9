package nursery.app.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.net.URI;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.dao.DataAccessException;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.stereotype.Component;
import org.springframework.web.ErrorResponse;
import org.springframework.web.context.request.async.AsyncRequestNotUsableException;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.HandlerExceptionResolver;
import org.springframework.web.servlet.ModelAndView;
import tools.jackson.databind.json.JsonMapper;

/**
 * The one place where what went wrong becomes an answer. A program gets a problem document (RFC 9457) whose
 * {@code errors} names every wrong field; a person gets a page with a sentence. No library's own words are shown.
 */
@Component
class Troubles implements HandlerExceptionResolver, Ordered {

    private static final Logger LOG = LoggerFactory.getLogger(Troubles.class);

    private final JsonMapper json;

    Troubles(JsonMapper json) {
        this.json = json;
    }

    /** What is answered: a status, a sentence, and what is wrong with which field. */
    private record Answer(HttpStatusCode status, String detail, List<Fault> faults) {
        static Answer of(HttpStatus status, String detail) {
            return new Answer(status, detail, List.of());
        }
    }

    @Override
    public int getOrder() {
        return HIGHEST_PRECEDENCE;
    }

    @Override
    public @Nullable ModelAndView resolveException(
            HttpServletRequest request, HttpServletResponse response, @Nullable Object handler, Exception trouble) {
        if (trouble instanceof AsyncRequestNotUsableException) {
            // Whoever listened has left: there is nobody to answer, and nothing went wrong here.
            return new ModelAndView();
        }
        boolean program = request.getRequestURI().startsWith("/api/")
                || request.getRequestURI().startsWith("/scale/");
        Optional<Answer> answer = known(trouble, request);
        if (program) {
            write(answer.orElseGet(() -> unknown(trouble, request)), trouble, response);
            return new ModelAndView();
        }
        return answer.filter(found -> !(trouble instanceof ErrorResponse))
                .map(found -> page(found, response))
                .orElse(null);
    }

    private static Optional<Answer> known(Exception trouble, HttpServletRequest request) {
        if (trouble instanceof InvalidInput invalid) {
            return Optional.of(new Answer(
                    HttpStatus.BAD_REQUEST,
                    "The request has %d wrong field(s), and nothing was taken."
                            .formatted(invalid.faults().size()),
                    invalid.faults()));
        }
        Optional<String> outage = Outage.sentence(trouble);
        if (outage.isPresent()) {
            LOG.warn("{} {}: {}", request.getMethod(), request.getRequestURI(), outage.get());
            return outage.map(sentence -> Answer.of(HttpStatus.SERVICE_UNAVAILABLE, sentence));
        }
        if (trouble instanceof HttpMessageNotReadableException) {
            String detail = "The body is missing, not JSON, or not of the expected shape: see /v3/api-docs.";
            return Optional.of(new Answer(HttpStatus.BAD_REQUEST, detail, List.of(new Fault("", detail))));
        }
        if (trouble instanceof DataAccessException race) {
            return Races.sentence(race).map(sentence -> Answer.of(HttpStatus.CONFLICT, sentence));
        }
        if (!isMediaType(request.getContentType())) {
            return Optional.of(Answer.of(HttpStatus.UNSUPPORTED_MEDIA_TYPE, "That content type is none."));
        }
        if (trouble instanceof MaxUploadSizeExceededException) {
            return Optional.of(Answer.of(HttpStatus.CONTENT_TOO_LARGE, "That is larger than anything read here."));
        }
        if (trouble instanceof MultipartException) {
            return Optional.of(Answer.of(HttpStatus.BAD_REQUEST, "A form with a file was expected, and this is none."));
        }
        if (trouble instanceof ResponseStatusException ours && ours.getReason() != null) {
            return Optional.of(new Answer(ours.getStatusCode(), String.valueOf(ours.getReason()), List.of()));
        }
        return trouble instanceof ErrorResponse said
                ? Optional.of(new Answer(said.getStatusCode(), sentence(said.getStatusCode()), List.of()))
                : Optional.empty();
    }

    /** Whether a content type can be one: no wildcard, and of the right form. */
    private static boolean isMediaType(@Nullable String written) {
        if (written == null) {
            return true;
        }
        try {
            return MediaType.parseMediaType(written).isConcrete();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    private static Answer unknown(Exception trouble, HttpServletRequest request) {
        String word = Failures.note(request.getMethod(), request.getRequestURI(), trouble);
        return Answer.of(
                HttpStatus.INTERNAL_SERVER_ERROR,
                "Nursery could not do that; nothing was half-saved. The log has more under %s.".formatted(word));
    }

    private static String sentence(HttpStatusCode status) {
        return switch (status.value()) {
            case 404 -> "There is nothing at this address.";
            case 405 -> "This address does not take that method.";
            case 406 -> "This address answers in JSON only.";
            case 413 -> "That is larger than anything read here.";
            case 415 -> "This address does not read that content type.";
            default -> "The request is not what this address expects: see /v3/api-docs.";
        };
    }

    private void write(Answer answer, Exception trouble, HttpServletResponse response) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(answer.status(), answer.detail());
        problem.setType(URI.create("about:blank"));
        problem.setTitle(answer.status().value() == HttpStatus.BAD_REQUEST.value() ? "Bad input" : title(answer));
        if (!answer.faults().isEmpty()) {
            problem.setProperty(
                    "errors",
                    answer.faults().stream()
                            .map(fault -> Map.of("field", fault.field(), "message", fault.message()))
                            .toList());
        }
        HttpHeaders headers = trouble instanceof ErrorResponse said ? said.getHeaders() : new HttpHeaders();
        try {
            response.reset();
            headers.forEach((name, values) -> values.forEach(value -> response.addHeader(name, value)));
            response.setStatus(answer.status().value());
            response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
            response.getOutputStream().write(json.writeValueAsBytes(problem));
        } catch (IOException | IllegalStateException e) {
            LOG.debug("The answer was under way already", e);
        }
    }

    private static String title(Answer answer) {
        HttpStatus status = HttpStatus.resolve(answer.status().value());
        String name = status == null ? "Refused" : status.getReasonPhrase();
        return name.substring(0, 1).toUpperCase(Locale.ROOT) + name.substring(1);
    }

    private static ModelAndView page(Answer answer, HttpServletResponse response) {
        response.setStatus(answer.status().value());
        if (answer.status().value() == HttpStatus.SERVICE_UNAVAILABLE.value()) {
            boolean again = !answer.detail().equals(Outage.TOO_MUCH);
            return new ModelAndView("outage", Map.of("message", answer.detail(), "again", again), answer.status());
        }
        return new ModelAndView(
                "error", Map.of("status", answer.status().value(), "message", answer.detail()), answer.status());
    }
}
