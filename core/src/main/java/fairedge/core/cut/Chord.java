package fairedge.core.cut;

/** A straight piece of a cut in one face, from border to border, or from or to a bend inside it. */
record Chord(int face, Node from, Node to) {
  Chord reversed() {
    return new Chord(face, to, from);
  }
}
