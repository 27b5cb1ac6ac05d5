package fairedge.core.format;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.format.svg.SvgFault;
import fairedge.core.format.svg.SvgLines;
import fairedge.core.props.HarbourProps;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Files of every format, broken at random, are read into a sound mesh or refused in words; nothing
 * else ever comes of them. The corpus is in the test resources. By default some thousands with the
 * same seeds each time; {@code ./fair-edge fuzz MINUTES} goes on with new ones, and keeps the file
 * at which it stopped.
 */
class FuzzTest {
  private static final Limits FEW = new Limits(100_000, 100_000, 1_000_000);
  private static final Duration LONGEST = Duration.ofSeconds(10);
  private static final int ROUNDS = 12_000;
  private static final long MINUTES = Long.getLong("fair-edge.fuzz.minutes", 0);

  /** Numbers that are easily read wrong. */
  private static final List<String> ODD =
      List.of(
          "nan",
          "-inf",
          "1e999",
          "1e-320",
          "-0",
          "-1",
          "4294967295",
          "2147483648",
          "1e",
          "+",
          ".",
          "99999999999999999999",
          "0x10",
          "\"",
          "{",
          "[",
          "\0",
          "1.0000000000000000000000001");

  private record Sample(String name, byte[] bytes) {
    boolean isSvg() {
      return name.endsWith(".svg");
    }
  }

  private static List<Sample> corpus() throws IOException, URISyntaxException {
    List<Sample> samples = new ArrayList<>();
    Path folder = Path.of(Objects.requireNonNull(FuzzTest.class.getResource("/corpus")).toURI());
    try (Stream<Path> files = Files.list(folder)) {
      for (Path file : files.sorted().toList()) {
        samples.add(new Sample(file.getFileName().toString(), Files.readAllBytes(file)));
      }
    }
    for (MeshFormat format : MeshFormat.values()) {
      if (format.isWritten()) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        format.write(HarbourProps.hatchLid(), out);
        samples.add(new Sample("written as " + format, out.toByteArray()));
      }
    }
    return samples;
  }

  /** Whether it was read; anything but that and a refusal fails. */
  private static boolean isRead(Sample sample) throws IOException {
    long began = System.nanoTime();
    boolean read;
    try {
      if (sample.isSvg()) {
        SvgLines.read(new String(sample.bytes(), StandardCharsets.UTF_8));
      } else {
        assertMesh(MeshFormat.read(new ByteArrayInputStream(sample.bytes()), FEW).mesh()).isSound();
      }
      read = true;
    } catch (BadFile | SvgFault e) {
      assertThat(e.getMessage()).isNotBlank();
      read = false;
    }
    assertThat(Duration.ofNanos(System.nanoTime() - began)).isLessThan(LONGEST);
    return read;
  }

  @Test
  void corpus_isReadOrRefused() throws Exception {
    List<String> read = new ArrayList<>();
    for (Sample sample : corpus()) {
      if (isRead(sample)) {
        read.add(sample.name());
      }
    }
    assertThat(read)
        .contains("lid.obj", "filthy.obj", "deck.ply", "plate.off", "buoy.stl", "hatch.svg")
        .doesNotContain(
            "declared.ply", "declared.off", "cyclic.gltf", "outside.gltf", "hostile.svg");
  }

  @Test
  void brokenFiles_areReadOrRefused() throws Exception {
    List<Sample> corpus = corpus();
    long until = System.nanoTime() + Duration.ofMinutes(MINUTES).toNanos();
    long first = MINUTES > 0 ? System.currentTimeMillis() << 20 : 0;
    int read = 0;
    int round = 0;
    while (round < ROUNDS || MINUTES > 0 && System.nanoTime() < until) {
      SplittableRandom random = new SplittableRandom(first + round);
      Sample whole = corpus.get(round % corpus.size());
      Sample broken = new Sample(whole.name(), broken(whole.bytes(), corpus, random));
      try {
        read += isRead(broken) ? 1 : 0;
      } catch (Throwable e) {
        Path kept = Path.of("target", "broken " + whole.name());
        Files.write(kept, broken.bytes());
        throw new AssertionError("seed %d: see %s".formatted(first + round, kept), e);
      }
      round++;
    }
    assertThat(read).isBetween(round / 20, round - round / 20);
  }

  private static byte[] broken(byte[] file, List<Sample> corpus, SplittableRandom random) {
    byte[] broken = file;
    for (int i = random.nextInt(1, 6); i > 0; i--) {
      broken = brokenOnce(broken, corpus, random);
    }
    return broken;
  }

  private static byte[] brokenOnce(byte[] file, List<Sample> corpus, SplittableRandom random) {
    if (file.length < 2) {
      return file;
    }
    int at = random.nextInt(file.length);
    return switch (random.nextInt(7)) {
      case 0 -> changed(file, at, (byte) random.nextInt(256));
      case 1 -> changed(file, at, (byte) (file[at] ^ 1 << random.nextInt(8)));
      case 2 -> Arrays.copyOf(file, at + 1);
      case 3 -> spliced(file, at, new byte[8], at);
      // A piece again, or left out.
      case 4 -> spliced(file, at, new byte[0], random.nextInt(file.length));
      case 5 -> {
        byte[] other = corpus.get(random.nextInt(corpus.size())).bytes();
        int from = random.nextInt(other.length);
        int to = Math.min(other.length, from + random.nextInt(1, 200));
        yield spliced(file, at, Arrays.copyOfRange(other, from, to), at);
      }
      default -> withOddWord(file, at, random);
    };
  }

  private static byte[] changed(byte[] file, int at, byte value) {
    byte[] changed = file.clone();
    changed[at] = value;
    return changed;
  }

  /** What is before one place, something between, and what is from another place on. */
  private static byte[] spliced(byte[] file, int upTo, byte[] between, int from) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(file, 0, upTo);
    out.writeBytes(between);
    out.write(file, from, file.length - from);
    return out.toByteArray();
  }

  /** The word at a place made another. */
  private static byte[] withOddWord(byte[] file, int at, SplittableRandom random) {
    int begin = at;
    while (begin > 0 && isInWord(file[begin - 1])) {
      begin--;
    }
    int end = at;
    while (end < file.length && isInWord(file[end])) {
      end++;
    }
    byte[] word = ODD.get(random.nextInt(ODD.size())).getBytes(StandardCharsets.ISO_8859_1);
    return spliced(file, begin, word, end);
  }

  private static boolean isInWord(byte b) {
    return b > ' ' && b != ',' && b != '/' && b != '"';
  }
}
