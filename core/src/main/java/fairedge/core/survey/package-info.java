/**
 * Facts about a mesh, kept up to date after steps: how faces are shaped, which edges are hard, flat
 * patches, strips, widths, curvature, pairs, meetings, what is new. Here comes what more than one
 * finder, lens or planner reads off a mesh; nothing here says that something is wrong, and nothing
 * here knows who asks. {@code Subject} has it all.
 */
@NullMarked
package fairedge.core.survey;

import org.jspecify.annotations.NullMarked;
