package fairedge.server.demo;

import fairedge.core.credit.CreditRule;
import fairedge.core.credit.CreditRule.Counts;
import fairedge.core.credit.Criterion;
import fairedge.core.credit.Criterion.ByEye;
import fairedge.core.credit.Criterion.ByFindings;
import fairedge.core.credit.Criterion.ByMeasure;
import fairedge.core.credit.Criterion.Word;
import fairedge.core.credit.Measure;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.core.survey.Threshold;
import fairedge.core.survey.Wanted;
import fairedge.core.survey.Wanted.Pardon;
import fairedge.server.exercise.Exercises;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The exercises of the sample class: each with its starter, its brief, which says where it mostly
 * goes wrong, a reference that was made by the engine's own steps, and a rule for credits.
 */
final class DemoExercises {
  private static final Optional<Severity> OFF = Optional.empty();
  private static final Optional<Severity> SHOULD = Optional.of(Severity.SHOULD);

  private DemoExercises() {}

  /** An exercise with its meshes. */
  record Sample(Exercises.Asked asked, Mesh starter, Mesh reference) {}

  /** Those that are ready, and that nobody has set yet. */
  static List<Sample> toBeSet() {
    return List.of(
        budget(),
        line(),
        sections(),
        cleaning(),
        end(),
        rim(),
        half(),
        folds(),
        tube(),
        seat(),
        fitted(),
        porthole());
  }

  /** All of them, in the order in which a class would meet them. */
  static List<Sample> all() {
    return List.of(
        lid(),
        bollard(),
        block(),
        rim(),
        end(),
        cleaning(),
        sections(),
        line(),
        budget(),
        half(),
        folds(),
        tube(),
        seat(),
        fitted(),
        porthole());
  }

  static Sample lid() {
    return new Sample(
        new Exercises.Asked(
            "Hatch lid",
            "Cut the 16-sided top into quads",
            """
            The lid of a deck hatch: a short cylinder whose top is one face with 16 sides. \
            Nothing can run across such a face: every ring that climbs the wall stops at it.

            Cut the top into quads with Trace. Sixteen corners fit a grid: choose four of them \
            as its corners and run straight lines from side to side. Do the same below, or leave \
            the bottom for a second attempt and see what the check says.

            **Where it goes wrong:** a line that ends beside a corner leaves a vertex that shapes \
            nothing, and two faces with five sides.\
            """,
            "mm",
            anyWay(Profile.ALL_QUADS),
            Wanted.NOTHING,
            rule(
                byFindings("Quads everywhere", 4, 1, 0.5, Kind.Family.SIDES),
                byFindings("Nothing left over", 2, 0.5, 0.5, Kind.Family.VERTICES))),
        HarbourProps.hatchLid(),
        DemoSolutions.lid());
  }

  static Sample bollard() {
    return new Sample(
        new Exercises.Asked(
            "Mooring bollard",
            "Insert a loop at the middle of the waist",
            """
            The waist of this bollard is one long row of quads. A rope that bends it needs an \
            edge to bend at.

            Insert one loop at mid-height of the waist with Loops. Point at an upright edge of \
            the waist: the ring that lights up is what the loop will cross. Everything stays \
            quads.

            **Where it goes wrong:** any cut before the loop stops the ring that the loop would \
            run across.\
            """,
            "mm",
            anyWay(Profile.OPEN_SHEET),
            Wanted.NOTHING,
            rule(
                byMeasure("Loops run on", 3, Measure.COMPLETE_LOOPS, 60, 75),
                byEye(
                    "The waist holds its form",
                    word("slack", 0),
                    word("in places", 1),
                    word("crisp", 2)))),
        HarbourProps.mooringBollard(),
        DemoSolutions.bollard());
  }

