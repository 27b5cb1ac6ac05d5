package fairedge.server.course;

import java.util.UUID;

/** A class and what an account is in it. */
public record Membership(UUID courseId, String courseName, Role role) {}
