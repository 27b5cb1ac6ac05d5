package fairedge.server.account.http;

import fairedge.server.account.Accounts;
import fairedge.server.account.Devices;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseCookie;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolderStrategy;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.WebUtils;

/** Signing in and out. */
@RestController
class SessionController {
  private final Accounts accounts;
  private static final Logger log = LoggerFactory.getLogger(SessionController.class);
  private static final String DEVICE = "fair-edge-device";
  private static final Duration KNOWN = Duration.ofDays(400);

  private final Devices devices;
  private final SignInThrottle throttle;
  private final SecurityContextRepository contexts;
  private final SecurityContextHolderStrategy holder;

  SessionController(
      Accounts accounts,
      Devices devices,
      SignInThrottle throttle,
      SecurityContextRepository contexts,
      SecurityContextHolderStrategy holder) {
    this.accounts = accounts;
    this.devices = devices;
    this.throttle = throttle;
    this.contexts = contexts;
    this.holder = holder;
  }

  record SignIn(
      @NotBlank @Size(max = 100) String signIn, @NotBlank @Size(max = 200) String password) {}

  /** Who is signed in; no name for nobody. */
  record Session(@Nullable String name) {}

  @GetMapping("/api/session")
  Session session(@AuthenticationPrincipal @Nullable SignedIn account) {
    return new Session(account == null ? null : account.name());
  }

  @PostMapping("/api/session")
  Session signIn(
      @Valid @RequestBody SignIn asked, HttpServletRequest request, HttpServletResponse response) {
    String place = placeOf(asked.signIn(), request);
    throttle.begin(asked.signIn(), place);
    SignedIn account =
        accounts
            .authenticate(asked.signIn(), asked.password())
            .orElseThrow(() -> {
              log.atWarn()
                  .addKeyValue("event", "sign-in-refused")
                  .addKeyValue("account", accounts.find(asked.signIn()).orElse(null))
                  .addKeyValue("address", request.getRemoteAddr())
                  .log("a sign-in was refused");
              return Problem.of(
                  Problem.Kind.NOT_ALLOWED, "This sign-in and password don't belong together.");
            });
    throttle.fitted(asked.signIn(), place);
    log.atInfo()
        .addKeyValue("event", "signed-in")
        .addKeyValue("account", account.id())
        .addKeyValue("address", request.getRemoteAddr())
        .log("signed in");
    if (!place.startsWith(DEVICE)) {
      response.addHeader(HttpHeaders.SET_COOKIE, cookie(account, request).toString());
    }
    HttpSession old = request.getSession(false);
    if (old != null) {
      old.invalidate();
    }
    SecurityContext context = holder.createEmptyContext();
    context.setAuthentication(
        UsernamePasswordAuthenticationToken.authenticated(account, null, List.of()));
    holder.setContext(context);
    contexts.saveContext(context, request, response);
    return new Session(account.name());
  }

  private String placeOf(String signIn, HttpServletRequest request) {
    Cookie cookie = WebUtils.getCookie(request, DEVICE);
    return cookie != null && devices.isKnown(signIn, cookie.getValue())
        ? DEVICE + " " + cookie.getValue()
        : request.getRemoteAddr();
  }

  private ResponseCookie cookie(SignedIn account, HttpServletRequest request) {
    return ResponseCookie.from(DEVICE, devices.welcome(account.id()))
        .httpOnly(true)
        .secure(request.isSecure())
        .sameSite("Strict")
        .path("/api/session")
        .maxAge(KNOWN)
        .build();
  }

  @DeleteMapping("/api/session")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    if (session != null) {
      session.invalidate();
      log.atInfo().addKeyValue("event", "signed-out").log("signed out");
    }
    holder.clearContext();
  }
}
