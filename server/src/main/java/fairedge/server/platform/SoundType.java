package fairedge.server.platform;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Refuses bodies that say of themselves to be of no type, or of any. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 2)
class SoundType extends OncePerRequestFilter {

  @Override
  protected void doFilterInternal(
      HttpServletRequest request, HttpServletResponse response, FilterChain chain)
      throws ServletException, IOException {
    if (isSound(request.getContentType())) {
      chain.doFilter(request, response);
    } else {
      Security.write(
          response, HttpStatus.UNSUPPORTED_MEDIA_TYPE, "The request does not say what it holds.");
    }
  }

  private static boolean isSound(String type) {
    if (type == null || type.isEmpty()) {
      return true;
    }
    try {
      return MediaType.parseMediaType(type).isConcrete();
    } catch (InvalidMediaTypeException unsound) {
      return false;
    }
  }
}
