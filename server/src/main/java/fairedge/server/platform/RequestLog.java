package fairedge.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Gives each request of the API an id, which its reply carries and every line that is logged for
 * it, with the account that asks, and logs one line for it: what was asked, from where, what it
 * got, how long it took. Bodies, cookies, tokens and the texts of queries are never logged.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestLog extends OncePerRequestFilter {
  static final String HEADER = "X-Request-Id";
  static final String KEY = "request";

  /** Whose request it is, by id; who knows it says so. */
  static final String ACCOUNT = "account";

  private static final Set<Integer> REFUSED = Set.of(401, 403, 429);
  private static final Logger log = LoggerFactory.getLogger(RequestLog.class);

  @Override
  protected boolean shouldNotFilter(HttpServletRequest request) {
    return !request.getRequestURI().startsWith("/api/");
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    String id = UUID.randomUUID().toString();
    long begun = System.nanoTime();
    response.setHeader(HEADER, id);
    MDC.put(KEY, id);
    try {
      chain.doFilter(request, response);
    } finally {
      log.atInfo()
          .addKeyValue("event", REFUSED.contains(response.getStatus()) ? "refused" : "answered")
          .addKeyValue("address", request.getRemoteAddr())
          .addKeyValue("method", request.getMethod())
          .addKeyValue("path", request.getRequestURI())
          .addKeyValue("status", response.getStatus())
          .addKeyValue("milliseconds", (System.nanoTime() - begun) / 1_000_000)
          .log("answered");
      MDC.remove(KEY);
      MDC.remove(ACCOUNT);
    }
  }
}
