package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.course.Role;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Running;
import fairedge.server.running.School;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.text.PDFMarkedContentExtractor;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Answers on paper, opened by a library. */
@ExtendWith(Running.class)
class PrintApiTest {
  private static final String DRAFT = "Nobody may read this yet.";

  private static Breakwater quay;
  private static Client runa;
  private static Client ada;
  private static Client bo;
  private static UUID adasId;
  private static String assignment;

  /** Of the first answer, which Ada got. */
  private static String submission;

  @BeforeAll
  static void start(Application app) {
    quay = new Breakwater(app, "-print");
    runa = quay.runa;
    ada = quay.ada;
    School school = new School(app);
    school.enrol(
        UUID.fromString(quay.course), school.person("bo-print", "Bo Lindgren"), Role.STUDENT);
    bo = Client.signedIn(app, "bo-print");
    adasId = UUID.fromString(ada.get("/api/me").is(200).json().path("id").asString());
    assignment = quay.set(quay.ready("Cleat"), Map.of());
    submission = quay.handIn(assignment).is(201).json().path("id").asString();
    answer(submission, "tryAgain", List.of(note("mend", true), note("praise", false)));
    JsonNode open = bo.put("/api/assignments/" + assignment + "/workpiece", Map.of()).json();
    String bos =
        bo.post(
                "/api/workpieces/" + open.path("id").asString() + "/submissions",
                Bollard.move(open.path("revision").asLong()))
            .is(201)
            .json()
            .path("id")
            .asString();
    answer(bos, "accepted", List.of(note("ask", false)));
  }

  private static Map<String, Object> at(double x, double y, double z) {
    return Map.of("x", x, "y", y, "z", z);
  }

  private static Map<String, Object> note(String kind, boolean isDrawn) {
    Map<String, Object> note = new HashMap<>();
    note.put("id", UUID.randomUUID());
    note.put("kind", kind);
    note.put("text", "Words of a note that wants to %s.".formatted(kind));
    note.put("element", Map.of("kind", "face", "id", 0));
    note.put("place", at(0, 0, 10));
    if (isDrawn) {
      note.put("camera", Map.of("eye", at(300, -400, 300), "target", at(0, 0, 0)));
      note.put("strokes", List.of(List.of(at(0, 0, 10), at(20, 0, 10), at(40, 5, 10))));
    }
    return note;
  }

  private static void answer(String id, String verdict, List<Object> notes) {
    Map<String, Object> draft =
        Map.of("revision", 0, "word", "Go on.", "verdict", verdict, "notes", notes);
    long revision =
        runa.put("/api/submissions/" + id + "/draft", draft)
            .is(200)
            .json()
            .path("revision")
            .asLong();
    runa.post("/api/submissions/" + id + "/return", Map.of("revision", revision)).is(200);
  }

  private static byte[] paper(Client who, String id, String sheet) {
    return who.get("/api/submissions/" + id + "/paper?sheet=" + sheet).is(200).bytes();
  }

  private static String text(PDDocument pdf) throws IOException {
    return new PDFTextStripper().getText(pdf).replaceAll("\\s+", " ");
  }

  private static int pictures(PDDocument pdf) throws IOException {
    int count = 0;
    for (PDPage page : pdf.getPages()) {
      for (COSName name : page.getResources().getXObjectNames()) {
        if (page.getResources().getXObject(name) instanceof PDImageXObject) {
          count++;
        }
      }
    }
    return count;
  }

  /** All elements of the document's structure, in their order. */
  private static List<PDStructureElement> elements(PDStructureNode node) {
    List<PDStructureElement> all = new ArrayList<>();
    for (Object kid : node.getKids()) {
      if (kid instanceof PDStructureElement element) {
        all.add(element);
        all.addAll(elements(element));
      }
    }
    return all;
  }

