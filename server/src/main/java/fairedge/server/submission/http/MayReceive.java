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

/** Asks whether somebody may send files for an exercise, and so much, before any of it is read. */
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
        .addPathPatterns("/api/exercises/*/uploads", "/api/exercises/*/bundles");
  }

  @Override
  public boolean preHandle(
      HttpServletRequest request, HttpServletResponse response, Object handler) {
    Authentication who = SecurityContextHolder.getContext().getAuthentication();
    if (who != null && who.getPrincipal() instanceof SignedIn account) {
      UUID exercise = exerciseOf(request);
      if (request.getRequestURI().endsWith("/bundles")) {
        uploads.requireMayBring(exercise, account);
      } else {
        uploads.requireMayReceive(exercise, account, request.getContentLengthLong());
      }
    }
    return true;
  }

  private static UUID exerciseOf(HttpServletRequest request) {
    Object variables = request.getAttribute(HandlerMapping.URI_TEMPLATE_VARIABLES_ATTRIBUTE);
    @Nullable Object named = variables instanceof Map<?, ?> map ? map.get("exercise") : null;
    try {
      return UUID.fromString(String.valueOf(named));
    } catch (IllegalArgumentException noId) {
      throw Problem.notFound("exercise");
    }
  }
}
