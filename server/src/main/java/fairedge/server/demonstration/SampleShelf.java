package fairedge.server.demonstration;

import fairedge.core.demonstration.Sample;
import fairedge.core.demonstration.Samples;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.server.demonstration.KeptSteps.KeptDeed;
import fairedge.server.demonstration.store.DemonstrationStore;
import fairedge.server.meshfile.MeshFiles;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.UUID;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Sees to it that the demonstrations that come along are there; whichever node is first. */
@Component
@Order(0)
class SampleShelf implements ApplicationRunner {
  private final DemonstrationStore store;
  private final Demonstrations demonstrations;
  private final MeshFiles meshes;
  private final Clock clock;

  SampleShelf(
      DemonstrationStore store, Demonstrations demonstrations, MeshFiles meshes, Clock clock) {
    this.store = store;
    this.demonstrations = demonstrations;
    this.meshes = meshes;
    this.clock = clock;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    for (Sample sample : Samples.all()) {
      UUID key = keyOf(sample);
      if (store.findByKey(key).isEmpty()) {
        demonstrations.insert(made(sample), key, key);
      }
    }
  }

  /** By which a sample is known in every database. */
  static UUID keyOf(Sample sample) {
    String name = "demonstration " + sample.key();
    return UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8));
  }

  private Demonstration made(Sample sample) {
    Mesh mesh = sample.form().mesh();
    return new Demonstration(
        keyOf(sample),
        null,
        sample.title(),
        sample.about(),
        "mm",
        sample.profile(),
        meshes.keep(mesh),
        Tolerance.of(mesh.bounds()).scale(),
        new KeptSteps(sample.scenes().stream().map(SampleShelf::step).toList()),
        0,
        clock.instant(),
        null);
  }

  private static KeptDeed step(Sample.Scene scene) {
    return KeptDeed.of(scene.deed())
        .saying(
            new Demonstrations.Words(
                false,
                scene.caption(),
                scene.question(),
                scene.answer(),
                null,
                scene.lens().isEmpty() ? null : scene.lens()));
  }
}
