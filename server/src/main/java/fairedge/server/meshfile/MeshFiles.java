package fairedge.server.meshfile;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.server.meshfile.store.MeshContentStore;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Sha256;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;
import org.springframework.stereotype.Service;

/** Meshes by the hash of their bytes: kept once, compressed, never altered. */
@Service
public class MeshFiles {
  private final MeshContentStore store;

  MeshFiles(MeshContentStore store) {
    this.store = store;
  }

  /** Keeps a mesh; its hash. */
  public byte[] keep(Mesh mesh) {
    byte[] bytes = MeshBytes.write(mesh);
    byte[] hash = Sha256.of(bytes);
    store.keep(hash, compressed(bytes), mesh.vertexCount(), mesh.edgeCount(), mesh.faceCount());
    return hash;
  }

  /** A fresh copy of a kept mesh, the caller's to change. */
  public Mesh require(byte[] hash) {
    byte[] stored = store.find(hash).orElseThrow(() -> Problem.notFound("mesh"));
    return MeshBytes.read(expanded(stored));
  }

  /** How many faces a kept mesh has. */
  public int faceCount(byte[] hash) {
    return store.faceCount(hash).orElseThrow(() -> Problem.notFound("mesh"));
  }

  /** The hash under which a mesh is kept, or would be. */
  public byte[] hashOf(Mesh mesh) {
    return Sha256.of(MeshBytes.write(mesh));
  }

  private static byte[] compressed(byte[] bytes) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length / 3 + 64);
    Deflater fast = new Deflater(Deflater.BEST_SPEED);
    try (DeflaterOutputStream deflater = new DeflaterOutputStream(out, fast, 1 << 16)) {
      deflater.write(bytes);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    } finally {
      fast.end();
    }
    return out.toByteArray();
  }

  private static byte[] expanded(byte[] stored) {
    try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(stored))) {
      return in.readAllBytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
