package fairedge.server.meshfile;

import java.util.List;

/** What of a module keeps meshes by their hashes. */
public interface MeshHolder {
  /** Those of these meshes that it needs; each as often as it likes. */
  List<byte[]> needed(List<byte[]> hashes);
}
