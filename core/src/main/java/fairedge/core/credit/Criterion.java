package fairedge.core.credit;

import fairedge.core.inspect.finding.Kind;
import java.math.BigDecimal;
import java.util.List;
import java.util.Set;

/** One thing that gets credits. */
public sealed interface Criterion {
  String name();

  /** What it gets at the most. */
  BigDecimal credits();

  /**
   * So much off for each finding of some kinds, never below nothing. Remarks take nothing off;
   * findings that are counted and not listed do.
   */
  record ByFindings(
      String name, BigDecimal credits, BigDecimal offMust, BigDecimal offShould, Set<Kind> kinds)
      implements Criterion {
    public ByFindings {
      require(name, credits);
      requireNotNegative(offMust);
      requireNotNegative(offShould);
      if (kinds.isEmpty()) {
        throw new IllegalArgumentException("\"" + name + "\" counts no kind of finding");
      }
      kinds = Set.copyOf(kinds);
    }
  }

  /**
   * By a number of the mesh: nothing at one mark, all at another, straight between.
   *
   * @param nothingAt from there on, away from {@code fullAt}, it gets nothing
   */
  record ByMeasure(
      String name, BigDecimal credits, Measure measure, double nothingAt, double fullAt)
      implements Criterion {
    public ByMeasure {
      require(name, credits);
      if (!Double.isFinite(nothingAt) || !Double.isFinite(fullAt) || nothingAt == fullAt) {
        throw new IllegalArgumentException("\"" + name + "\" needs two marks that differ");
      }
    }
  }

  /** By whoever reviews: one of some words, each with its credits. */
  record ByEye(String name, BigDecimal credits, List<Word> words) implements Criterion {
    public ByEye {
      require(name, credits);
      if (words.isEmpty()) {
        throw new IllegalArgumentException("\"" + name + "\" needs a word to choose");
      }
      words = List.copyOf(words);
      for (Word word : words) {
        if (word.credits().compareTo(credits) > 0) {
          throw new IllegalArgumentException(
              "\"" + word.word() + "\" gets more than \"" + name + "\" has");
        }
      }
    }
  }

  /** A word and what it gets. */
  record Word(String word, BigDecimal credits) {
    public Word {
      require(word, credits);
    }
  }

  private static void require(String name, BigDecimal credits) {
    if (name.isBlank()) {
      throw new IllegalArgumentException("a criterion and a word have a name");
    }
    requireNotNegative(credits);
  }

  private static void requireNotNegative(BigDecimal credits) {
    if (credits.signum() < 0) {
      throw new IllegalArgumentException("credits are nothing or more");
    }
  }
}
