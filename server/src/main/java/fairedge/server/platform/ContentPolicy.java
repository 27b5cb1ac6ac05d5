package fairedge.server.platform;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.security.SecureRandom;
import java.util.Base64;
import org.springframework.security.web.header.HeaderWriter;

/**
 * What a page of ours may load and run: its own scripts and styles, and such style elements as
 * carry the token of this very reply (widgets of the front end make them).
 */
final class ContentPolicy implements HeaderWriter {
  private static final String TOKEN = ContentPolicy.class.getName() + ".token";
  private static final SecureRandom RANDOM = new SecureRandom();
  private static final String POLICY =
      "default-src 'self'; img-src 'self' data: blob:; style-src 'self'%s; object-src 'none';"
          + " base-uri 'self'; form-action 'self'; frame-ancestors 'none'";

  /** A token for the style elements of the page with which this request is answered. */
  static String tokenFor(HttpServletRequest request) {
    byte[] bytes = new byte[18];
    RANDOM.nextBytes(bytes);
    String token = Base64.getUrlEncoder().encodeToString(bytes);
    request.setAttribute(TOKEN, token);
    return token;
  }

  @Override
  public void writeHeaders(HttpServletRequest request, HttpServletResponse response) {
    Object token = request.getAttribute(TOKEN);
    String styles = token == null ? "" : " 'nonce-" + token + "'";
    response.setHeader("Content-Security-Policy", POLICY.formatted(styles));
  }
}
