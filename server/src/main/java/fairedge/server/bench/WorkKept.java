package fairedge.server.bench;

import fairedge.core.format.obj.ObjWriter;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.course.Belongings;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.Json;
import fairedge.server.practice.Practices;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What somebody cut on the bench: the mesh as it stands, and the steps that lead to it. */
@Component
@Order(3)
class WorkKept implements Belongings {
  private final WorkpieceStore store;
  private final Replays replays;
  private final Tasks tasks;
  private final Assignments assignments;
  private final Practices practices;
  private final Json json;

  WorkKept(
      WorkpieceStore store,
      Replays replays,
      Tasks tasks,
      Assignments assignments,
      Practices practices,
      Json json) {
    this.store = store;
    this.replays = replays;
    this.tasks = tasks;
    this.assignments = assignments;
    this.practices = practices;
    this.json = json;
  }

  private List<Owner> owners(Of whose) {
    return assignments.idsOfCourses(whose.courses()).stream().map(Owner::assignment).toList();
  }

  @Override
  public void pack(Of whose, Box box) throws IOException {
    for (Owner owner : owners(whose)) {
      for (Head head : store.of(owner, whose.account())) {
        pack(head, "bench/" + head.id(), box);
      }
    }
    if (whose.isOwn()) {
      for (UUID piece : practices.idsOf(whose.account())) {
        for (Head head : store.of(Owner.practice(piece), whose.account())) {
          pack(head, "practice/" + head.id(), box);
        }
      }
    }
  }

  private void pack(Head head, String path, Box box) throws IOException {
    StringBuilder obj = new StringBuilder();
    obj.append("# ").append(tasks.of(head.owner(), head.accountId()).view().title()).append('\n');
    ObjWriter.write(replays.rebuild(head, head.headStep()).mesh(), obj);
    box.put(path + ".obj", obj.toString().getBytes(StandardCharsets.UTF_8));
    box.put(
        path + "-steps.json",
        json.bytes(
            store.changes(0, head.headStep()).stream()
                .map(WorkpieceStore.Numbered::change)
                .toList()));
  }

  @Override
  public void erase(Of whose) {
    owners(whose).forEach(owner -> store.forget(owner, whose.account()));
  }

  @Override
  public void eraseAccount(UUID account) {
    for (UUID piece : practices.idsOf(account)) {
      store.forget(Owner.practice(piece));
      practices.forget(piece);
    }
  }
}
