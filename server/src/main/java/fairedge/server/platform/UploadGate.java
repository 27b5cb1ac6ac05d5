package fairedge.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.util.unit.DataSize;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses files before a byte of them is read: whoever is not signed in, names no token in a
 * header, or says of a body that it is over the limit. Looking for the token among the parts of the
 * body, as is usual, would write all of it to disk first.
 */
final class UploadGate extends OncePerRequestFilter {
  private final DataSize limit;

  UploadGate(DataSize limit) {
    this.limit = limit;
  }

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    String type = request.getContentType();
    return type == null || !type.toLowerCase(Locale.ROOT).startsWith("multipart/");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    if (who == null || who instanceof AnonymousAuthenticationToken || !who.isAuthenticated()) {
      refuse(response, HttpStatus.UNAUTHORIZED, "Sign in first.");
    } else if (request.getHeader("X-XSRF-TOKEN") == null) {
      refuse(response, HttpStatus.FORBIDDEN, "This request is not allowed.");
    } else if (request.getContentLengthLong() < 0) {
      refuse(response, HttpStatus.LENGTH_REQUIRED, "Say how long the file is.");
    } else if (request.getContentLengthLong() > limit.toBytes()) {
      refuse(
          response,
          HttpStatus.CONTENT_TOO_LARGE,
          "This file is over the limit of " + limit.toMegabytes() + " MB.");
    } else {
      chain.doFilter(request, response);
    }
  }

  private static void refuse(HttpServletResponse response, HttpStatus status, String words)
      throws IOException {
    // What is on its way yet is not waited for.
    response.setHeader("Connection", "close");
    Security.write(response, status, words);
  }
}
