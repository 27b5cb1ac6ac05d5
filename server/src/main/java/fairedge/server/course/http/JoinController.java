package fairedge.server.course.http;

import fairedge.server.account.Entrance;
import fairedge.server.account.Guesses;
import fairedge.server.course.Joining;
import fairedge.server.course.Joining.Invitation;
import fairedge.server.platform.SignedIn;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Joining a class by its code, with an account or without. */
@RestController
@RequestMapping("/api/join")
class JoinController {
  private static final String CODES = "a join code";

  private final Joining joining;
  private final Guesses guesses;
  private final Entrance entrance;

  JoinController(Joining joining, Guesses guesses, Entrance entrance) {
    this.joining = joining;
    this.guesses = guesses;
    this.entrance = entrance;
  }

  record WordsRequest(@NotBlank @Size(max = 100) String words) {}

  /** Which class a code opens. */
  @PostMapping
  Invitation invitation(@Valid @RequestBody WordsRequest asked, HttpServletRequest request) {
    guesses.begin(CODES, request.getRemoteAddr());
    Invitation invitation = joining.invitation(asked.words());
    guesses.fitted(CODES, request.getRemoteAddr());
    return invitation;
  }

  record NewcomerRequest(
      @NotBlank @Size(max = 100) String words,
      @NotBlank @Size(max = 200) String name,
      @NotBlank @Size(max = 100) String signIn,
      @NotBlank @Size(max = 200) String password) {}

  /** Makes an account in the class, and signs in. */
  @PostMapping("/newcomer")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void join(
      @Valid @RequestBody NewcomerRequest asked,
      HttpServletRequest request,
      HttpServletResponse response) {
    guesses.begin(CODES, request.getRemoteAddr());
    SignedIn newcomer = joining.join(asked.words(), asked.name(), asked.signIn(), asked.password());
    guesses.fitted(CODES, request.getRemoteAddr());
    entrance.letIn(newcomer, request, response);
  }

  /** Joins with the account that one is signed in with. */
  @PostMapping("/me")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void join(
      @Valid @RequestBody WordsRequest asked,
      @AuthenticationPrincipal SignedIn account,
      HttpServletRequest request) {
    guesses.begin(CODES, request.getRemoteAddr());
    joining.join(asked.words(), account);
    guesses.fitted(CODES, request.getRemoteAddr());
  }
}
