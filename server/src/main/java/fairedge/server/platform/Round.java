package fairedge.server.platform;

import java.time.Duration;

/** What a module looks after again and again, on whichever node. */
public interface Round {
  /** Under which it is kept. */
  String name();

  /** How long after one time the next one begins. */
  Duration every();

  void go();
}
