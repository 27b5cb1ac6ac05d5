package fairedge.server.notice;

import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.mail.javamail.JavaMailSender;

/** Which post there is: by the settings a mail server, in the demo the outbox, else none. */
@Configuration
class PostOffice {
  @Bean
  Post post(
      ObjectProvider<JavaMailSender> sender,
      ObjectProvider<Outbox> outbox,
      @Value("${fair-edge.public-address}") String address,
      @Value("${fair-edge.mail-from}") String from) {
    JavaMailSender server = sender.getIfAvailable();
    if (server == null) {
      Outbox demo = outbox.getIfAvailable();
      return demo != null ? new OutboxPost(demo) : new NoPost();
    }
    if (address.isBlank() || from.isBlank()) {
      throw new IllegalStateException(
          "To send mail, set FAIR_EDGE_PUBLIC_ADDRESS (what people open, as https://...) and"
              + " FAIR_EDGE_MAIL_FROM (the address that mail comes from).");
    }
    return new SmtpPost(server, from);
  }

  /** Nobody takes mail. */
  private static final class NoPost implements Post {
    @Override
    public boolean isThere() {
      return false;
    }

    @Override
    public Sent send(Mail mail) {
      return new Sent.Refused("no mail is sent here");
    }
  }
}
