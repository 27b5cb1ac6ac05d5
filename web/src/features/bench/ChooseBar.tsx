import { Button } from '../../ui/Button';
import { Choice } from '../../ui/fields';
import { chosenText, isEmpty, type ChosenControl, type Kind, type Way } from './useChosen';

export interface ChooseMode {
  kind: Kind;
  by: 'click' | 'box' | 'lasso';
}

/** What else to choose from what is chosen, by its kind. */
export const CHOOSE_WAYS: Record<Kind, readonly (readonly [Way, string])[]> = {
  faces: [
    ['grow', 'Grow'],
    ['shrink', 'Shrink'],
    ['connected', 'All connected'],
  ],
  edges: [
    ['loop', 'Whole loop'],
    ['ring', 'Whole ring'],
    ['everySecondOfLoop', 'Every 2nd of loop'],
    ['everySecondOfRing', 'Every 2nd of ring'],
    ['faceRing', 'Faces of ring'],
    ['grow', 'Grow'],
    ['shrink', 'Shrink'],
  ],
  vertices: [
    ['grow', 'Grow'],
    ['shrink', 'Shrink'],
    ['connected', 'All connected'],
  ],
};

interface Props {
  mode: ChooseMode;
  control: ChosenControl;
  onMode: (mode: ChooseMode | null) => void;
  onDeleteOthers: () => void;
}

/** How elements are chosen, what else to choose from there, and what to do with faces that are. */
export function ChooseBar({ mode, control, onMode, onDeleteOthers }: Props) {
  const { chosen } = control;
  const none = isEmpty(chosen);
  return (
    <div
      className="over-stage absolute top-4 right-4 flex w-[292px] flex-col gap-2.5 border border-ink bg-sheet p-3"
      data-testid="choose-bar"
      role="group"
      aria-label="Choose"
    >
      <Choice
        label="What"
        value={mode.kind}
        options={[
          ['faces', 'Faces'],
          ['edges', 'Edges'],
          ['vertices', 'Vertices'],
        ]}
        onChange={(kind) => onMode({ ...mode, kind })}
      />
      <Choice
        label="How"
        value={mode.by}
        options={[
          ['click', 'Click'],
          ['box', 'Box'],
          ['lasso', 'Lasso'],
        ]}
        onChange={(by) => onMode({ ...mode, by })}
      />
      <p className="condensed text-[13px] text-ink2" data-testid="chosen-count">
        {chosenText(chosen, ['faces', 'edges', 'vertices'])}
      </p>
      {control.problem && <p role="alert">{control.problem.message}</p>}
      <div className="condensed flex flex-wrap gap-1">
        {CHOOSE_WAYS[mode.kind].map(([way, name]) => (
          <Small key={way} disabled={none} onClick={() => void control.go(way)}>
            {name}
          </Small>
        ))}
        <Small disabled={none} onClick={control.clear}>
          None
        </Small>
        {mode.kind === 'faces' && <Small onClick={control.invert}>The others</Small>}
      </div>
      {mode.kind === 'faces' && (
        <div className="condensed flex flex-wrap gap-1 border-t border-rule pt-2">
          <Small disabled={chosen.faces.length === 0} onClick={control.hide}>
            Hide these
          </Small>
          <Small disabled={control.hidden.length === 0} onClick={control.showAll}>
            Show all
          </Small>
          <Small disabled={chosen.faces.length === 0} onClick={onDeleteOthers}>
            Delete the others
          </Small>
        </div>
      )}
      <Choice
        label="What a cut may touch"
        value={control.limited ? 'chosen' : 'whole'}
        options={[
          ['whole', 'Cut whole mesh'],
          ['chosen', 'Only chosen faces'],
        ]}
        onChange={(v) => control.setLimited(v === 'chosen')}
      />
    </div>
  );
}

function Small(props: { disabled?: boolean; onClick: () => void; children: string }) {
  return (
    <Button size="small" className="px-2" disabled={props.disabled} onClick={props.onClick}>
      {props.children}
    </Button>
  );
}
