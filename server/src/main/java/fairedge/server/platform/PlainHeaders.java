package fairedge.server.platform;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;

/**
 * What every reply forbids, also one that the container gives by itself because a request made no
 * sense to it. Whatever the application says for itself stands in its place.
 */
final class PlainHeaders extends ValveBase {

  PlainHeaders() {
    super(true);
  }

  @Override
  public void invoke(Request request, Response response) throws IOException, ServletException {
    response.setHeader(
        "Content-Security-Policy", "default-src 'none'; base-uri 'none'; frame-ancestors 'none'");
    response.setHeader("X-Content-Type-Options", "nosniff");
    response.setHeader("X-Frame-Options", "DENY");
    response.setHeader("Referrer-Policy", "same-origin");
    getNext().invoke(request, response);
  }
}
