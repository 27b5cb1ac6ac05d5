package fairedge.server.exercise;

import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;

/**
 * The instants of times on the wall. Where clocks go forward and a time is not there, it is as much
 * later as they jump; where they go back and it is there twice, an opening is the first of them and
 * a due time the second, so that nobody has less time than is said.
 */
final class WallTime {
  private WallTime() {}

  static Instant opening(LocalDateTime time, ZoneId zone) {
    return ZonedDateTime.ofLocal(time, zone, null).withEarlierOffsetAtOverlap().toInstant();
  }

  static Instant due(LocalDateTime time, ZoneId zone) {
    return ZonedDateTime.ofLocal(time, zone, null).withLaterOffsetAtOverlap().toInstant();
  }
}
