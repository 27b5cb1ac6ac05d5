package fairedge.server.insight;

import fairedge.server.course.Belongings;
import fairedge.server.course.Courses;
import java.io.IOException;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * A student's credits, class by class, among everything that is theirs; kept are they elsewhere.
 */
@Component
@Order(0)
class CreditsKept implements Belongings {
  private final Insights insights;
  private final Courses courses;

  CreditsKept(Insights insights, Courses courses) {
    this.insights = insights;
    this.courses = courses;
  }

  @Override
  public void pack(Of whose, Box box) throws IOException {
    for (UUID course : whose.courses()) {
      if (courses.memberIds(course).contains(whose.account())) {
        TermView view = insights.ofStudent(course, courses.member(course, whose.account()));
        box.put("credits/%s.csv".formatted(course), InsightTables.student(view).bytes(false));
      }
    }
  }

  @Override
  public void erase(Of whose) {
    // Nothing is kept here: credits are told from hand-ins.
  }
}
