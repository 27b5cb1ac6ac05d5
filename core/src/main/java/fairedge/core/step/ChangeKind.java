package fairedge.core.step;

import java.util.Arrays;

/**
 * The kinds of change, each once: from here follow their names in JSON (in the API, the store and
 * on the command line), what steps are called, and the tests that try every kind.
 */
public enum ChangeKind {
  LOOPS("loops", "Loops", Change.LoopsChange.class),
  STRAIGHT("straight", "Straight", Change.StraightChange.class),
  OUTLINE("outline", "Outline", Change.OutlineChange.class),
  TRACE("trace", "Trace", Change.TraceChange.class),
  LIFT("lift", "Lift", Tidying.LiftChange.class),
  DELETE("delete", "Delete", Tidying.DeleteChange.class),
  LOOSE_PARTS("looseParts", "Loose parts out", Tidying.LoosePartsChange.class),
  WELD("weld", "Weld", Tidying.WeldChange.class),
  WELD_NEAR("weldNear", "Weld by distance", Tidying.WeldNearChange.class),
  COLLAPSE("collapse", "Collapse", Tidying.CollapseChange.class),
  CONNECT("connect", "Connect", Tidying.ConnectChange.class),
  FACE("face", "Face", Tidying.FaceChange.class),
  CAP("cap", "Cap", Tidying.CapChange.class),
  TURN("turn", "Turn", Tidying.TurnChange.class),
  SPLIT("split", "Split", Tidying.SplitChange.class),
  FLIP("flip", "Flip", Tidying.FlipChange.class),
  UNIFY("unify", "Unify", Tidying.UnifyChange.class),
  SLIDE("slide", "Slide", Tidying.SlideChange.class),
  RELAX("relax", "Relax", Tidying.RelaxChange.class),
  MOVE("move", "Move", Tidying.MoveChange.class),
  NAME("name", "Name", Tidying.NameChange.class),
  INSET("inset", "Inset", Forming.InsetChange.class),
  EXTRUDE("extrude", "Extrude", Forming.ExtrudeChange.class),
  EXTRUDE_EDGES("extrudeEdges", "Extrude edges", Forming.ExtrudeEdgesChange.class),
  SUPPORT("support", "Support", Forming.SupportChange.class),
  GROOVE("groove", "Groove", Forming.GrooveChange.class),
  MIRROR("mirror", "Mirror", Forming.MirrorChange.class),
  THICKEN("thicken", "Thicken", Forming.ThickenChange.class),
  PART("part", "Pieces", Forming.PartChange.class),
  REJOIN("rejoin", "Rejoin", Forming.RejoinChange.class),
  BEND("bend", "Bend", Forming.BendChange.class),
  FOLD("fold", "Fold", Forming.FoldChange.class),
  BRING_IN("bringIn", "Bring in", Forming.BringInChange.class),
  MEET("meet", "Meet", Forming.MeetChange.class),
  EVEN("even", "Evenly", Forming.EvenChange.class),
  ROUTE("route", "Route", Mending.RouteChange.class),
  APART("apart", "Apart", Mending.ApartChange.class),
  DRAW_OUT("drawOut", "Draw out", Mending.DrawOutChange.class),
  MEND("mend", "Mend", Mending.MendChange.class);

  private final String key;
  private final String title;
  private final Class<? extends Change> type;

  ChangeKind(String key, String title, Class<? extends Change> type) {
    this.key = key;
    this.title = title;
    this.type = type;
  }

  public static ChangeKind of(Change change) {
    return of(change.getClass());
  }

  public static ChangeKind of(Class<?> type) {
    return Arrays.stream(values())
        .filter(kind -> kind.type == type)
        .findFirst()
        .orElseThrow(() -> new IllegalStateException(type + " is no kind of change"));
  }

  /** The name in JSON. */
  public String key() {
    return key;
  }

  /** What a step of it is called. */
  public String title() {
    return title;
  }

  public Class<? extends Change> type() {
    return type;
  }
}
