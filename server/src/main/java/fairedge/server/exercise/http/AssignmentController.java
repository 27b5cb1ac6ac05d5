package fairedge.server.exercise.http;

import fairedge.server.course.Right;
import fairedge.server.exercise.Allowance;
import fairedge.server.exercise.Allowances;
import fairedge.server.exercise.AssignmentView;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Setting;
import fairedge.server.exercise.StarterPictures;
import fairedge.server.exercise.Timetable;
import fairedge.server.platform.SignedIn;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDateTime;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is set, over HTTP. */
@RestController
class AssignmentController {
  private final Assignments assignments;
  private final Timetable timetable;
  private final Allowances allowances;
  private final StarterPictures pictures;

  AssignmentController(
      Assignments assignments,
      Timetable timetable,
      Allowances allowances,
      StarterPictures pictures) {
    this.allowances = allowances;
    this.assignments = assignments;
    this.timetable = timetable;
    this.pictures = pictures;
  }

  /**
   * How an exercise is set; times are those on the wall of the class.
   *
   * @param opens null: at once
   * @param due null: at no time
   * @param attempts null: any number
   * @param overruled null: what the times say
   */
  record SettingRequest(
      @Nullable String heading,
      @Nullable LocalDateTime opens,
      @Nullable LocalDateTime due,
      Setting.@NotNull Late late,
      @Nullable Integer attempts,
      Setting.@NotNull HandInBy handIn,
      Setting.@Nullable Overruled overruled) {
    Setting setting() {
      return new Setting(heading, opens, due, late, attempts, handIn, overruled);
    }
  }

  record SetRequest(@NotNull UUID course, @NotNull @Valid SettingRequest setting) {}

  /** All that is set in the classes where one sees everybody. */
  @GetMapping("/api/assignments")
  List<AssignmentView> all(@AuthenticationPrincipal SignedIn account) {
    return timetable.views(assignments.of(account, Right.READ_ALL));
  }

  /** Sets an exercise of one's own in a class. */
  @PostMapping("/api/exercises/{exercise}/assignments")
  @ResponseStatus(HttpStatus.CREATED)
  AssignmentView set(
      @PathVariable UUID exercise,
      @Valid @RequestBody SetRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return timetable.view(
        timetable.set(exercise, asked.course(), asked.setting().setting(), account));
  }

  @PutMapping("/api/assignments/{assignment}")
  AssignmentView change(
      @PathVariable UUID assignment,
      @Valid @RequestBody SettingRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return timetable.change(assignment, asked.setting(), account);
  }

  /** Takes an exercise out of a class where nobody has begun. */
  @DeleteMapping("/api/assignments/{assignment}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void remove(@PathVariable UUID assignment, @AuthenticationPrincipal SignedIn account) {
    timetable.remove(assignment, account);
  }

  /**
   * @param assignments all that is set in the class
   */
  record OrderRequest(@NotNull List<@NotNull UUID> assignments) {}

  @PutMapping("/api/classes/{course}/order")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void order(
      @PathVariable UUID course,
      @Valid @RequestBody OrderRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    timetable.order(course, asked.assignments(), account);
  }

  record AllowanceRequest(
      @Nullable UUID student,
      @Nullable UUID group,
      @Nullable LocalDateTime due,
      @Nullable Integer attempts,
      boolean excused) {}

  /** Who has more time, more attempts, or is excused. */
  @GetMapping("/api/assignments/{assignment}/allowances")
  List<Allowance> allowances(
      @PathVariable UUID assignment, @AuthenticationPrincipal SignedIn account) {
    return allowances.all(assignment, account);
  }

  /** Allows a student or a group more; where nothing is named, what is set holds for them again. */
  @PutMapping("/api/assignments/{assignment}/allowances")
  List<Allowance> allow(
      @PathVariable UUID assignment,
      @Valid @RequestBody AllowanceRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return allowances.allow(
        assignment,
        new Allowances.Asked(
            asked.student(), asked.group(), asked.due(), asked.attempts(), asked.excused()),
        account);
  }

  /** The starter, as large as a row of a list has room for. */
  @GetMapping(value = "/api/assignments/{assignment}/picture", produces = MediaType.IMAGE_PNG_VALUE)
  ResponseEntity<byte[]> picture(
      @PathVariable UUID assignment, @AuthenticationPrincipal SignedIn account) {
    return ResponseEntity.ok()
        .header("Cache-Control", "private, max-age=3600")
        .body(pictures.picture(assignment, account));
  }
}
