package fairedge.server.demo;

import fairedge.core.cut.Anchor;
import fairedge.core.cut.TracePoint;
import fairedge.core.format.obj.ObjWriter;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.core.work.View;
import fairedge.json.FindingView;
import fairedge.server.bench.Bench;
import fairedge.server.bench.Owner;
import fairedge.server.bench.WorkpieceView;
import fairedge.server.platform.Clocks;
import fairedge.server.platform.SignedIn;
import fairedge.server.practice.Practices;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.NoteView;
import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.Phrases;
import fairedge.server.review.Reviewing;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.Uploads;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * What the class Harbour Props has done by today: cuts made on the bench by the very steps that
 * students make, faults among them, handed in, answered, tried again.
 */
@Component
@ConditionalOnProperty(name = "fair-edge.demo-work", havingValue = "true", matchIfMissing = true)
class DemoWork {
  private static final View ABOVE = new View.Parallel(new Vec3(0, 0, -1));
  private static final View BELOW = new View.Parallel(new Vec3(0, 0, 1));
  private static final View CORNER = new View.Perspective(new Vec3(400, -500, 300));
  private static final View FRONT = new View.Perspective(new Vec3(900, -1400, 700));

  private final Bench bench;
  private final Practices practices;
  private final Submissions submissions;
  private final Uploads uploads;
  private final Reviewing reviews;
  private final Phrases phrases;

  DemoWork(
      Bench bench,
      Practices practices,
      Submissions submissions,
      Uploads uploads,
      Reviewing reviews,
      Phrases phrases) {
    this.phrases = phrases;
    this.bench = bench;
    this.practices = practices;
    this.submissions = submissions;
    this.uploads = uploads;
    this.reviews = reviews;
  }

  /** What is set in the class. */
  record Set(UUID lid, UUID bollard, UUID block) {}

  /**
   * @param people by their sign-in
   */
  void fill(Function<String, SignedIn> people, Set set) {
    SignedIn marit = people.apply("marit");
    keepPhrases(marit);
    runesLid(people.apply("rune"), set.lid(), marit);
    inesBollard(people.apply("ines"), set.bollard(), marit);
    bastiansBollard(people.apply("bastian"), set.bollard(), marit);
    tobiasBlock(people.apply("tobias"), set.block(), marit);
    solveigsFile(people.apply("solveig"), set.lid());
    // Amara is in the middle of it, and has handed nothing in.
    cut(people.apply("amara"), set.lid(), lidLine(0, 1), lidLine(0, 2));
    practise(people.apply("rune"), "capstan", "pontoon");
  }

  /** Remarks that Marit makes again and again. */
  private void keepPhrases(SignedIn marit) {
    keepPhrase(
        marit,
        NoteKind.mend,
        Kind.NGON,
        "This face has {sides} sides. Cut on from corner to corner until each has four.");
    keepPhrase(
        marit,
        NoteKind.mend,
        Kind.IDLE_VERTEX,
        "This vertex does nothing here: lift it, and the face is a quad again.");
    keepPhrase(marit, NoteKind.ask, null, "What should happen here once the form is smoothed?");
    keepPhrase(
        marit,
        NoteKind.praise,
        null,
        "This is it: the loop runs on, and nothing stands in its way.");
  }

  private void keepPhrase(SignedIn marit, NoteKind noteKind, @Nullable Kind kind, String text) {
    phrases.keep(
        marit, new Phrases.Asked(text, noteKind, kind == null ? null : kind.key(), null, false));
  }

  /** Forms that were taken off the shelf to try something. */
  private void practise(SignedIn student, String... forms) {
    for (String form : forms) {
      practices.beginWith(
          form, student, new Practices.Beginning(Profile.SMOOTH_FORM.name(), UUID.randomUUID()));
    }
  }

  /** One line across is not enough; the second attempt has the top right, and forgets the back. */
  private void runesLid(SignedIn rune, UUID lid, SignedIn marit) {
    cut(rune, lid, lidLine(0, 2));
    UUID first = handIn(rune, lid, Duration.ofDays(6));
    answer(
        marit,
        first,
        Verdict.tryAgain,
        "The first line sits where it should. It leaves two faces with ten sides each, and every"
            + " ring that climbs the wall still stops at them. Go on until no face has more than"
            + " four.",
        List.of(
            "Two more lines beside this one, from corner to corner, then three the other way.",
            "And look at the back: X turns you round."));
    giveBack(marit, first, Duration.ofDays(5));
    cut(rune, lid, lidLine(0, 1), lidLine(0, 3), lidLine(4, 1), lidLine(4, 2), lidLine(4, 3));
    handIn(rune, lid, Duration.ofHours(26));
  }

  private void inesBollard(SignedIn ines, UUID bollard, SignedIn marit) {
    cut(ines, bollard, waistLoop());
    UUID only = handIn(ines, bollard, Duration.ofDays(3));
    answer(
        marit,
        only,
        Verdict.accepted,
        "One loop, right round, at the middle. Every face is a quad and every ring closes or ends"
            + " at the foot. That is all it takes.",
        List.of());
    giveBack(marit, only, Duration.ofDays(2));
  }

