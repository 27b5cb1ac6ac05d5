package fairedge.server.notice;

/** What the demo has instead of a mail server. */
final class OutboxPost implements Post {
  private final Outbox outbox;

  OutboxPost(Outbox outbox) {
    this.outbox = outbox;
  }

  @Override
  public boolean isThere() {
    return true;
  }

  @Override
  public Sent send(Mail mail) {
    outbox.keep(mail);
    return new Sent.Taken();
  }
}
