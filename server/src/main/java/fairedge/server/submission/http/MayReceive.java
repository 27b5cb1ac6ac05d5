package fairedge.server.submission.http;

import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.Uploads;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Configuration;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.servlet.HandlerInterceptor;
import org.springframework.web.servlet.HandlerMapping;
import org.springframework.web.servlet.config.annotation.InterceptorRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Asks whether somebody may send files for what is set, and so much, before any of it is read. */
@Configuration
class MayReceive implements WebMvcConfigurer, HandlerInterceptor {
  private final Uploads uploads;

  MayReceive(Uploads uploads) {
    this.uploads = uploads;
  }

  @Override
  public void addInterceptors(InterceptorRegistry registry) {
    registry
        .addInterceptor(this)
        .addPathPatterns("/api/assignments/*/uploads", "/api/assignments/*/bundles");
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    if (who != null && who.getPrincipal() instanceof SignedIn account) {
      UUID assignment = assignmentOf(request);
      if (request.getRequestURI().endsWith("/bundles")) {
        uploads.requireMayBring(assignment, account);
      } else {
        uploads.requireMayReceive(assignment, account, request.getContentLengthLong());
      }
    }
    return true;
  }

  private static UUID assignmentOf(HttpServletRequest request) {
    Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
    @Nullable Object named = variables instanceof Map<?, ?> map ? map.get("assignment") : null;
    try {
      return UUID.fromString(String.valueOf(named));
    } catch (IllegalArgumentException noId) {
      throw Problem.notFound("exercise");
    }
  }
}