  static Sample block() {
    return new Sample(
        new Exercises.Asked(
            "Fairlead block",
            "Trace a line from corner to corner round two sides",
            """
            This block guides a rope over the rail. Left and back have their line at half height \
            already; the front and the right side are one face of six sides each, and the ring that \
            comes round from behind stops at both.

            Close it with one Trace: from the corner at the left, round the front edge, to the \
            corner at the back right. Take the corners that are there: an end beside one would \
            leave a vertex that shapes nothing.

            **Where it goes wrong:** the trace passes the corner on the front edge by a little.\
            """,
            "mm",
            anyWay(Profile.ALL_QUADS),
            Wanted.NOTHING,
            CreditRule.NONE),
        HarbourProps.fairleadBlock(),
        DemoSolutions.block());
  }

  static Sample rim() {
    return new Sample(
        new Exercises.Asked(
            "Porthole ring",
            "Hold the two rims at the foot",
            """
            Subdivided, this ring stands on a soft roll instead of a flat foot: nothing holds the \
            two rims where its walls meet the ground. Look at it with Subdivided (U) first.

            Give each rim a loop on both of its sides, near to it: one on the outer wall, one on \
            the inner, and two on the ground. The bevels above are to stay soft.

            **Where it goes wrong:** a loop on the wall alone. The ground then still pulls the rim \
            in. And a loop half-way up holds nothing: the check says by how much the rim moves.\
            """,
            "mm",
            profile(Profile.SMOOTH_FORM, "Smooth form, a round rim", Map.of(Rule.OFF_LINE, OFF))
                .with(Profile.SMOOTH_FORM.thresholds().with(Threshold.SOFT_EDGE, 0.15)),
            Wanted.NOTHING,
            rule(
                byFindings("Both rims are held", 6, 1, 0.15, Kind.Family.SUPPORT),
                byFindings("Quads everywhere", 2, 1, 0.5, Kind.Family.SIDES, Kind.Family.FLOW),
                byEye(
                    "The bevels stay soft", word("pinched", 0), word("even", 1), word("soft", 2)))),
        HarbourProps.portholeRing(),
        DemoSolutions.rim());
  }

  static Sample end() {
    return new Sample(
        new Exercises.Asked(
            "Channel buoy",
            "Cap both ends with quads",
            """
            The float ends below in a fan of ten triangles, and above in one face of ten sides. \
            No loop gets past either of them.

            Lift the middle of the fan, so that a face of ten sides is left, and fill both ends \
            with a grid: Cap does it, or Trace from corner to corner. Ten sides make two quads by \
            three.

            **Where it goes wrong:** the two grids are turned against each other. Then a ring winds \
            round the float instead of closing. Count the columns between the corners of both.\
            """,
            "mm",
            anyWay(Profile.ALL_QUADS),
            Wanted.NOTHING,
            rule(
                byFindings("Quads everywhere", 4, 2, 1, Kind.Family.SIDES),
                byFindings("Rings close", 4, 1, 2, Kind.Family.FLOW),
                byMeasure("Loops run on", 2, Measure.COMPLETE_LOOPS, 40, 65))),
        HarbourProps.channelBuoy(),
        DemoSolutions.end());
  }

  static Sample cleaning() {
    return new Sample(
        new Exercises.Asked(
            "Rope locker, as it came",
            "Clean a mesh that came from elsewhere",
            """
            Somebody sent this locker as a file. It looks whole, and it is not: one wall hangs on \
            three of its edges only, one is turned inside out, a vertex lies where nothing needs \
            it, another in no face at all, and the door is two triangles.

            Make it one clean skin of quads again, and move nothing. Ask the check what is left.

            **Where it goes wrong:** deleting the loose wall and filling the hole anew, which \
            works, but leaves the vertices that were double where they are.\
            """,
            "mm",
            Profile.ALL_QUADS,
            new Wanted(1, null, 0.5, null, false, List.of(), List.of()),
            rule(
                byFindings("Nothing double, nothing loose", 4, 1, 0.5, Kind.Family.VERTICES),
                byFindings("One skin, right side out", 4, 1, 0.5, Kind.Family.SURFACE),
                byFindings("Quads everywhere", 1, 0.5, 0.5, Kind.Family.SIDES),
                byMeasure("The form is kept", 1, Measure.MOVED, 5, 0.5))),
        DemoSolutions.lockerAsItCame(),
        HarbourProps.ropeLocker());
  }

