import type { Note } from '../api/client';
import { useStage } from './stageContext';

/** Lines that an instructor drew on the surface: full where the eye sees them, else faint. */
export function Strokes({ notes, chosen }: { notes: readonly Note[]; chosen: number | null }) {
  const stage = useStage();
  return (
    <g fill="none" strokeLinejoin="round" strokeLinecap="round" data-testid="strokes">
      {notes.map((note, i) =>
        note.strokes.map((stroke, k) => {
          const { seen, hidden } = linesOf(stage, stroke);
          return (
            <g key={`${note.id} ${k}`} data-stroke={i + 1}>
              <path d={hidden} stroke="var(--magenta)" strokeOpacity={0.3} strokeWidth={1.4} />
              <path d={seen} stroke="var(--sheet)" strokeWidth={6} />
              <path d={seen} stroke="var(--magenta)" strokeWidth={i === chosen ? 3.4 : 2.6} />
            </g>
          );
        }),
      )}
    </g>
  );
}

function linesOf(stage: ReturnType<typeof useStage>, stroke: Note['strokes'][number]) {
  let [seen, hidden] = ['', ''];
  let before: { d: string; isHidden: boolean } | null = null;
  for (const place of stroke) {
    const p = stage.project(place);
    if (!p.ahead) {
      before = null;
      continue;
    }
    const at = { d: `${p.x} ${p.y}`, isHidden: stage.isHidden(place) };
    if (before) {
      const piece = `M${before.d}L${at.d}`;
      if (before.isHidden || at.isHidden) hidden += piece;
      else seen += piece;
    }
    before = at;
  }
  return { seen, hidden };
}
