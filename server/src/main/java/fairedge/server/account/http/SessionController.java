package fairedge.server.account.http;

import fairedge.server.account.Accounts;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
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

/** Signing in and out. */
@RestController
class SessionController {
  private final Accounts accounts;
  private final SignInThrottle throttle;
  private final SecurityContextRepository contexts;
  private final SecurityContextHolderStrategy holder;

  SessionController(
      Accounts accounts,
      SignInThrottle throttle,
      SecurityContextRepository contexts,
      SecurityContextHolderStrategy holder) {
    this.accounts = accounts;
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
    String address = request.getRemoteAddr();
    throttle.check(asked.signIn(), address);
    SignedIn account =
        accounts
            .authenticate(asked.signIn(), asked.password())
            .orElseThrow(() -> {
              throttle.failed(asked.signIn(), address);
              return Problem.of(
                  Problem.Kind.NOT_ALLOWED, "This sign-in and password don't belong together.");
            });
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

  @DeleteMapping("/api/session")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    if (session != null) {
      session.invalidate();
    }
    holder.clearContext();
  }
}