  static Sample sections() {
    return new Sample(
        new Exercises.Asked(
            "Pontoon",
            "Give a long float sections enough to bend",
            """
            This float is one piece from end to end. Bent in a swell it would fold where its ends \
            are and nowhere else.

            Lay loops round it, evenly, until no quad is more than five times as long as it is \
            wide. Then bend it (E) by 60 degrees and look along the belly: is it round? The ends \
            may stay as they are.

            **Where it goes wrong:** loops in the middle only. The bend then kinks beside the last \
            of them.\
            """,
            "mm",
            profile(
                    Profile.ALL_QUADS,
                    "All quads, to be bent",
                    Map.of(Rule.OFF_LINE, OFF, Rule.STRETCHED, SHOULD))
                .with(Profile.ALL_QUADS.thresholds().with(Threshold.STRETCHED, 5)),
            new Wanted(null, null, 1.0, null, true, List.of(), List.of())
                .pardoning(List.of(new Pardon("ngon", null), new Pardon("ring-stop", null))),
            rule(
                byFindings("Sections enough", 4, 1, 0.5, Kind.Family.FLOW),
                byFindings("Right round", 2, 1, 0.5, Kind.Family.SHAPE, Kind.Family.SIDES),
                byEye("Bends round", word("kinks", 0), word("nearly", 2), word("round", 4)))),
        HarbourProps.pontoon(),
        DemoSolutions.sections());
  }

  static Sample line() {
    return new Sample(
        new Exercises.Asked(
            "Channel buoy, waterline",
            "Put a loop on the waterline, right round",
            """
            The paint below the waterline is another than above it, and the edge between the two \
            is an edge of the mesh. The line to meet is drawn on the buoy, half-way up its widest \
            part.

            Run one loop along it with Loops; type the share if your hand is not quiet. The ends \
            of the buoy are another exercise: leave them.

            **Where it goes wrong:** a straight cut through the front only. It looks the same from \
            here.\
            """,
            "mm",
            profile(Profile.ALL_QUADS, "All quads, one line", Map.of(Rule.IDLE_LOOP, SHOULD)),
            DemoSolutions.waterline(),
            rule(
                byMeasure("The line is met", 6, Measure.LINES_MET, 0, 100),
                byFindings(
                    "Nothing beside it", 4, 1, 0.5, Kind.Family.SHAPE, Kind.Family.VERTICES))),
        HarbourProps.channelBuoy(),
        DemoSolutions.line());
  }

  static Sample budget() {
    return new Sample(
        new Exercises.Asked(
            "Capstan",
            "Cap the top and even the drum, within 112 faces",
            """
            A capstan for the far end of the quay: nobody will come near it, so every face counts. \
            Its top is one face of 16 sides, and the quads of its drum are more than three times \
            as high as they are wide.

            Cap the top with quads and even the drum. The budget is 112 faces: work out what the \
            cap takes before you cut, and what is left for the drum.

            **Where it goes wrong:** rings in the cap. They look better and cost 16 faces each.\
            """,
            "mm",
            profile(
                    Profile.ALL_QUADS,
                    "All quads, a budget",
                    Map.of(Rule.OFF_LINE, OFF, Rule.STRETCHED, SHOULD))
                .with(Profile.ALL_QUADS.thresholds().with(Threshold.STRETCHED, 2.5)),
            new Wanted(null, 112, null, null, false, List.of(), List.of()),
            rule(
                byFindings("Quads everywhere", 3, 1.5, 1, Kind.Family.SIDES),
                byFindings("Even", 3, 1, 0.25, Kind.Family.FLOW),
                byMeasure("Within the budget", 4, Measure.OVER_BUDGET, 32, 0))),
        HarbourProps.capstan(),
        DemoSolutions.budget());
  }

