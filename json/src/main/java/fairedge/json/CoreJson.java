package fairedge.json;

import com.fasterxml.jackson.annotation.JsonCreator;
import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonProperty;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import fairedge.core.cut.Anchor;
import fairedge.core.cut.LoopPlaces;
import fairedge.core.cut.Loops;
import fairedge.core.cut.Outline;
import fairedge.core.cut.OutlineShape;
import fairedge.core.cut.PlaneBy;
import fairedge.core.cut.Reach;
import fairedge.core.cut.Straight;
import fairedge.core.cut.TracePoint;
import fairedge.core.cut.TraceRun;
import fairedge.core.form.Bend;
import fairedge.core.form.Extrude;
import fairedge.core.form.ExtrudeEdges;
import fairedge.core.form.Groove;
import fairedge.core.form.MirrorBy;
import fairedge.core.form.Support;
import fairedge.core.form.Thicken;
import fairedge.core.format.Meant;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Bending;
import fairedge.core.geometry.BentBetween;
import fairedge.core.geometry.Vec3;
import fairedge.core.meet.Meet;
import fairedge.core.step.Change;
import fairedge.core.step.ChangeKind;
import fairedge.core.step.Tidying;
import fairedge.core.survey.Marking;
import fairedge.core.survey.Wanted;
import fairedge.core.tidy.Cap;
import fairedge.core.tidy.Relax;
import fairedge.core.tidy.Slide;
import fairedge.core.tidy.Weld;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import tools.jackson.databind.EnumNamingStrategies;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.annotation.EnumNaming;
import tools.jackson.databind.jsontype.NamedType;
import tools.jackson.databind.module.SimpleModule;

/** How the core's sealed values are written as JSON: by a name that tells which they are. */
public final class CoreJson {
  private CoreJson() {}

