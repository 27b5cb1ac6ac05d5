package fairedge.server.exercise;

import fairedge.server.course.Belongings;
import fairedge.server.exercise.store.AllowanceStore;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What a student was allowed goes with them. */
@Component
@Order(6)
class AllowancesKept implements Belongings {
  private final AllowanceStore store;

  AllowancesKept(AllowanceStore store) {
    this.store = store;
  }

  /** That is the instructors' word, not the student's work. */
  @Override
  public void pack(Of whose, Box box) {}

  @Override
  public void erase(Of whose) {
    store.forget(whose.account());
  }
}
