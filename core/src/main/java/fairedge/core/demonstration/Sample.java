package fairedge.core.demonstration;

import fairedge.core.props.Form;
import java.util.List;

/**
 * A demonstration that comes with the application.
 *
 * @param key by which it is known for ever
 * @param about what it shows, in a sentence
 * @param profile what its states are checked as, by name
 */
public record Sample(
    String key, String title, String about, Form form, String profile, List<Scene> scenes) {
  public Sample {
    scenes = List.copyOf(scenes);
  }

  /**
   * A deed with what is said of it.
   *
   * @param caption what is to be seen after it
   * @param question asked before it is done; empty for none
   * @param answer to the question
   * @param lens through which the state after it is looked at, by its name; empty: as before
   */
  public record Scene(Deed deed, String caption, String question, String answer, String lens) {
    public Scene {
      if (question.isEmpty() != answer.isEmpty()) {
        throw new IllegalArgumentException("a question has an answer");
      }
    }
  }
}
