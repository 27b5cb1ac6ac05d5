package fairedge.server.running;

import fairedge.server.account.Accounts;
import fairedge.server.course.Classes;
import fairedge.server.course.CourseInfo;
import fairedge.server.course.Role;
import fairedge.server.platform.SignedIn;
import java.util.UUID;

/** People and classes beside those of the demo. */
public final class School {
  private final Application app;

  public School(Application app) {
    this.app = app;
  }

  /** Somebody with the password of all. */
  public SignedIn person(String signIn, String name) {
    return app.bean(Accounts.class).create(name, signIn, "harbour-props");
  }

  /** A class of its own, and its instructor. */
  public UUID classOf(String name, SignedIn instructor) {
    app.bean(Accounts.class).letTeach(instructor.id());
    return app.bean(Classes.class)
        .make(new CourseInfo(name, "Europe/Oslo", "mm", "Z", null, null), instructor);
  }

  public void enrol(UUID course, SignedIn somebody, Role role) {
    app.bean(Classes.class).enrol(course, somebody.id(), role);
  }
}
