package fairedge.server.account.http;

import fairedge.server.account.Accounts;
import fairedge.server.account.Entrance;
import fairedge.server.platform.SignedIn;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** One's own account. */
@RestController
@RequestMapping("/api/account")
class AccountController {
  private final Accounts accounts;
  private final Entrance entrance;

  AccountController(Accounts accounts, Entrance entrance) {
    this.accounts = accounts;
    this.entrance = entrance;
  }

  /**
   * What somebody says of themselves.
   *
   * @param address where mail goes; null: nowhere
   * @param zone by whose clock they live; null: the browser's
   */
  record SelfView(String name, String signIn, @Nullable String address, @Nullable String zone) {}

  record SelfRequest(
      @NotBlank @Size(max = 200) String name,
      @Nullable @Size(max = 254) String address,
      @Nullable @Size(max = 60) String zone) {}

  @GetMapping
  SelfView self(@AuthenticationPrincipal SignedIn account) {
    Accounts.Self self = accounts.self(account);
    return new SelfView(
        self.account().name(), self.account().signIn(), self.address(), self.zone());
  }

  @PutMapping
  SelfView setSelf(
      @Valid @RequestBody SelfRequest asked,
      @AuthenticationPrincipal SignedIn account,
      HttpServletRequest request,
      HttpServletResponse response) {
    accounts.setSelf(account, asked.name(), asked.address(), asked.zone());
    // The session names them, too.
    entrance.letIn(accounts.self(account).account(), request, response);
    return self(account);
  }

  record PasswordRequest(
      @NotBlank @Size(max = 200) String old, @NotBlank @Size(max = 200) String password) {}

  /** Changes the password; whoever is signed in elsewhere has to sign in anew. */
  @PutMapping("/password")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void setPassword(
      @Valid @RequestBody PasswordRequest asked,
      @AuthenticationPrincipal SignedIn account,
      HttpServletRequest request,
      HttpServletResponse response) {
    accounts.changePassword(account, asked.old(), asked.password());
    entrance.letIn(account, request, response);
  }

  /** Ends all other sessions. */
  @DeleteMapping("/sessions")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void endSessions(
      @AuthenticationPrincipal SignedIn account,
      HttpServletRequest request,
      HttpServletResponse response) {
    accounts.endSessions(account.id());
    entrance.letIn(account, request, response);
  }
}
