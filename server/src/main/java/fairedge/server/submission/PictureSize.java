package fairedge.server.submission;

import fairedge.picture.MeshPicture.Size;

/** The sizes in which a submission is drawn, both at double density. */
public enum PictureSize {
  /** For a row of the desk. */
  row(new Size(88, 52, 2)),
  /** For the head of a sheet. */
  sheet(new Size(264, 156, 2));

  private final Size size;

  PictureSize(Size size) {
    this.size = size;
  }

  Size size() {
    return size;
  }
}
