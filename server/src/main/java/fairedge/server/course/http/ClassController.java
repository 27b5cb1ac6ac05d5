package fairedge.server.course.http;

import fairedge.server.course.Audit;
import fairedge.server.course.Classes;
import fairedge.server.course.CourseInfo;
import fairedge.server.course.Joining;
import fairedge.server.course.PeopleView.JoinView;
import fairedge.server.platform.SignedIn;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Classes over HTTP. */
@RestController
@RequestMapping("/api/classes")
class ClassController {
  private final Classes classes;
  private final Joining joining;
  private final Audit audit;

  ClassController(Classes classes, Joining joining, Audit audit) {
    this.classes = classes;
    this.joining = joining;
    this.audit = audit;
  }

  record ClassRequest(
      @NotBlank @Size(max = 200) String name,
      @NotBlank @Size(max = 60) String zone,
      @NotNull String unit,
      @NotNull String up,
      @Nullable LocalDate firstDay,
      @Nullable LocalDate lastDay) {
    CourseInfo info() {
      return new CourseInfo(name, zone, unit, up, firstDay, lastDay);
    }
  }

  record ClassMade(UUID id) {}

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  ClassMade make(
      @Valid @RequestBody ClassRequest asked, @AuthenticationPrincipal SignedIn account) {
    return new ClassMade(classes.make(asked.info(), account));
  }

  @PutMapping("/{course}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void set(
      @PathVariable UUID course,
      @Valid @RequestBody ClassRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    classes.set(course, asked.info(), account);
  }

  record AwayRequest(boolean away) {}

  @PutMapping("/{course}/away")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void putAway(
      @PathVariable UUID course,
      @RequestBody AwayRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    classes.putAway(course, asked.away(), account);
  }

  /** Leaves a class that one teaches. */
  @DeleteMapping("/{course}/me")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void leave(@PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    classes.leave(course, account);
  }

  /**
   * @param until after this day nobody joins by the code; null: until the class ends
   * @param most so many students in all; null: any number
   */
  record JoinCodeRequest(@Nullable LocalDate until, @Nullable Integer most) {}

  /** Makes a new join code; the one before ends. */
  @PutMapping("/{course}/join-code")
  JoinView renew(
      @PathVariable UUID course,
      @RequestBody JoinCodeRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return joining.renew(course, asked.until(), asked.most(), account);
  }

  @DeleteMapping("/{course}/join-code")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void end(@PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    joining.end(course, account);
  }

  /** What was done to whom, the newest first. */
  @GetMapping("/{course}/audit")
  List<Audit.LineView> audit(@PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    return audit.of(course, account);
  }
}
