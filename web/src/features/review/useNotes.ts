import { useState } from 'react';
import { newKey, type Finding, type Note } from '../../api/client';
import type { Picked } from '../../stage/pick';
import type { StageView } from '../../stage/StageView';
import { onSurface } from '../../stage/strokes';
import type { Draft } from './useDraft';

interface Props {
  stage: StageView | null;
  draft: Draft;
  findings: readonly Finding[];
  onChange: (next: Partial<Draft>) => void;
}

type Pinned = Pick<Note, 'element' | 'place' | 'finding' | 'strokes'>;

/** The notes of a draft: pinned to findings and places, drawn on the surface, one of them chosen. */
export function useNotes({ stage, draft, findings, onChange }: Props) {
  const [chosen, setChosen] = useState<number | null>(null);
  const { notes } = draft;
  const add = (pinned: Pinned, mend: Note['mend'] = null) => {
    const note: Note = {
      ...pinned,
      id: newKey(),
      kind: 'mend',
      text: '',
      camera: stage?.cameraPlace ?? null,
      phrase: null,
      mend,
      thread: null,
    };
    onChange({ notes: [...notes, note] });
    setChosen(notes.length);
  };
  const at = (finding: Finding): Pinned => ({
    element: finding.elements[0] ?? { kind: 'face', id: 0, ends: null },
    place: finding.place,
    finding: findings.indexOf(finding),
    strokes: [],
  });
  const drawnOn = chosen === null ? undefined : notes[chosen];
  const setStrokes = (strokes: Note['strokes']) =>
    onChange({ notes: notes.map((n, i) => (i === chosen ? { ...n, strokes } : n)) });
  return {
    chosen,
    choose: (index: number) => {
      setChosen(index);
      const note = notes[index];
      if (note) stage?.flyTo(note.place, note.camera ?? undefined);
    },
    addToFinding: (finding: Finding) => add(at(finding)),
    /** Lets a mend go with the note of a finding: a new one where there is none. */
    attach: (finding: Finding, mend: NonNullable<Note['mend']>) => {
      const pinned = at(finding);
      const its =
        drawnOn?.finding === pinned.finding
          ? chosen!
          : notes.findIndex((n) => n.finding === pinned.finding);
      if (its < 0) {
        add(pinned, mend);
        return;
      }
      onChange({ notes: notes.map((n, i) => (i === its ? { ...n, mend } : n)) });
      setChosen(its);
    },
    addAt: (picked: Picked) =>
      add({
        element: { kind: picked.on, id: picked.id, ends: null },
        place: picked.at,
        finding: null,
        strokes: [],
      }),
    /** Puts what was drawn on the screen onto the surface: in the chosen note, or one of its own. */
    draw: (path: readonly { x: number; y: number }[]) => {
      const lines = stage ? onSurface(stage, path) : [];
      const first = lines[0];
      if (!stage || !first) return;
      if (drawnOn && drawnOn.strokes.length > 0) {
        setStrokes([...drawnOn.strokes, ...lines]);
        return;
      }
      const place = first[Math.floor(first.length / 2)]!;
      const spot = stage.project(place);
      const face = stage.hit(spot.x, spot.y)?.face ?? 0;
      add({
        element: { kind: 'face', id: face, ends: null },
        place,
        finding: null,
        strokes: lines,
      });
    },
    /** Takes the last line of the chosen note back; false where there is none. */
    takeLineBack: () => {
      if (!drawnOn || drawnOn.strokes.length === 0) return false;
      setStrokes(drawnOn.strokes.slice(0, -1));
      return true;
    },
  };
}

export type Notes = ReturnType<typeof useNotes>;
