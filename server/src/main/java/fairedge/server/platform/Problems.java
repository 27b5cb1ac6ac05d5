package fairedge.server.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Objects;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.HttpStatusCode;
import org.springframework.http.ProblemDetail;
import org.springframework.http.ResponseEntity;
import org.springframework.http.converter.HttpMessageNotReadableException;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.AuthenticationException;
import org.springframework.util.unit.DataSize;
import org.springframework.web.bind.MethodArgumentNotValidException;
import org.springframework.web.bind.annotation.ExceptionHandler;
import org.springframework.web.bind.annotation.RestControllerAdvice;
import org.springframework.web.context.request.WebRequest;
import org.springframework.web.multipart.MaxUploadSizeExceededException;
import org.springframework.web.multipart.MultipartException;
import org.springframework.web.servlet.mvc.method.annotation.ResponseEntityExceptionHandler;
import org.springframework.web.util.DisconnectedClientHelper;

/** The one place where an error becomes a problem detail. Never a stack trace in a reply. */
@RestControllerAdvice
class Problems extends ResponseEntityExceptionHandler {
  private static final Logger log = LoggerFactory.getLogger(Problems.class);

  private final DataSize fileLimit;

  Problems(@Value("${fair-edge.limits.file}") DataSize fileLimit) {
    this.fileLimit = fileLimit;
  }

  @ExceptionHandler(Problem.class)
  ResponseEntity<ProblemDetail> problem(Problem problem) {
    ProblemDetail detail =
        ProblemDetail.forStatusAndDetail(
            problem.kind().status(), String.valueOf(problem.getMessage()));
    detail.setTitle(problem.kind().title());
    problem.details().forEach(detail::setProperty);
    return ResponseEntity.status(problem.kind().status()).body(detail);
  }

  /** The parts of a request can't be told apart, or did not all come. */
  @ExceptionHandler(MultipartException.class)
  @Nullable ResponseEntity<ProblemDetail> parts(
      MultipartException broken, HttpServletRequest request) {
    if (Trouble.of(broken) != null) {
      return bug(broken, request);
    }
    boolean isSlow = isBecauseOf(broken, BodyPace.TooSlow.class);
    HttpStatus status = isSlow ? HttpStatus.REQUEST_TIMEOUT : HttpStatus.BAD_REQUEST;
    ProblemDetail detail =
        ProblemDetail.forStatusAndDetail(
            status,
            isSlow
                ? "The file came in too slowly to be waited for. Try again on a better line."
                : "The request did not come through in full, or does not say where its parts end.");
    detail.setTitle(Problem.Kind.BAD_INPUT.title());
    return ResponseEntity.status(status).body(detail);
  }

  private static boolean isBecauseOf(Throwable thrown, Class<? extends Throwable> cause) {
    return Stream.iterate(thrown, Objects::nonNull, Throwable::getCause)
        .anyMatch(cause::isInstance);
  }

  @ExceptionHandler({AuthenticationException.class, AccessDeniedException.class})
  void security(RuntimeException denied) {
    throw denied;
  }

  @ExceptionHandler(Exception.class)
  @Nullable ResponseEntity<ProblemDetail> bug(Exception bug, HttpServletRequest request) {
    if (DisconnectedClientHelper.isClientDisconnectedException(bug)) {
      // Who asked has gone on to another page: there is nobody to answer.
      return null;
    }
    String id = MDC.get(RequestLog.KEY);
    Trouble trouble = Trouble.of(bug);
    if (trouble != null) {
      log.error("request {} {}: {}", request.getMethod(), request.getRequestURI(), trouble, bug);
      ProblemDetail detail = ProblemDetail.forStatusAndDetail(trouble.status(), trouble.words());
      detail.setTitle(trouble.title());
      return ResponseEntity.status(trouble.status()).body(detail);
    }
    log.error("request {} {} failed", request.getMethod(), request.getRequestURI(), bug);
    ProblemDetail detail =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.INTERNAL_SERVER_ERROR,
            "Something went wrong on our side; nothing that was confirmed is lost. Request " + id);
    detail.setTitle("Our mistake");
    return ResponseEntity.internalServerError().body(detail);
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleMaxUploadSizeExceededException(
      MaxUploadSizeExceededException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    ProblemDetail detail =
        ProblemDetail.forStatusAndDetail(
            HttpStatus.CONTENT_TOO_LARGE,
            "This file is over the limit of " + fileLimit.toMegabytes() + " MB.");
    detail.setTitle(Problem.Kind.BAD_FILE.title());
    detail.setProperty("line", 0);
    detail.setProperty("found", "a larger file");
    detail.setProperty("expected", "at most " + fileLimit.toMegabytes() + " MB");
    return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE).body(detail);
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleHttpMessageNotReadable(
      HttpMessageNotReadableException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    if (isBecauseOf(e, BodyLimit.TooLong.class)) {
      ProblemDetail detail =
          ProblemDetail.forStatusAndDetail(
              HttpStatus.CONTENT_TOO_LARGE, "This request is too long.");
      return ResponseEntity.status(HttpStatus.CONTENT_TOO_LARGE).body(detail);
    }
    return super.handleHttpMessageNotReadable(e, headers, status, request);
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleMethodArgumentNotValid(
      MethodArgumentNotValidException e,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    String fields =
        e.getBindingResult().getFieldErrors().stream()
            .map(f -> f.getField() + " " + f.getDefaultMessage())
            .sorted()
            .collect(Collectors.joining(", "));
    ProblemDetail detail =
        ProblemDetail.forStatusAndDetail(
            status, "The request could not be understood: " + fields + ".");
    detail.setTitle(Problem.Kind.BAD_INPUT.title());
    return ResponseEntity.status(status).body(detail);
  }

  @Override
  protected @Nullable ResponseEntity<Object> handleExceptionInternal(
      Exception e,
      @Nullable Object body,
      HttpHeaders headers,
      HttpStatusCode status,
      WebRequest request) {
    if (status.value() == 400 && body instanceof ProblemDetail detail) {
      // What the parser says names classes of ours; what is wrong is enough.
      detail.setDetail("The request could not be understood: check its fields and their values.");
    }
    return super.handleExceptionInternal(e, body, headers, status, request);
  }
}
