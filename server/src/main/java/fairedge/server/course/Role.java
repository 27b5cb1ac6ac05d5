package fairedge.server.course;

/** What someone is in a class. */
public enum Role {
  INSTRUCTOR,
  STUDENT
}