  @Test
  void answer_isReadAsItStandsOnTheScreen_withAPictureOfEachNote() throws IOException {
    try (PDDocument pdf = Loader.loadPDF(paper(ada, submission, "a4"))) {
      assertThat(text(pdf))
          .contains("Cleat", "Ada Lunde, attempt 1", "Try again", "Go on.")
          .contains("Note 1: mend this", "wants to mend", "Note 2: praise", "wants to praise");
      assertThat(pictures(pdf)).as("the whole, and each note").isEqualTo(3);
      assertThat(pdf.getPage(0).getMediaBox().getWidth()).isBetween(595f, 596f);
      assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Cleat, attempt 1");
    }
    try (PDDocument pdf = Loader.loadPDF(paper(ada, submission, "letter"))) {
      assertThat(pdf.getPage(0).getMediaBox().getHeight()).isEqualTo(792);
    }
    ada.get("/api/submissions/" + submission + "/paper?sheet=a0").is(400);
  }

  @Test
  void document_isTagged_itsFiguresHaveWords_itsFontsAreInIt() throws IOException {
    try (PDDocument pdf = Loader.loadPDF(paper(ada, submission, "a4"))) {
      assertThat(pdf.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
      assertThat(pdf.getDocumentCatalog().getLanguage()).isEqualTo("en");
      List<PDStructureElement> all = elements(pdf.getDocumentCatalog().getStructureTreeRoot());
      assertThat(all.stream().map(PDStructureElement::getStructureType))
          .startsWith("Document", "Sect", "H1")
          .contains("H2", "H3", "P");
      assertThat(all.stream().filter(e -> e.getStructureType().equals("Figure")))
          .hasSize(3)
          .allSatisfy(f -> assertThat(f.getAlternateDescription()).isNotBlank());
      for (PDPage page : pdf.getPages()) {
        for (COSName font : page.getResources().getFontNames()) {
          assertThat(page.getResources().getFont(font).isEmbedded()).isTrue();
        }
        assertThat(untagged(page)).as("letters outside of any element").isEmpty();
      }
    }
  }

  /** Letters that no marked content has. */
  private static String untagged(PDPage page) throws IOException {
    StringBuilder all = new StringBuilder();
    PDFTextStripper whole =
        new PDFTextStripper() {
          @Override
          protected void processTextPosition(TextPosition text) {
            all.append(text.getUnicode());
          }
        };
    try (PDDocument one = new PDDocument()) {
      one.importPage(page);
      whole.getText(one);
    }
    PDFMarkedContentExtractor extractor = new PDFMarkedContentExtractor();
    extractor.setSuppressDuplicateOverlappingText(false);
    extractor.processPage(page);
    StringBuilder marked = new StringBuilder();
    extractor
        .getMarkedContents()
        .forEach(content ->
            content
                .getContents()
                .forEach(c -> {
                  if (c instanceof TextPosition text) {
                    marked.append(text.getUnicode());
                  }
                }));
    return all.length() == marked.length() ? "" : all + " but " + marked;
  }

  @Test
  void nobodyReadsADraft_andNobodyOfOthers() throws IOException {
    String later = quay.handIn(assignment).is(201).json().path("id").asString();
    Map<String, Object> draft =
        Map.of("revision", 0, "word", DRAFT, "verdict", "accepted", "notes", List.of());
    runa.put("/api/submissions/" + later + "/draft", draft).is(200);
    ada.get("/api/submissions/" + later + "/paper").is(404);
    runa.get("/api/submissions/" + later + "/paper").is(404);
    bo.get("/api/submissions/" + submission + "/paper").is(404);
    // What is amended is a draft, too: the answer that is out stays what it was.
    JsonNode amended =
        runa.post("/api/submissions/" + submission + "/amendment", Map.of()).is(200).json();
    Map<String, Object> other =
        Map.of(
            "revision",
            amended.path("revision").asLong(),
            "word",
            DRAFT,
            "verdict",
            "accepted",
            "notes",
            List.of());
    runa.put("/api/submissions/" + submission + "/draft", other).is(200);
    byte[] bytes = paper(ada, submission, "a4");
    try (PDDocument pdf = Loader.loadPDF(bytes)) {
      assertThat(text(pdf)).contains("Go on.").doesNotContain("Nobody may", "Lindgren", "Bo L");
    }
    assertThat(new String(bytes, StandardCharsets.ISO_8859_1)).doesNotContain("Lindgren");
    JsonNode term = print(ada, termOfAda(), "pdf");
    byte[] whole = ada.get("/api/prints/" + term.path("id").asString() + "/file").bytes();
    try (PDDocument pdf = Loader.loadPDF(whole)) {
      assertThat(text(pdf)).contains("attempt 1").doesNotContain("Nobody may", "Lindgren");
    }
  }

  private static String termOfAda() {
    return "/api/classes/" + quay.course + "/students/" + adasId + "/prints";
  }

  /** A print that somebody asked for, when it is made. */
  private static JsonNode print(Client who, String path, String form) {
    JsonNode print = who.post(path, Map.of("sheet", "a4", "form", form)).is(202).json();
    String id = print.path("id").asString();
    long until = System.nanoTime() + 60_000_000_000L;
    while (print.path("state").asString().equals("waiting")) {
      assertThat(System.nanoTime()).as("it is made within a minute").isLessThan(until);
      Thread.onSpinWait();
      print = who.get("/api/prints/" + id).is(200).json();
    }
    assertThat(print.path("state").asString()).isEqualTo("made");
    return print;
  }

  @Test
  void allOfAnExercise_areOneDocument_orOneForEach() throws IOException {
    String path = "/api/assignments/" + assignment + "/prints";
    JsonNode pdf = print(runa, path, "pdf");
    assertThat(pdf.path("done").asInt()).isEqualTo(pdf.path("total").asInt()).isEqualTo(2);
    String file = "/api/prints/" + pdf.path("id").asString() + "/file";
    try (PDDocument all = Loader.loadPDF(runa.get(file).is(200).bytes())) {
      assertThat(text(all)).contains("Ada Lunde, attempt 1", "Bo Lindgren, attempt 1");
      List<PDStructureElement> elements = elements(all.getDocumentCatalog().getStructureTreeRoot());
      assertThat(elements.stream().filter(e -> e.getStructureType().equals("H1"))).hasSize(2);
      assertThat(pictures(all)).isEqualTo(5);
    }
    JsonNode zip = print(runa, path, "zip");
    byte[] bytes = runa.get("/api/prints/" + zip.path("id").asString() + "/file").is(200).bytes();
    List<String> names = new ArrayList<>();
    try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(bytes))) {
      for (ZipEntry e = in.getNextEntry(); e != null; e = in.getNextEntry()) {
        names.add(e.getName());
        try (PDDocument one = Loader.loadPDF(in.readAllBytes())) {
          assertThat(text(one)).contains("Go on.");
        }
      }
    }
    assertThat(names)
        .containsExactly(
            "001 Ada Lunde, Cleat, attempt 1.pdf", "002 Bo Lindgren, Cleat, attempt 1.pdf");
  }

  @Test
  void prints_areForWhoAskedAlone_andGoWhenNobodyWantsThem() {
    JsonNode print = print(runa, termOfAda(), "pdf");
    String path = "/api/prints/" + print.path("id").asString();
    ada.get(path).is(404);
    ada.get(path + "/file").is(404);
    ada.delete(path).is(404);
    runa.delete(path).is(204);
    runa.get(path).is(404);
    runa.get(path + "/file").is(404);
    bo.post(termOfAda(), Map.of("sheet", "a4", "form", "pdf")).is(404);
    bo.post("/api/assignments/" + assignment + "/prints", Map.of("sheet", "a4", "form", "pdf"))
        .is(404);
    String nothing = quay.set(quay.ready("Rope tube"), Map.of());
    assertThat(
            runa.post(
                    "/api/assignments/" + nothing + "/prints", Map.of("sheet", "a4", "form", "pdf"))
                .is(400)
                .detail())
        .contains("No answer is out");
  }
}
