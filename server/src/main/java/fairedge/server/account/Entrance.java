package fairedge.server.account;

import fairedge.server.platform.SignedIn;
import jakarta.servlet.http.Cookie;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Duration;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseCookie;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolderStrategy;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.stereotype.Component;
import org.springframework.web.util.WebUtils;

/** Lets somebody in who has shown who they are, with a session of their own. */
@Component
public class Entrance {
  private static final Logger log = LoggerFactory.getLogger(Entrance.class);
  private static final String DEVICE = "fair-edge-device";
  private static final Duration KNOWN = Duration.ofDays(400);

  private final Devices devices;
  private final SecurityContextRepository contexts;
  private final SecurityContextHolderStrategy holder;

  Entrance(
      Devices devices, SecurityContextRepository contexts, SecurityContextHolderStrategy holder) {
    this.devices = devices;
    this.contexts = contexts;
    this.holder = holder;
  }

  /** Begins a session; the one before ends. */
  public void letIn(SignedIn account, HttpServletRequest request, HttpServletResponse response) {
    log.atInfo()
        .addKeyValue("event", "signed-in")
        // Not the account that asks: that may be another one, who is signed in still.
        .addKeyValue("person", account.id())
        .addKeyValue("address", request.getRemoteAddr())
        .log("signed in");
    if (!placeOf(account.signIn(), request).startsWith(DEVICE)) {
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
  }

  /** From where somebody tries to get in: a device that was signed in before, or an address. */
  public String placeOf(String signIn, HttpServletRequest request) {
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

  /** Ends the session. */
  public void letOut(HttpServletRequest request) {
    HttpSession session = request.getSession(false);
    if (session != null) {
      session.invalidate();
      log.atInfo().addKeyValue("event", "signed-out").log("signed out");
    }
    holder.clearContext();
  }
}