  /** A loop, and then a cut too many: a quad of the waist in two. */
  private void bastiansBollard(SignedIn bastian, UUID bollard, SignedIn marit) {
    cut(bastian, bollard, trace(FRONT, onVertex(44), onVertex(57)), waistLoop());
    UUID only = handIn(bastian, bollard, Duration.ofHours(50));
    answer(
        marit,
        only,
        Verdict.tryAgain,
        "The loop would be right, but it came after a diagonal that no one needs, and so it could"
            + " not run round.",
        List.of("Take this edge out again and insert the loop once more: it will close."));
    giveBack(marit, only, Duration.ofHours(30));
  }

  /** Past the corner by a little: an idle vertex and two five-sided faces. */
  private void tobiasBlock(SignedIn tobias, UUID block, SignedIn marit) {
    int upper = HarbourProps.fairleadBlock().findEdge(5, 9);
    cut(tobias, block, trace(CORNER, onVertex(4), new Anchor.OnEdge(upper, 0.2), onVertex(6)));
    UUID only = handIn(tobias, block, Duration.ofHours(20));
    answer(
        marit,
        only,
        null,
        "Nearly: the line runs round both sides, but passes the corner at the front edge by 6 mm.",
        List.of("The corner is here. Aim at it until the ring shows that it is used."));
  }

  /** The lid cut elsewhere: clean on both sides, but the file is not. */
  private void solveigsFile(SignedIn solveig, UUID lid) {
    Mesh mesh = HarbourProps.hatchLid();
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    for (int k = 1; k <= 3; k++) {
      for (int side : new int[] {0, 4}) {
        workpiece.apply(lidLine(side, k));
        workpiece.apply(groundLine(side, k));
      }
    }
    StringBuilder file = new StringBuilder("# hatch lid, second try\n");
    try {
      ObjWriter.write(mesh, file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    file.append("v 0 0 140\nf 18 18 19 2 1\nf 3 4 444 20\n");
    InputStream bytes = new ByteArrayInputStream(file.toString().getBytes(StandardCharsets.UTF_8));
    Clocks.ago(
        Duration.ofHours(3),
        () ->
            uploads.receive(lid, solveig, "hatch-lid-solveig.obj", bytes, UUID.randomUUID(), null));
  }

  /** From side to side over the top's sixteen corners, whose grid has its corners at 16, 20, ... */
  static Change lidLine(int side, int k) {
    return side == 0
        ? trace(ABOVE, onVertex(16 + k), onVertex(28 - k))
        : trace(ABOVE, onVertex(20 + k), onVertex(16 + (16 - k) % 16));
  }

  static Change groundLine(int side, int k) {
    return side == 0
        ? trace(BELOW, onVertex(k), onVertex(12 - k))
        : trace(BELOW, onVertex(4 + k), onVertex((16 - k) % 16));
  }

  /** From corner to corner round two sides of the fairlead block. */
  static Change blockLine() {
    return trace(CORNER, onVertex(4), onVertex(5), onVertex(6));
  }

  private static Change waistLoop() {
    return Change.LoopsChange.of(HarbourProps.mooringBollard().findEdge(36, 48), 0.5);
  }

  private static Anchor onVertex(int v) {
    return new Anchor.OnVertex(v);
  }

  private static Change trace(View view, Anchor... anchors) {
    return Change.TraceChange.of(
        Stream.of(anchors).map(anchor -> new TracePoint(anchor, view)).toList());
  }

  private void cut(SignedIn student, UUID assignment, Change... changes) {
    WorkpieceView workpiece = bench.open(Owner.assignment(assignment), student);
    long revision = workpiece.revision();
    for (Change change : changes) {
      Bench.Asked asked = new Bench.Asked(revision++, UUID.randomUUID());
      bench.step(workpiece.id(), student, asked, change, FRONT);
    }
  }

  private UUID handIn(SignedIn student, UUID assignment, Duration ago) {
    WorkpieceView workpiece = bench.open(Owner.assignment(assignment), student);
    return Clocks.ago(
        ago,
        () ->
            submissions
                .fromBench(workpiece.id(), student, workpiece.revision(), UUID.randomUUID())
                .id());
  }

  /** Keeps a draft whose notes are about the first findings, in their order. */
  private void answer(
      SignedIn marit, UUID id, @Nullable Verdict verdict, String word, List<String> notes) {
    List<FindingView> findings = submissions.newest(submissions.require(id)).findings();
    List<Reviewing.Drafted> pinned = new ArrayList<>();
    for (int i = 0; i < notes.size(); i++) {
      FindingView finding = findings.get(i);
      NoteView note =
          new NoteView(
              UUID.randomUUID(),
              NoteKind.mend,
              notes.get(i),
              i,
              finding.elements().getFirst(),
              finding.place(),
              null,
              List.of(),
              null,
              null,
              null);
      pinned.add(new Reviewing.Drafted(note, finding.key()));
    }
    reviews.keep(
        id, marit, new Reviewing.Draft(0, null, null, word, verdict, pinned, Map.of(), Map.of()));
  }

  private void giveBack(SignedIn marit, UUID id, Duration ago) {
    Clocks.ago(ago, () -> reviews.giveBackAtOnce(id, marit, 1));
  }
}
