package fairedge.picture;

/** What a note wants, by the form of its pin: a disc mends, an open ring asks, a flag praises. */
public enum PinForm {
  DISC,
  RING,
  FLAG
}
