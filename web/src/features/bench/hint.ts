import type { Preview } from '../../api/client';
import type { Picked } from '../../stage/pick';
import { counted } from '../../ui/time';
import type { Tool } from './pending';

interface Hinted {
  tool: Tool;
  hover: Picked | null;
  points: number;
  pending: boolean;
  preview: Preview | null;
  atCentre: boolean;
}

/** What the next click does, in a sentence. */
export function hintFor(now: Hinted): { lead: string; rest: string } {
  return now.tool === 'trace' ? forTrace(now) : forLoops(now);
}

function forTrace({ hover, points }: Hinted) {
  if (!hover) {
    return points === 0
      ? { lead: 'Trace', rest: 'cuts from point to point: point at a vertex or an edge.' }
      : { lead: 'Point at', rest: 'the next vertex or edge.' };
  }
  const verb = points === 0 ? 'begins a trace' : 'adds a point';
  switch (hover.on) {
    case 'vertex':
      return { lead: 'Next click', rest: `${verb} at this vertex.` };
    case 'edge': {
      const where = hover.snapped ? `at the ${hover.snapped} of` : 'on';
      return { lead: 'Next click', rest: `${verb} ${where} the edge under the pointer.` };
    }
    case 'face':
      return points === 0
        ? { lead: 'No click here:', rest: 'a trace begins on a vertex or an edge.' }
        : {
            lead: 'Next click',
            rest: 'adds a bend inside this face; the trace must go on from it.',
          };
  }
}

function forLoops({ hover, pending, preview, atCentre }: Hinted) {
  if (pending) {
    return { lead: 'Next click', rest: 'on an edge takes the ring across it instead.' };
  }
  if (hover?.on !== 'edge') {
    return {
      lead: 'Loops',
      rest: 'inserts an edge loop: point at an edge that the loop shall cross.',
    };
  }
  if (preview?.refusal) return { lead: 'No loop here:', rest: preview.refusal.reason };
  const where = atCentre ? 'at the middle of' : 'here across';
  const ring = preview ? `this ring of ${counted(preview.splitFaces.length, 'quad')}` : 'this ring';
  return { lead: 'Next click', rest: `lays a loop ${where} ${ring}.` };
}
