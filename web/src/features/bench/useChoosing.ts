import { useState } from 'react';
import { inside, pick, type Picked } from '../../stage/pick';
import type { StageView } from '../../stage/StageView';
import type { ChooseMode } from './ChooseBar';
import type { Hint, Xy } from './hands/hand';
import { kindOf, toggled, type ChosenControl } from './useChosen';

const FACES: ChooseMode = { kind: 'faces', by: 'click' };

/** Choosing by the pointer, while no tool has it: what it aims at, and what clicks and drags choose. */
export function useChoosing(stage: StageView | null, control: ChosenControl) {
  const [mode, setMode] = useState<ChooseMode | null>(null);
  const [aimed, setAimed] = useState<Picked | null>(null);
  const { chosen, choose } = control;

  const under = (at: Xy | null): Picked | null =>
    at && stage && mode
      ? pick(stage, at.x, at.y, {
          faces: mode.kind === 'faces',
          edges: mode.kind === 'edges',
          vertices: mode.kind === 'vertices',
          division: 0,
        })
      : null;

  return {
    mode,
    setMode,
    aimed,
    begin: () => setMode(FACES),
    end: () => setMode(null),
    toggle: () => setMode(mode ? null : FACES),
    point: (at: Xy | null) => setAimed(under(at)),
    click: (at: Xy) => {
      const picked = under(at);
      if (picked) choose(toggled(chosen, kindOf(picked), picked.id));
    },
    /** Adds what lies within a line that was drawn. */
    drawn: (path: readonly Xy[]) => {
      if (!mode || !stage) return;
      const found = inside(stage, path, mode.kind);
      choose({ ...chosen, [mode.kind]: [...new Set([...chosen[mode.kind], ...found])] });
    },
    /** What a drag draws; undefined where it turns the model. */
    draws: mode && mode.by !== 'click' ? mode.by : undefined,
    hint: mode && hintOf(mode),
  };
}

function hintOf({ kind, by }: ChooseMode): Hint {
  const name = { faces: 'a face', edges: 'an edge', vertices: 'a vertex' }[kind];
  return by === 'click'
    ? { lead: 'Next click', rest: `on ${name} chooses it, or lets it go.` }
    : { lead: 'Drag', rest: `round the ${kind} to choose; a click chooses one, or lets it go.` };
}
