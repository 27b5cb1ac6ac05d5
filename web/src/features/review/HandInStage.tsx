import { useState, type ReactNode } from 'react';
import type { Finding, Review } from '../../api/client';
import { Aim } from '../../stage/Aim';
import type { Insets } from '../../stage/Eye';
import { FarSide } from '../../stage/FarSide';
import { GhostLines, type Ghost } from '../../stage/GhostLines';
import { LookedStage } from '../../stage/LookedStage';
import { MeshMarks } from '../../stage/MeshMarks';
import type { Picked } from '../../stage/pick';
import { Pins } from '../../stage/Pins';
import { Strokes } from '../../stage/Strokes';
import type { Looking } from '../../stage/useLooking';
import { Button } from '../../ui/Button';
import { counted } from '../../ui/time';
import { pickPlace } from './seeing';
import type { Draft } from './useDraft';
import type { Notes } from './useNotes';
import type { Wake } from './useWake';

interface Props {
  review: Review;
  looking: Looking;
  wake: Wake;
  insets: Readonly<Insets>;
  /** Findings that count. */
  counting: readonly Finding[];
  chosen: string | null;
  onChoose: (finding: Finding) => void;
  draft: Draft;
  notes: Notes;
  written: boolean;
  /** A drag draws instead of turning the model. */
  drawing: boolean;
  picked: Picked | null;
  onPick: (picked: Picked | null) => void;
  onNote: () => void;
  /** Edges are drawn out that what lies beside it has not. */
  tellsNew: boolean;
  /** What a mend would leave. */
  ghost: Ghost | null;
  /** Buttons over it, top right. */
  children: ReactNode;
}

/** The hand-in with its findings, notes and lines; picked at, and drawn on. */
export function HandInStage(props: Props) {
  const { review, looking, wake, counting, chosen, draft, notes, picked } = props;
  const { stage, lens, bent } = looking;
  const [hover, setHover] = useState<Picked | null>(null);
  const plain = looking.plain && !wake.isPast;
  const picks = props.written && !props.drawing && !bent && !wake.isPast;
  const { exercise } = review.assignment;
  return (
    <LookedStage
      looking={looking}
      unit={exercise.unit}
      insets={[...props.insets]}
      label={`${exercise.title} of ${review.student}: drag to turn, click the mesh to pick a place`}
      draws={props.drawing ? 'stroke' : undefined}
      onDrawn={(path) => props.written && notes.draw(path)}
      onHover={(at) =>
        setHover(at && stage && picks && lens !== 'flow' ? pickPlace(stage, at) : null)
      }
      onClick={(at) => stage && picks && props.onPick(pickPlace(stage, at))}
      drawing={
        <>
          {hover && !picked && <Aim picked={hover} division={0} />}
          {picked && <Aim picked={picked} division={0} />}
          {!bent && !wake.isPast && (
            <>
              {props.ghost && <GhostLines ghost={props.ghost} isAdvice />}
              <Strokes notes={draft.notes} chosen={notes.chosen} />
              <MeshMarks
                findings={plain ? counting : counting.filter((f) => f.key === chosen)}
                chosen={chosen}
                onChoose={props.onChoose}
              />
              <Pins
                notes={draft.notes}
                marks={review.check.findings.filter((f) => f.key !== chosen).map((f) => f.place)}
                chosen={notes.chosen}
                onChoose={notes.choose}
              />
            </>
          )}
        </>
      }
    >
      <p className="condensed pointer-events-none absolute top-2.5 left-3 text-[15px] font-semibold">
        Attempt {review.attempt}
        <span className="ml-3 text-[13px] font-normal text-ink2">
          {wake.isPast
            ? `at step ${wake.at} of ${wake.last}`
            : counted(review.check.figures.faces, 'face')}
        </span>
        {plain && props.tellsNew && (
          <span className="block text-[13px] font-normal text-ink2">
            <svg width={26} height={9} viewBox="0 0 26 9" aria-hidden className="mr-1.5 inline">
              <path d="M0 4.500h26" stroke="var(--ink)" strokeWidth={2.4} />
            </svg>
            new edges
          </span>
        )}
      </p>
      {plain && <FarSide findings={counting} />}
      {picked && !bent && (
        <div className="over-stage absolute top-16 left-3 flex items-center gap-2.5 border border-ink bg-sheet px-3 py-2">
          <span>One {picked.on} picked.</span>
          <Button look="instructor" size="small" shortcut="N" onClick={props.onNote}>
            Note here
          </Button>
          <Button size="small" onClick={() => props.onPick(null)}>
            Let go
          </Button>
        </div>
      )}
      <span className="absolute top-2 right-3 flex gap-1.5">{props.children}</span>
    </LookedStage>
  );
}
