package fairedge.core.props;

import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Supplier;

/** The quay-side objects by name, each with what there is to practise on it. */
public enum Form {
  HATCH_LID("Hatch lid", "Quads across a 16-sided top", HarbourProps::hatchLid),
  MOORING_BOLLARD("Mooring bollard", "Loops round a long waist", HarbourProps::mooringBollard),
  PORTHOLE_RING("Porthole ring", "Loops that hold a bevel", HarbourProps::portholeRing),
  FAIRLEAD_BLOCK("Fairlead block", "A trace round a corner", HarbourProps::fairleadBlock),
  CHANNEL_BUOY("Channel buoy", "A fan of triangles to cure", HarbourProps::channelBuoy),
  CAPSTAN("Capstan", "A round top to cap with quads", HarbourProps::capstan),
  FOLDED_SAIL_CARD("Folded-sail card", "Cuts on an open sheet", HarbourProps::foldedSailCard),
  CLEAT("Cleat", "Loops that turn a corner", HarbourProps::cleat),
  ROPE_LOCKER("Rope locker", "Straight cuts round an opening", HarbourProps::ropeLocker),
  PONTOON("Pontoon", "Sections enough to bend", HarbourProps::pontoon);

  private final String title;
  private final String about;
  private final Supplier<Mesh> maker;

  Form(String title, String about, Supplier<Mesh> maker) {
    this.title = title;
    this.about = about;
    this.maker = maker;
  }

  public String title() {
    return title;
  }

  /** By which it is asked for. */
  public String key() {
    return name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  public static Optional<Form> named(String key) {
    return Arrays.stream(values()).filter(form -> form.key().equals(key)).findFirst();
  }

  /** What to practise on it, in a few words. */
  public String about() {
    return about;
  }

  /** The object, made anew: the caller's to change. */
  public Mesh mesh() {
    return maker.get();
  }
}
