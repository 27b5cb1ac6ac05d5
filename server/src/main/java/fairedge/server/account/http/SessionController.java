package fairedge.server.account.http;

import fairedge.server.account.Accounts;
import fairedge.server.account.Entrance;
import fairedge.server.account.Guesses;
import fairedge.server.account.SetUp;
import fairedge.server.account.Slips;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Getting in and out: by password, by a slip, and the first instructor by the set-up code. */
@RestController
class SessionController {
  private static final Logger log = LoggerFactory.getLogger(SessionController.class);

  private final Accounts accounts;
  private final Slips slips;
  private final SetUp setUp;
  private final Guesses guesses;
  private final Entrance entrance;

  SessionController(
      Accounts accounts, Slips slips, SetUp setUp, Guesses guesses, Entrance entrance) {
    this.accounts = accounts;
    this.slips = slips;
    this.setUp = setUp;
    this.guesses = guesses;
    this.entrance = entrance;
  }

  record SignIn(
      @NotBlank @Size(max = 100) String signIn, @NotBlank @Size(max = 200) String password) {}

  /**
   * Who is signed in; no name for nobody.
   *
   * @param setUp whether this server waits for its first instructor
   */
  record Session(@Nullable String name, boolean setUp) {
    static Session of(SignedIn account) {
      return new Session(account.name(), false);
    }
  }

  @GetMapping("/api/session")
  Session session(@AuthenticationPrincipal @Nullable SignedIn account) {
    if (account != null) {
      accounts.seen(account);
      return Session.of(account);
    }
    return new Session(null, setUp.isOpen());
  }

  @PostMapping("/api/session")
  Session signIn(
      @Valid @RequestBody SignIn asked, HttpServletRequest request, HttpServletResponse response) {
    String place = entrance.placeOf(asked.signIn(), request);
    guesses.begin(asked.signIn(), place);
    SignedIn account =
        accounts
            .authenticate(asked.signIn(), asked.password())
            .orElseThrow(() -> {
              log.atWarn()
                  .addKeyValue("event", "sign-in-refused")
                  .addKeyValue("person", accounts.find(asked.signIn()).orElse(null))
                  .addKeyValue("address", request.getRemoteAddr())
                  .log("a sign-in was refused");
              return Problem.of(
                  Problem.Kind.NOT_ALLOWED, "This sign-in and password don't belong together.");
            });
    guesses.fitted(asked.signIn(), place);
    entrance.letIn(account, request, response);
    return Session.of(account);
  }

  @DeleteMapping("/api/session")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void signOut(HttpServletRequest request) {
    entrance.letOut(request);
  }

  record CodeRequest(@NotBlank @Size(max = 60) String code) {}

  /** Whose a slip is. */
  record SlipView(String name, String signIn) {}

  private static final String CODES = "a slip's code";

  /** Whose a slip's code is, before a password is chosen. */
  @PostMapping("/api/slip")
  SlipView slip(@Valid @RequestBody CodeRequest asked, HttpServletRequest request) {
    guesses.begin(CODES, request.getRemoteAddr());
    SignedIn account = slips.require(asked.code());
    guesses.fitted(CODES, request.getRemoteAddr());
    return new SlipView(account.name(), account.signIn());
  }

  record SlipRequest(
      @NotBlank @Size(max = 60) String code, @NotBlank @Size(max = 200) String password) {}

  /** Chooses a password with a slip, and signs in. */
  @PostMapping("/api/slip/password")
  Session choose(
      @Valid @RequestBody SlipRequest asked,
      HttpServletRequest request,
      HttpServletResponse response) {
    guesses.begin(CODES, request.getRemoteAddr());
    SignedIn account = slips.use(asked.code(), asked.password());
    guesses.fitted(CODES, request.getRemoteAddr());
    entrance.letIn(account, request, response);
    return Session.of(account);
  }

  record SetUpRequest(
      @NotBlank @Size(max = 60) String code,
      @NotBlank @Size(max = 200) String name,
      @NotBlank @Size(max = 100) String signIn,
      @NotBlank @Size(max = 200) String password) {}

  /** Makes the first instructor, and signs in. */
  @PostMapping("/api/setup")
  Session setUp(
      @Valid @RequestBody SetUpRequest asked,
      HttpServletRequest request,
      HttpServletResponse response) {
    guesses.begin("the set-up code", request.getRemoteAddr());
    SignedIn account = setUp.begin(asked.code(), asked.name(), asked.signIn(), asked.password());
    entrance.letIn(account, request, response);
    return Session.of(account);
  }
}
