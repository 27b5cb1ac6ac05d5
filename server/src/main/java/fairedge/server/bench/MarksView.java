package fairedge.server.bench;

import fairedge.core.geometry.Vec3;
import fairedge.core.survey.Wanted.Line;
import java.util.List;

/**
 * What an exercise marks on the mesh that is cut.
 *
 * @param locked faces that can't be cut
 * @param held places of vertices that stay
 * @param hardLines edges along these count as hard
 * @param coveredEnds middles of ends that something will cover
 * @param lines along which edges are to run; none where they are not shown
 */
public record MarksView(
    List<Integer> locked,
    List<Vec3> held,
    List<Line> hardLines,
    List<Vec3> coveredEnds,
    List<Line> lines) {}
