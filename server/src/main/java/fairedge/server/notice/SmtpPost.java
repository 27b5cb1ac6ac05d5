package fairedge.server.notice;

import jakarta.mail.MessagingException;
import org.eclipse.angus.mail.smtp.SMTPAddressFailedException;
import org.eclipse.angus.mail.smtp.SMTPSendFailedException;
import org.eclipse.angus.mail.smtp.SMTPSenderFailedException;
import org.jspecify.annotations.Nullable;
import org.springframework.mail.MailAuthenticationException;
import org.springframework.mail.MailException;
import org.springframework.mail.MailSendException;
import org.springframework.mail.SimpleMailMessage;
import org.springframework.mail.javamail.JavaMailSender;

/**
 * A mail server. What it answered decides: a code of 400 and more is no, for now or for good;
 * nothing said before the text went over is no for now; nothing said after it is not known.
 */
final class SmtpPost implements Post {
  private static final int FOR_GOOD = 500;
  private static final int NO = 400;

  private final JavaMailSender sender;
  private final String from;

  SmtpPost(JavaMailSender sender, String from) {
    this.sender = sender;
    this.from = from;
  }

  @Override
  public boolean isThere() {
    return true;
  }

  @Override
  public Sent send(Mail mail) {
    SimpleMailMessage message = new SimpleMailMessage();
    message.setFrom(from);
    message.setTo(mail.to());
    message.setSubject(mail.subject());
    message.setText(mail.body());
    try {
      sender.send(message);
      return new Sent.Taken();
    } catch (MailAuthenticationException e) {
      return new Sent.Later(e.getMessage());
    } catch (MailSendException e) {
      return outcome(e);
    } catch (MailException e) {
      return new Sent.Refused(e.getMessage());
    }
  }

  private static Sent outcome(MailSendException e) {
    if (e.getFailedMessages().isEmpty()) {
      // It went over; only the good-bye failed.
      return new Sent.Taken();
    }
    Exception failed = e.getFailedMessages().values().iterator().next();
    // Without a connection nothing was begun: Spring tells that failure as the cause.
    return failed == e.getCause()
        ? new Sent.Later(failed.getMessage())
        : outcome(failed, failed.getMessage());
  }

  private static Sent outcome(@Nullable Exception failed, @Nullable String why) {
    return switch (failed) {
      case SMTPAddressFailedException e -> answered(e.getReturnCode(), e.getCommand(), why);
      case SMTPSenderFailedException e -> answered(e.getReturnCode(), e.getCommand(), why);
      case SMTPSendFailedException e when e.getNextException() == null ->
          answered(e.getReturnCode(), e.getCommand(), why);
      case MessagingException e when e.getNextException() != null ->
          outcome(e.getNextException(), why);
      case null, default -> new Sent.Unknown(why);
    };
  }

  private static Sent answered(int code, String command, @Nullable String why) {
    if (code >= FOR_GOOD) {
      return new Sent.Refused(why);
    }
    boolean wasBefore = command.startsWith("MAIL") || command.startsWith("RCPT");
    return code >= NO || wasBefore ? new Sent.Later(why) : new Sent.Unknown(why);
  }
}