  static Sample half() {
    return new Sample(
        new Exercises.Asked(
            "Half a cleat",
            "Work on one half, then mirror it",
            """
            A cleat is alike on both sides, so only half of it needs work. This is the right half, \
            open where it was cut.

            Give the horn a loop half-way out, so that it can be curved later. Then make the whole \
            of it with Mirror, at an offset of 0 along X, the higher side kept. The slip says how \
            many edges are joined: there are four.

            **Where it goes wrong:** mirroring first, and then cutting one horn only. The check \
            calls the halves unlike.\
            """,
            "mm",
            anyWay(Profile.ALL_QUADS),
            new Wanted(
                1,
                null,
                null,
                new Wanted.Mirror(Vec3.ZERO, new Vec3(1, 0, 0), 1e-3),
                false,
                List.of(),
                List.of()),
            rule(
                byFindings("One closed form", 4, 2, 0.5, Kind.Family.SURFACE, Kind.Family.SIDES),
                byFindings("Both halves alike", 2, 1, 0.5, Kind.Family.SHAPE),
                byEye("The horn can be curved", word("no loop", 0), word("a loop", 2)))),
        DemoSolutions.halfCleat(),
        DemoSolutions.mirrored());
  }

  static Sample folds() {
    return new Sample(
        new Exercises.Asked(
            "Folded-sail card, flat",
            "Fold a flat card along its lines",
            """
            The card that a sail is folded on, laid flat. Fold it along its five lines, up and down \
            by turns, by 100 degrees, and let the first panel at the left lie where it lies: where the \
            folds are to come is drawn.

            Take Fold. Make the first, third and fifth line hinges of -100 degrees, the second and \
            fourth of 100, and click a face of the panel that stays. Play it from flat before you \
            do it.

            **Where it goes wrong:** all lines folded the same way. The card rolls up, and its \
            panels pass through one another.\
            """,
            "mm",
            Profile.OPEN_SHEET,
            DemoSolutions.folds(),
            rule(
                byMeasure("The folds lie where they ought to", 6, Measure.LINES_MET, 0, 100),
                byFindings("Nothing torn", 2, 1, 0.5, Kind.Family.SURFACE))),
        DemoSolutions.flatCard(),
        DemoSolutions.foldedCard());
  }

  static Sample tube() {
    return new Sample(
        new Exercises.Asked(
            "Rope tube",
            "Cut a tube into sections, bend it round, join its ends",
            """
            A grommet is a ring of rope. It begins as a straight tube in one piece, 600 mm long.

            Bent round as it is, it would be flat: it wants 24 sections for a full turn. Cut them with \
            Straight, 23 planes 25 mm apart. Then bend it by 360 degrees along X, and join the two ends \
            with Rejoin (in Pieces).

            **Where it goes wrong:** bending before cutting. The slip of Bend says how many sections \
            there are and how many it wants.\
            """,
            "mm",
            profile(
                Profile.ALL_QUADS,
                "All quads, one closed ring",
                Map.of(
                    Rule.OFF_LINE,
                    OFF,
                    Rule.BORDER,
                    Optional.of(Severity.MUST),
                    Rule.STRETCHED,
                    SHOULD)),
            new Wanted(1, null, null, null, false, List.of(), List.of()),
            rule(
                byFindings("One closed ring", 4, 1, 0.5, Kind.Family.SURFACE),
                byMeasure("Loops run on", 2, Measure.COMPLETE_LOOPS, 60, 90),
                byEye("Round", word("corners", 0), word("nearly", 1), word("round", 3)))),
        HarbourProps.ropeTube(),
        DemoSolutions.grommet());
  }

  static Sample seat() {
    return new Sample(
        new Exercises.Asked(
            "Hatch lid, a seat for the seal",
            "Make a groove round the top of the lid",
            """
            The seal of this hatch lies in a groove round its top. Where the inner foot of the \
            groove is to lie is drawn.

            Inset the top by 60 mm: that gives the ring of edges that the groove is made of. Then take \
            Groove: 30 mm wide, upright walls, 12 mm deep. Cap the faces of sixteen sides that are left, \
            above and below.

            **Where it goes wrong:** a groove along the border of the lid itself. It eats into the \
            wall.\
            """,
            "mm",
            profile(
                Profile.ALL_QUADS,
                "All quads, a groove",
                Map.of(Rule.SPIRAL, OFF, Rule.ONE_SIDED, OFF)),
            DemoSolutions.seat(),
            rule(
                byMeasure("The seat lies right", 6, Measure.LINES_MET, 0, 100),
                byFindings("Quads beside it", 2, 0.5, 0.5, Kind.Family.SIDES))),
        HarbourProps.hatchLid(),
        DemoSolutions.grooved());
  }

