package fairedge.server.notice;

import fairedge.server.notice.store.LetterStore;
import fairedge.server.platform.SignedIn;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What somebody gets mail about. */
@Service
public class Switches {
  private final LetterStore store;
  private final Post post;

  Switches(LetterStore store, Post post) {
    this.store = store;
    this.post = post;
  }

  /**
   * @param isSent whether any mail is sent here
   * @param about what somebody gets mail about
   */
  public record SwitchesView(boolean isSent, List<String> about) {}

  public SwitchesView of(SignedIn account) {
    Set<About> wanted = EnumSet.allOf(About.class);
    wanted.removeAll(store.unwanted(account.id()));
    return new SwitchesView(
        post.isThere(), wanted.stream().sorted(Comparator.naturalOrder()).map(About::key).toList());
  }

  @Transactional
  public void set(SignedIn account, Set<About> wanted) {
    Set<About> unwanted = EnumSet.allOf(About.class);
    unwanted.removeAll(wanted);
    store.setUnwanted(account.id(), unwanted);
  }
}
