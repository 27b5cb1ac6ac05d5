package fairedge.server.submission.store;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Figures;
import fairedge.core.inspect.Met;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.json.FindingView.ElementView;
import fairedge.json.FindingView.SeverityView;
import fairedge.server.platform.Json;
import fairedge.server.submission.HandedIn.ReadingView;
import fairedge.server.submission.Summary;
import java.util.List;
import java.util.Map;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.type.TypeReference;

/**
 * A report as it is kept: in a form of its own, so that what the API tells may change while what is
 * kept stays readable. Whoever changes a name here, or what it means, counts {@link #FORMAT} up and
 * goes on reading what was written before.
 */
final class KeptReport {
  /** The form in which reports are written. */
  static final int FORMAT = 1;

  private KeptReport() {}

  record Finding(
      String key,
      String kind,
      String family,
      String severity,
      String title,
      String sentence,
      List<Element> elements,
      Place place,
      double reach,
      double measure,
      String unit,
      @Nullable String form,
      Map<String, Double> numbers) {

    static Finding of(FindingView f) {
      return new Finding(
          f.key(),
          f.kind(),
          f.family(),
          f.severity().name(),
          f.title(),
          f.sentence(),
          f.elements().stream().map(Element::of).toList(),
          new Place(f.place().x(), f.place().y(), f.place().z()),
          f.reach(),
          f.measure(),
          f.unit(),
          f.form(),
          f.numbers());
    }

    FindingView told() {
      return new FindingView(
          key,
          kind,
          family,
          SeverityView.valueOf(severity),
          title,
          sentence,
          elements.stream().map(Element::told).toList(),
          new Vec3(place.x, place.y, place.z),
          reach,
          measure,
          unit,
          form,
          numbers);
    }
  }

  record Place(double x, double y, double z) {}

  record Element(String kind, int id, @Nullable List<Integer> ends) {
    static Element of(ElementView e) {
      return new Element(e.kind().name(), e.id(), e.ends());
    }

    ElementView told() {
      return new ElementView(ElementView.Kind.valueOf(kind), id, ends);
    }
  }

  record Unlisted(String kind, String family, String severity, int count) {
    static Unlisted of(CheckView.Unlisted u) {
      return new Unlisted(u.kind(), u.family(), u.severity().name(), u.count());
    }

    CheckView.Unlisted told() {
      return new CheckView.Unlisted(kind, family, SeverityView.valueOf(severity), count);
    }
  }

  record LeftOut(String kind, String why) {}

  record Reading(int line, String text) {}

  record Mark(String kind, String severity, String title) {}

  /** The columns that a report is kept in. */
  record Columns(
      JSONB figures,
      JSONB findings,
      JSONB unlisted,
      JSONB leftOut,
      @Nullable JSONB met,
      int pardoned) {
    static Columns of(CheckView check, Json json) {
      return new Columns(
          json.write(check.figures()),
          json.write(check.findings().stream().map(Finding::of).toList()),
          json.write(check.unlisted().stream().map(Unlisted::of).toList()),
          json.write(check.leftOut().stream().map(l -> new LeftOut(l.kind(), l.why())).toList()),
          json.write(KeptMet.of(check.met())),
          check.pardoned());
    }

    CheckView told(Json json) {
      return CheckView.of(
          json.read(figures, Figures.class),
          json.read(findings, new TypeReference<List<Finding>>() {}).stream()
              .map(Finding::told)
              .toList(),
          json.read(unlisted, new TypeReference<List<Unlisted>>() {}).stream()
              .map(Unlisted::told)
              .toList(),
          json.read(leftOut, new TypeReference<List<LeftOut>>() {}).stream()
              .map(l -> new CheckView.LeftOut(l.kind(), l.why()))
              .toList(),
          KeptMet.told(met, json),
          pardoned);
    }
  }

  record KeptMet(@Nullable Double lines, @Nullable Double moved) {
    static KeptMet of(Met met) {
      return new KeptMet(met.lines(), met.moved());
    }

    /** Reports of before know nothing of it. */
    static Met told(@Nullable JSONB kept, Json json) {
      if (kept == null) {
        return Met.NOTHING_ASKED;
      }
      KeptMet met = json.read(kept, KeptMet.class);
      return new Met(met.lines(), met.moved());
    }
  }

  static JSONB worst(List<FindingView> findings, Json json) {
    return json.write(
        Summary.worstOf(findings).stream()
            .map(m -> new Mark(m.kind(), m.severity().name(), m.title()))
            .toList());
  }

  static List<Summary.Mark> worst(JSONB kept, Json json) {
    return json.read(kept, new TypeReference<List<Mark>>() {}).stream()
        .map(m -> new Summary.Mark(m.kind, SeverityView.valueOf(m.severity), m.title))
        .toList();
  }

  static JSONB reading(List<ReadingView> reading, Json json) {
    return json.write(reading.stream().map(r -> new Reading(r.line(), r.text())).toList());
  }

  static List<ReadingView> reading(JSONB kept, Json json) {
    return json.read(kept, new TypeReference<List<Reading>>() {}).stream()
        .map(r -> new ReadingView(r.line(), r.text()))
        .toList();
  }
}
