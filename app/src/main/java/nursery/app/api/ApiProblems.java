package nursery.app.api;

import java.net.URI;
import java.util.List;
import java.util.Map;
import nursery.core.measure.Fault;
import nursery.core.measure.InvalidInput;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;

/** Every answer that is not a result is a problem document (RFC 9457); {@code errors} names every wrong field. */
@RestControllerAdvice(annotations = RestController.class)
class ApiProblems extends ResponseEntityExceptionHandler {

    @ExceptionHandler(InvalidInput.class)
    ProblemDetail invalid(InvalidInput invalid) {
        return problem(
                "The request has %d wrong field(s).".formatted(invalid.faults().size()), invalid.faults());
    }

    @Override
    protected ResponseEntity<Object> handleHttpMessageNotReadable(
            HttpMessageNotReadableException unreadable,
            HttpHeaders headers,
            HttpStatusCode status,
            WebRequest request) {
        ProblemDetail problem = problem(
                "The request body is not the JSON object this address expects.",
                List.of(new Fault(
                        "", "The body is missing, not JSON, or not of the expected shape: see /v3/api-docs.")));
        return ResponseEntity.badRequest().body(problem);
    }

    @ExceptionHandler(ResponseStatusException.class)
    ProblemDetail status(ResponseStatusException refused) {
        return refused.getBody();
    }

    private static ProblemDetail problem(String detail, List<Fault> faults) {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(HttpStatus.BAD_REQUEST, detail);
        problem.setType(URI.create("about:blank"));
        problem.setTitle("Bad input");
        problem.setProperty(
                "errors",
                faults.stream()
                        .map(fault -> Map.of("field", fault.field(), "message", fault.message()))
                        .toList());
        return problem;
    }
}
