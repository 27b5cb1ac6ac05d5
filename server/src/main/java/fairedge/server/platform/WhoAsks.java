package fairedge.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.MDC;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.filter.OncePerRequestFilter;

/** Lets what is logged for a request say whose it is, by id. */
final class WhoAsks extends OncePerRequestFilter {

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    if (who != null && who.getPrincipal() instanceof SignedIn account) {
      MDC.put(RequestLog.ACCOUNT, account.id().toString());
    }
    chain.doFilter(request, response);
  }
}
