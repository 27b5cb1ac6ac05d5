package fairedge.server.print;

import fairedge.server.demonstration.Demonstrations;
import fairedge.server.demonstration.Demonstrations.Handout;
import fairedge.server.platform.Paper;
import fairedge.server.platform.SignedIn;
import fairedge.server.platform.Turns;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Demonstrations as documents. */
@Service
public class Handouts {
  private final Demonstrations demonstrations;
  private final Turns turns;

  Handouts(Demonstrations demonstrations, Turns turns) {
    this.demonstrations = demonstrations;
    this.turns = turns;
  }

  public byte[] of(UUID demonstration, Sheet sheet, SignedIn account) {
    Handout handout = demonstrations.handout(demonstration, account);
    return turns.await(account.id(), () -> written(handout, sheet));
  }

  private static byte[] written(Handout handout, Sheet sheet) {
    try (Paper paper = new Paper(handout.title(), Press.LANGUAGE)) {
      HandoutPrint.write(paper, sheet, handout);
      return paper.bytes();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }
}
