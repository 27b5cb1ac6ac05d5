package fairedge.server.course.http;

import fairedge.server.account.Slips.Slip;
import fairedge.server.course.Erasing;
import fairedge.server.course.People;
import fairedge.server.course.PeopleView;
import fairedge.server.course.PeopleView.GroupView;
import fairedge.server.course.Role;
import fairedge.server.course.RosterView;
import fairedge.server.course.RosterView.Meaning;
import fairedge.server.course.SlipOutlet;
import fairedge.server.platform.SignedIn;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
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
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

/** Who is in a class, over HTTP. */
@RestController
@RequestMapping("/api/classes/{course}")
class PeopleController {
  private static final String ZIP = "application/zip";

  private final People people;
  private final SlipOutlet slips;
  private final Erasing erasing;

  PeopleController(People people, SlipOutlet slips, Erasing erasing) {
    this.people = people;
    this.slips = slips;
    this.erasing = erasing;
  }

  @GetMapping("/people")
  PeopleView people(@PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    return people.of(course, account);
  }

  /** Newcomers were looked at, and are marked no more. */
  @PostMapping("/people/looked-at")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void lookedAt(@PathVariable UUID course, @AuthenticationPrincipal SignedIn account) {
    people.lookedAt(course, account);
  }

  /** What somebody is to be in a class. */
  enum NewRole {
    instructor,
    assistant,
    student
  }

  record PersonRequest(
      @NotBlank @Size(max = 200) String name,
      @Nullable @Size(max = 254) String address,
      @Nullable UUID group,
      @NotNull NewRole role) {}

  /** Takes one person in; the slip is shown this once. */
  @PostMapping("/people")
  @ResponseStatus(HttpStatus.CREATED)
  Slip takeIn(
      @PathVariable UUID course,
      @Valid @RequestBody PersonRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return asked.role() == NewRole.student
        ? people.takeIn(course, asked.name(), asked.address(), asked.group(), account)
        : people.bringIn(
            course, asked.name(), asked.address(), Role.named(asked.role().name()), account);
  }

  /**
   * A roster file.
   *
   * @param file its bytes
   * @param columns what each column is; null: by their names
   * @param answers to what is unclear, by line
   */
  record RosterRequest(
      @NotNull byte[] file,
      @Nullable List<@NotNull Meaning> columns,
      @NotNull Map<Integer, String> answers) {
    People.Roster roster() {
      return new People.Roster(file, columns, answers);
    }
  }

  /** What would come of a roster, line by line; nothing is written. */
  @PostMapping("/roster/preview")
  RosterView preview(
      @PathVariable UUID course,
      @Valid @RequestBody RosterRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return people.preview(course, asked.roster(), account);
  }

  /** Who was taken in and needs a slip. */
  record TakenIn(List<UUID> needSlips) {}

  /** Takes all newcomers of a roster in, or nobody. */
  @PostMapping("/roster")
  @ResponseStatus(HttpStatus.CREATED)
  TakenIn takeIn(
      @PathVariable UUID course,
      @Valid @RequestBody RosterRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return new TakenIn(people.takeIn(course, asked.roster(), account));
  }

  record SlipsRequest(@NotNull @Size(min = 1, max = 500) List<@NotNull UUID> people) {}

  /** New sign-in slips as a sheet to print: eight to a page. Slips of before end. */
  @PostMapping(value = "/slips", produces = MediaType.APPLICATION_PDF_VALUE)
  ResponseEntity<byte[]> slips(
      @PathVariable UUID course,
      @Valid @RequestBody SlipsRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    String server =
        ServletUriComponentsBuilder.fromCurrentContextPath().replacePath(null).build().toString();
    return ResponseEntity.ok()
        .contentType(MediaType.APPLICATION_PDF)
        .header("Cache-Control", "no-store")
        .body(slips.sheet(course, asked.people(), account, server));
  }

  record GroupRequest(@NotBlank @Size(max = 60) String name) {}

  @PostMapping("/groups")
  @ResponseStatus(HttpStatus.CREATED)
  GroupView addGroup(
      @PathVariable UUID course,
      @Valid @RequestBody GroupRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    return people.addGroup(course, asked.name(), account);
  }

  @PutMapping("/groups/{group}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void renameGroup(
      @PathVariable UUID course,
      @PathVariable UUID group,
      @Valid @RequestBody GroupRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    people.renameGroup(course, group, asked.name(), account);
  }

  @DeleteMapping("/groups/{group}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void removeGroup(
      @PathVariable UUID course,
      @PathVariable UUID group,
      @AuthenticationPrincipal SignedIn account) {
    people.removeGroup(course, group, account);
  }

  /**
   * @param group null for none
   */
  record MemberGroupRequest(@Nullable UUID group) {}

  @PutMapping("/people/{person}/group")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void setGroup(
      @PathVariable UUID course,
      @PathVariable UUID person,
      @RequestBody MemberGroupRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    people.setGroup(course, person, asked.group(), account);
  }

  record MemberRoleRequest(@NotNull NewRole role) {}

  @PutMapping("/people/{person}/role")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void setRole(
      @PathVariable UUID course,
      @PathVariable UUID person,
      @Valid @RequestBody MemberRoleRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    people.setRole(course, person, Role.named(asked.role().name()), account);
  }

  record MemberAwayRequest(boolean away) {}

  @PutMapping("/people/{person}/away")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void putAway(
      @PathVariable UUID course,
      @PathVariable UUID person,
      @RequestBody MemberAwayRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    people.putAway(course, person, asked.away(), account);
  }

  /** Takes somebody out of the class; their work is kept. */
  @DeleteMapping("/people/{person}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeOut(
      @PathVariable UUID course,
      @PathVariable UUID person,
      @AuthenticationPrincipal SignedIn account) {
    people.takeOut(course, person, account);
  }

  /** Everything of a student: meshes, steps, answers. */
  @GetMapping(value = "/people/{person}/everything", produces = ZIP)
  ResponseEntity<byte[]> everything(
      @PathVariable UUID course,
      @PathVariable UUID person,
      @AuthenticationPrincipal SignedIn account) {
    return zip(erasing.everything(course, person, account));
  }

  static ResponseEntity<byte[]> zip(byte[] bytes) {
    return ResponseEntity.ok()
        .header(
            HttpHeaders.CONTENT_DISPOSITION,
            ContentDisposition.attachment().filename("everything.zip").build().toString())
        .body(bytes);
  }

  record EraseRequest(@NotBlank @Size(max = 200) String name) {}

  /** Erases a student with all their work, for good; the name is typed. */
  @PostMapping("/people/{person}/erase")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void erase(
      @PathVariable UUID course,
      @PathVariable UUID person,
      @Valid @RequestBody EraseRequest asked,
      @AuthenticationPrincipal SignedIn account) {
    erasing.erase(course, person, asked.name(), account);
  }
}
