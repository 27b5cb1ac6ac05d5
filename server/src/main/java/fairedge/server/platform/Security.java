package fairedge.server.platform;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.HttpMethod;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextHolderStrategy;
import org.springframework.security.crypto.argon2.Argon2PasswordEncoder;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.security.web.context.HttpSessionSecurityContextRepository;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CookieCsrfTokenRepository;
import org.springframework.security.web.csrf.CsrfFilter;
import org.springframework.util.unit.DataSize;

/** Who may ask at all; who may see what is each module's to say. */
@Configuration
class Security {
  /** Of Argon2id; 19 MiB and two rounds are the least that is advised (OWASP, 2024). */
  private static final int MEMORY_KIB = 19 * 1024;

  private static final int ROUNDS = 2;
  private static final int SALT = 16;
  private static final int HASH = 32;

  @Bean
  SecurityFilterChain chain(
      HttpSecurity http,
      SecurityContextRepository contexts,
      @Value("${fair-edge.limits.request}") DataSize requestLimit,
      @Value("${fair-edge.limits.session}") Duration longestSession)
      throws Exception {
    http.authorizeHttpRequests(requests ->
            requests
                .requestMatchers(
                    "/api/session",
                    "/api/setup",
                    "/api/slip",
                    "/api/slip/password",
                    "/api/join",
                    "/api/join/newcomer",
                    "/api/demo",
                    "/api/openapi/**")
                .permitAll()
                .requestMatchers("/api/**")
                .authenticated()
                // Answered at the management port alone, which listens on loopback.
                .requestMatchers("/actuator/**")
                .permitAll()
                .requestMatchers(HttpMethod.GET, "/**")
                .permitAll()
                .anyRequest()
                .denyAll())
        .csrf(csrf -> csrf.spa().csrfTokenRepository(tokens()))
        .addFilterBefore(new SessionAge(longestSession), CsrfFilter.class)
        .addFilterBefore(new WhoAsks(), CsrfFilter.class)
        .addFilterBefore(new UploadGate(requestLimit), CsrfFilter.class)
        .securityContext(context -> context.securityContextRepository(contexts))
        .headers(headers ->
            headers
                .addHeaderWriter(new ContentPolicy())
                .referrerPolicy(referrer ->
                    referrer.policy(
                        org.springframework.security.web.header.writers.ReferrerPolicyHeaderWriter
                            .ReferrerPolicy.SAME_ORIGIN)))
        .requestCache(cache -> cache.disable())
        .logout(logout -> logout.disable())
        .exceptionHandling(handling ->
            handling
                .authenticationEntryPoint((request, response, e) ->
                    write(response, HttpStatus.UNAUTHORIZED, "Sign in first."))
                .accessDeniedHandler((request, response, e) ->
                    write(response, HttpStatus.FORBIDDEN, "This request is not allowed.")));
    return http.build();
  }

  /** The token that a page sends back in a header; no other site's page gets it sent along. */
  private static CookieCsrfTokenRepository tokens() {
    CookieCsrfTokenRepository tokens = CookieCsrfTokenRepository.withHttpOnlyFalse();
    tokens.setCookieCustomizer(cookie -> cookie.sameSite("Lax"));
    return tokens;
  }

  /** A problem detail from where no controller was reached. */
  static void write(HttpServletResponse response, HttpStatus status, String detail)
      throws IOException {
    response.setStatus(status.value());
    response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
    String body =
        "{\"title\":\"%s\",\"status\":%d,\"detail\":\"%s\"}"
            .formatted(status.getReasonPhrase(), status.value(), detail);
    response.getOutputStream().write(body.getBytes(StandardCharsets.UTF_8));
  }

  @Bean
  SecurityContextRepository contexts() {
    return new HttpSessionSecurityContextRepository();
  }

  @Bean
  SecurityContextHolderStrategy contextHolder() {
    return SecurityContextHolder.getContextHolderStrategy();
  }

  @Bean
  PasswordEncoder passwords() {
    return new Argon2PasswordEncoder(SALT, HASH, 1, MEMORY_KIB, ROUNDS);
  }
}