  static Sample porthole() {
    return new Sample(
        new Exercises.Asked(
            "Porthole in a bent plate",
            "Bore a hole, clean its line, hold its rims",
            """
            The bore of 12 sides passes through the plate. Take it away with Meet: let the line be cleaned \
            within 0.1 mm, and a collar of 14 mm go round it. Then hold both rims with Support, 5 mm.

            **Where it goes wrong:** rims without a collar. Support has no room there, and the corners \
            of the hole run out into the plate.\
            """,
            "mm",
            profile(
                Profile.ALL_QUADS,
                "All quads, a hole that is held",
                Map.of(Rule.OFF_LINE, OFF, Rule.SPIRAL, OFF, Rule.ONE_SIDED, OFF)),
            new Wanted(1, null, null, null, false, List.of(), List.of()),
            rule(
                byFindings("One sound piece", 4, 1, 0.5, Kind.Family.SURFACE),
                byFindings("Quads round the hole", 4, 1, 0.5, Kind.Family.SIDES))),
        HarbourProps.plateAndBore(),
        DemoSolutions.porthole());
  }

  static Sample fitted() {
    return new Sample(
        new Exercises.Asked(
            "Chock and tongue",
            "Fit one piece into the other, with play",
            """
            The tongue slides into the chock from the side. As they are they pass through one another.

            Take Meet, Fit, and click the tongue: it stays, and the chock loses it, with 2 mm of play on \
            all sides. Let the line be cleaned in the same step, and look at what it leaves before and \
            after (W).

            **Where it goes wrong:** Take away instead of Fit. Then the tongue is gone, and what is left \
            has no play.\
            """,
            "mm",
            profile(Profile.ALL_QUADS, "All quads, fitted pieces", Map.of(Rule.OFF_LINE, OFF)),
            new Wanted(2, null, null, null, false, List.of(), List.of()),
            rule(
                byFindings("Two sound pieces", 4, 1, 0.5, Kind.Family.SURFACE),
                byFindings("Quads beside the line", 4, 1, 0.5, Kind.Family.SIDES))),
        HarbourProps.chockAndTongue(),
        DemoSolutions.fitted());
  }

  private static Profile anyWay(Profile profile) {
    return profile(profile, profile.name() + ", any way", Map.of(Rule.OFF_LINE, OFF));
  }

  /** Like another, with some rules counting otherwise. */
  private static Profile profile(
      Profile like, String name, Map<Rule, Optional<Severity>> otherwise) {
    Map<Rule, Severity> severities = new EnumMap<>(Rule.class);
    for (Rule rule : Rule.values()) {
      otherwise
          .getOrDefault(rule, like.severityOf(rule))
          .ifPresent(severity -> severities.put(rule, severity));
    }
    return new Profile(name, severities, like.thresholds());
  }

  private static CreditRule rule(Criterion... criteria) {
    return new CreditRule(List.of(criteria), credits(0.5), credits(0.5), Counts.BEST);
  }

  private static Criterion byFindings(
      String name, double all, double offMust, double offShould, Kind.Family... families) {
    Set<Kind> kinds =
        Arrays.stream(Kind.values())
            .filter(k -> List.of(families).contains(k.family()))
            .collect(Collectors.toSet());
    return new ByFindings(name, credits(all), credits(offMust), credits(offShould), kinds);
  }

  private static Criterion byMeasure(
      String name, double all, Measure measure, double nothingAt, double fullAt) {
    return new ByMeasure(name, credits(all), measure, nothingAt, fullAt);
  }

  private static Criterion byEye(String name, Word... words) {
    return new ByEye(name, words[words.length - 1].credits(), List.of(words));
  }

  private static Word word(String word, double credits) {
    return new Word(word, credits(credits));
  }

  private static BigDecimal credits(double number) {
    return BigDecimal.valueOf(number);
  }
}
