package fairedge.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Tells what is wrong with the machine where no controller could: sessions are looked up and kept
 * in the database before and after one has its turn.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 1)
class TroubleTold extends OncePerRequestFilter {
  private static final Logger log = LoggerFactory.getLogger(TroubleTold.class);

  @Override
  protected boolean shouldNotFilterErrorDispatch() {
    return false;
  }

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    try {
      chain.doFilter(request, response);
    } catch (RuntimeException | ServletException bug) {
      Trouble trouble = Trouble.of(bug);
      if (trouble == null || response.isCommitted()) {
        throw bug;
      }
      log.error("request {} {}: {}", request.getMethod(), request.getRequestURI(), trouble, bug);
      response.resetBuffer();
      Security.write(response, trouble.status(), trouble.words());
    }
  }
}
