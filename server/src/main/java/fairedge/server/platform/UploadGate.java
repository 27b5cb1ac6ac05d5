package fairedge.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AnonymousAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.util.unit.DataSize;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Refuses files before a byte of them is read: whoever is not signed in, names no token in a
 * header, or says of a body that it is over the limit. Looking for the token among the parts of the
 * body, as is usual, would write all of it to disk first. Nobody sends more than a few at once.
 */
final class UploadGate extends OncePerRequestFilter {
  /** So many files of one account may be coming in at the same time. */
  private static final int MOST_AT_ONCE = 8;

  private final DataSize limit;
  private final Map<String, Integer> comingIn = new ConcurrentHashMap<>();

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
      receive(who.getName(), request, response, chain);
    }
  }

  private void receive(
      String account, HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    int count = comingIn.merge(account, 1, Integer::sum);
    try {
      if (count > MOST_AT_ONCE) {
        refuse(
            response,
            HttpStatus.TOO_MANY_REQUESTS,
            MOST_AT_ONCE + " files of yours are coming in already: wait for one of them.");
      } else {
        chain.doFilter(request, response);
      }
    } finally {
      comingIn.computeIfPresent(account, (a, held) -> held == 1 ? null : held - 1);
    }
  }

  private static void refuse(HttpServletResponse response, HttpStatus status, String words)
      throws IOException {
    // What is on its way yet is not waited for.
    response.setHeader("Connection", "close");
    Security.write(response, status, words);
  }
}
