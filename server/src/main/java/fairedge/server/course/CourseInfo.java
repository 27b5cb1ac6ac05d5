package fairedge.server.course;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What a class is.
 *
 * @param zone by whose clock exercises open and are due
 * @param unit proposed for new exercises: mm, cm, m or in
 * @param up which axis points upwards, proposed likewise: Y or Z
 * @param firstDay null where that is not said
 * @param lastDay after it nobody joins by the code
 */
public record CourseInfo(
    String name,
    String zone,
    String unit,
    String up,
    @Nullable LocalDate firstDay,
    @Nullable LocalDate lastDay) {}
