package fairedge.server.platform;

import jakarta.servlet.RequestDispatcher;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.boot.webmvc.error.ErrorController;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.RequestMapping;

/**
 * What is refused before any controller is reached is a problem detail too, whatever sort of reply
 * was asked for.
 */
@Controller
class OtherErrors implements ErrorController {

  @RequestMapping("/error")
  void report(HttpServletRequest request, HttpServletResponse response) throws IOException {
    HttpStatus status = statusOf(request.getAttribute(RequestDispatcher.ERROR_STATUS_CODE));
    Security.write(
        response,
        status,
        status.is5xxServerError()
            ? "Something went wrong on our side; nothing that was confirmed is lost."
            : status == HttpStatus.NOT_FOUND
                ? "There is nothing at this address."
                : "The request could not be understood.");
  }

  /** Asked for by its own address, it is the address of nothing. */
  private static HttpStatus statusOf(Object told) {
    HttpStatus status = told instanceof Integer code ? HttpStatus.resolve(code) : null;
    return status == null ? HttpStatus.NOT_FOUND : status;
  }
}
