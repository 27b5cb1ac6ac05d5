package fairedge.server.course;

import fairedge.server.account.Slips.Slip;
import fairedge.server.platform.SignedIn;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Sign-in slips as a sheet to print: making one makes new codes, since no code is kept. */
@Service
public class SlipOutlet {
  private final People people;
  private final Classes classes;

  SlipOutlet(People people, Classes classes) {
    this.people = people;
    this.classes = classes;
  }

  /**
   * @param server the address at which people reach the server
   */
  public byte[] sheet(UUID course, List<UUID> accounts, SignedIn giver, String server) {
    List<Slip> slips = people.newSlips(course, accounts, giver);
    CourseInfo info = classes.require(course).info();
    return SlipSheet.pdf(slips, info.name(), server + "/slip", ZoneId.of(info.zone()));
  }
}