  /** The names are those of {@link ChangeKind}. */
  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "tool")
  private interface ChangeNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "on")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Anchor.OnVertex.class, name = "vertex"),
    @JsonSubTypes.Type(value = Anchor.OnEdge.class, name = "edge"),
    @JsonSubTypes.Type(value = Anchor.InFace.class, name = "face"),
    @JsonSubTypes.Type(value = Anchor.OffModel.class, name = "beside")
  })
  private interface AnchorNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = View.Perspective.class, name = "perspective"),
    @JsonSubTypes.Type(value = View.Parallel.class, name = "parallel")
  })
  private interface ViewNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "place")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = LoopPlaces.At.class, name = "at"),
    @JsonSubTypes.Type(value = LoopPlaces.Even.class, name = "even"),
    @JsonSubTypes.Type(value = LoopPlaces.FromSide.class, name = "fromSide"),
    @JsonSubTypes.Type(value = LoopPlaces.Pair.class, name = "pair")
  })
  private interface LoopPlacesNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "by")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = PlaneBy.Drawn.class, name = "drawn"),
    @JsonSubTypes.Type(value = PlaneBy.Along.class, name = "axis"),
    @JsonSubTypes.Type(value = PlaneBy.Through.class, name = "anchors"),
    @JsonSubTypes.Type(value = PlaneBy.SquareTo.class, name = "face")
  })
  private interface PlaneByNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "by")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = MirrorBy.AtOffset.class, name = "offset"),
    @JsonSubTypes.Type(value = MirrorBy.AtBox.class, name = "box"),
    @JsonSubTypes.Type(value = MirrorBy.AlongEdges.class, name = "edges"),
    @JsonSubTypes.Type(value = MirrorBy.ThroughAnchors.class, name = "anchors")
  })
  private interface MirrorByNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "form")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = OutlineShape.Regular.class, name = "regular"),
    @JsonSubTypes.Type(value = OutlineShape.Rectangle.class, name = "rectangle"),
    @JsonSubTypes.Type(value = OutlineShape.Star.class, name = "star"),
    @JsonSubTypes.Type(value = OutlineShape.Lines.class, name = "lines")
  })
  private interface OutlineShapeNames {}

  private interface TraceShort {
    @JsonCreator
    static Change.TraceChange asked(
        @JsonProperty("runs") List<TraceRun> runs,
        @JsonProperty("points") List<TracePoint> points,
        @JsonProperty("reach") Reach reach,
        @JsonProperty("scope") Scope scope) {
      return Change.TraceChange.asked(runs, points, reach, scope);
    }
  }

  private interface LoopsShort {
    @JsonCreator
    static Change.LoopsChange asked(
        @JsonProperty("edge") int edge,
        @JsonProperty("places") LoopPlaces places,
        @JsonProperty("fraction") Double fraction,
        @JsonProperty("shape") Loops.Shape shape,
        @JsonProperty("runOn") Boolean runOn,
        @JsonProperty("scope") Scope scope) {
      return Change.LoopsChange.asked(edge, places, fraction, shape, runOn, scope);
    }
  }

  private interface StraightShort {
    @JsonCreator
    static Change.StraightChange asked(
        @JsonProperty("plane") PlaneBy plane,
        @JsonProperty("turn") Double turn,
        @JsonProperty("tilt") Double tilt,
        @JsonProperty("shift") Double shift,
        @JsonProperty("count") Integer count,
        @JsonProperty("spacing") Double spacing,
        @JsonProperty("reach") Reach reach,
        @JsonProperty("between") Boolean between,
        @JsonProperty("eye") View eye,
        @JsonProperty("after") Straight.After after,
        @JsonProperty("ends") Straight.Ends ends,
        @JsonProperty("scope") Scope scope) {
      return Change.StraightChange.asked(
          plane, turn, tilt, shift, count, spacing, reach, between, eye, after, ends, scope);
    }
  }

  private interface OutlineShort {
    @JsonCreator
    static Change.OutlineChange asked(
        @JsonProperty("shape") OutlineShape shape,
        @JsonProperty("placement") Outline.Placement placement,
        @JsonProperty("reach") Reach reach,
        @JsonProperty("scope") Scope scope) {
      return Change.OutlineChange.asked(shape, placement, reach, scope);
    }
  }

  private interface ExtrusionShort {
    @JsonCreator
    static Extrude.Extrusion asked(
        @JsonProperty("heading") Extrude.Heading heading,
        @JsonProperty("direction") Vec3 direction,
        @JsonProperty("distance") double distance,
        @JsonProperty("segments") Integer segments,
        @JsonProperty("scale") Double scale,
        @JsonProperty("turn") Double turn) {
      return Extrude.Extrusion.asked(heading, direction, distance, segments, scale, turn);
    }
  }

  private interface HoldingShort {
    @JsonCreator
    static Support.Holding asked(
        @JsonProperty("way") Support.SupportWay way,
        @JsonProperty("distance") double distance,
        @JsonProperty("side") Support.SupportSide side,
        @JsonProperty("through") Boolean through,
        @JsonProperty("segments") Integer segments,
        @JsonProperty("profile") Double profile,
        @JsonProperty("toEnds") Boolean toEnds,
        @JsonProperty("roomy") Boolean roomy) {
      return Support.Holding.asked(way, distance, side, through, segments, profile, toEnds, roomy);
    }
  }

  private interface ChannelShort {
    @JsonCreator
    static Groove.Channel asked(
        @JsonProperty("width") double width,
        @JsonProperty("floor") Double floor,
        @JsonProperty("depth") double depth,
        @JsonProperty("across") Integer across,
        @JsonProperty("end") Groove.GrooveEnd end,
        @JsonProperty("runOn") Boolean runOn,
        @JsonProperty("toEnds") Boolean toEnds,
        @JsonProperty("roomy") Boolean roomy) {
      return Groove.Channel.asked(width, floor, depth, across, end, runOn, toEnds, roomy);
    }
  }

  private interface ShellShort {
    @JsonCreator
    static Thicken.Shell asked(
        @JsonProperty("thickness") double thickness,
        @JsonProperty("side") Thicken.ShellSide side,
        @JsonProperty("segments") Integer segments) {
      return Thicken.Shell.asked(thickness, side, segments);
    }
  }

  private interface BowShort {
    @JsonCreator
    static Bend.Bow asked(
        @JsonProperty("way") Bending.BendWay way,
        @JsonProperty("axis") Axis axis,
        @JsonProperty("towards") Axis towards,
        @JsonProperty("low") Double low,
        @JsonProperty("high") Double high,
        @JsonProperty("held") BentBetween.HeldAt held,
        @JsonProperty("amount") double amount) {
      return Bend.Bow.asked(way, axis, towards, low, high, held, amount);
    }
  }

  private interface RelaxShort {
    @JsonCreator
    static Tidying.RelaxChange asked(
        @JsonProperty("vertices") List<Integer> vertices,
        @JsonProperty("rounds") int rounds,
        @JsonProperty("strength") double strength,
        @JsonProperty("way") Relax.RelaxWay way) {
      return Tidying.RelaxChange.asked(vertices, rounds, strength, way);
    }
  }

  private interface WantedShort {
    @JsonCreator
    static Wanted asked(
        @JsonProperty("parts") Integer parts,
        @JsonProperty("faces") Integer faces,
        @JsonProperty("distance") Double distance,
        @JsonProperty("mirror") Wanted.Mirror mirror,
        @JsonProperty("rightRound") Boolean rightRound,
        @JsonProperty("lines") List<Wanted.Line> lines,
        @JsonProperty("hardLines") List<Wanted.Line> hardLines,
        @JsonProperty("coveredEnds") List<Vec3> coveredEnds,
        @JsonProperty("cuttable") List<Vec3> cuttable,
        @JsonProperty("held") List<Vec3> held,
        @JsonProperty("pardons") List<Wanted.Pardon> pardons) {
      return Wanted.asked(
          parts,
          faces,
          distance,
          mirror,
          rightRound,
          lines,
          hardLines,
          coveredEnds,
          cuttable,
          held,
          pardons);
    }
  }

  /** What people may leave out or write short, by the factory of the same name. */
  private static final Map<Class<?>, Class<?>> SHORT_FORMS =
      Map.ofEntries(
          Map.entry(Change.TraceChange.class, TraceShort.class),
          Map.entry(Change.LoopsChange.class, LoopsShort.class),
          Map.entry(Change.StraightChange.class, StraightShort.class),
          Map.entry(Change.OutlineChange.class, OutlineShort.class),
          Map.entry(Extrude.Extrusion.class, ExtrusionShort.class),
          Map.entry(Support.Holding.class, HoldingShort.class),
          Map.entry(Groove.Channel.class, ChannelShort.class),
          Map.entry(Thicken.Shell.class, ShellShort.class),
          Map.entry(Bend.Bow.class, BowShort.class),
          Map.entry(Tidying.RelaxChange.class, RelaxShort.class),
          Map.entry(Wanted.class, WantedShort.class));

  @EnumNaming(EnumNamingStrategies.LowerCamelCaseStrategy.class)
  private interface LowerCamel {}

  private static final List<Class<? extends Enum<?>>> ENUMS =
      List.of(
          Reach.class,
          LoopPlaces.Measure.class,
          Loops.Shape.class,
          Axis.class,
          Meant.Up.class,
          Straight.After.class,
          Straight.Ends.class,
          Weld.At.class,
          Cap.Form.class,
          Slide.SlideBy.class,
          Extrude.Heading.class,
          ExtrudeEdges.BrimWay.class,
          Support.SupportWay.class,
          Support.SupportSide.class,
          Groove.GrooveEnd.class,
          Thicken.ShellSide.class,
          MirrorBy.InBox.class,
          BentBetween.HeldAt.class,
          Bending.BendWay.class,
          Relax.RelaxWay.class,
          Meet.MeetWay.class,
          Meet.Whose.class,
          Marking.Sort.class);

  /** Questions that a value answers are no properties of it. */
  private interface WithoutQuestions {
    @JsonIgnore
    boolean isFinite();
  }

  private static final Map<Class<?>, Class<?>> NAMES =
      Map.of(
          Change.class,
          ChangeNames.class,
          Anchor.class,
          AnchorNames.class,
          View.class,
          ViewNames.class,
          LoopPlaces.class,
          LoopPlacesNames.class,
          PlaneBy.class,
          PlaneByNames.class,
          MirrorBy.class,
          MirrorByNames.class,
          OutlineShape.class,
          OutlineShapeNames.class);

  /** How a constant of one of the core's enums is written: {@code keepAhead}. */
  public static String nameOf(Enum<?> constant) {
    if (!ENUMS.contains(constant.getDeclaringClass())) {
      return constant.name();
    }
    String[] words = constant.name().toLowerCase(Locale.ROOT).split("_");
    StringBuilder name = new StringBuilder(words[0]);
    for (int i = 1; i < words.length; i++) {
      name.append(words[i].substring(0, 1).toUpperCase(Locale.ROOT)).append(words[i].substring(1));
    }
    return name.toString();
  }

  /** The property that tells which of a sealed type's records a JSON object is. */
  public static String tellingProperty(Class<?> sealed) {
    return namesOf(sealed).getAnnotation(JsonTypeInfo.class).property();
  }

  /** The name by which a record of a sealed type is told. */
  public static String nameOf(Class<?> sealed, Class<?> type) {
    if (sealed == Change.class) {
      return ChangeKind.of(type).key();
    }
    for (JsonSubTypes.Type t : namesOf(sealed).getAnnotation(JsonSubTypes.class).value()) {
      if (t.value() == type) {
        return t.name();
      }
    }
    throw new IllegalStateException(type + " has no name in JSON");
  }

  private static Class<?> namesOf(Class<?> sealed) {
    Class<?> names = NAMES.get(sealed);
    if (names == null) {
      throw new IllegalStateException(sealed + " has no names in JSON");
    }
    return names;
  }

  /** To be registered with whatever mapper reads or writes the core's values. */
  public static JacksonModule module() {
    SimpleModule module = new SimpleModule("core names");
    NAMES.forEach(module::setMixInAnnotation);
    for (ChangeKind kind : ChangeKind.values()) {
      module.registerSubtypes(new NamedType(kind.type(), kind.key()));
    }
    SHORT_FORMS.forEach(module::setMixInAnnotation);
    ENUMS.forEach(type -> module.setMixInAnnotation(type, LowerCamel.class));
    for (Class<?> type : List.of(Vec3.class, View.Perspective.class, View.Parallel.class)) {
      module.setMixInAnnotation(type, WithoutQuestions.class);
    }
    return module;
  }
}
