import { useEffect, useRef, useState } from 'react';
import type { Point } from '../../mesh/MeshBuffers';
import type { StageView } from '../../stage/StageView';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { FieldRow } from '../../ui/fields';

interface Props {
  stage: StageView | null;
  unit: string;
  /** Lets the next clicks on the stage be the panel's; null gives them back. */
  onAskClick: (take: ((at: { x: number; y: number }) => void) | null) => void;
  onClose: () => void;
  /** Where the picture is that the exercise gives; undefined: it gives none. */
  given?: string | undefined;
}

const LARGEST = 20_000_000;

/** A picture to trace: PNG or JPEG on a plane behind the model. It stays in this window only. */
export function SheetPanel({ stage, unit, onAskClick, onClose, given }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const [picture, setPicture] = useState<ImageBitmap | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [typed, setWidth] = useState<number | null>(null);
  const width = typed ?? 2 * (stage?.modelRadius ?? 1);
  const [across, setAcross] = useState(0);
  const [upwards, setUpwards] = useState(0);
  const [share, setShare] = useState(0.7);
  const [measured, setMeasured] = useState(0);

  useEffect(() => {
    stage?.laySheet(width, across, upwards, share);
  }, [stage, picture, width, across, upwards, share]);
  useEffect(() => () => stage?.setSheet(null), [stage]);

  const [measuring, setMeasuring] = useState<'beginning' | 'end' | null>(null);
  const measure = () => {
    if (measuring) {
      setMeasuring(null);
      onAskClick(null);
      return;
    }
    setMeasuring('beginning');
    let first: Point | null = null;
    onAskClick((at) => {
      const place = stage?.onSheet(at.x, at.y) ?? null;
      if (!place) return;
      if (!first) {
        first = place;
        setMeasuring('end');
        return;
      }
      setMeasured(Math.hypot(place.x - first.x, place.y - first.y, place.z - first.z));
      setMeasuring(null);
      onAskClick(null);
    });
  };
  useEffect(() => () => onAskClick(null), [onAskClick]);

  const read = async (file: File) => {
    setProblem(null);
    if (!['image/png', 'image/jpeg'].includes(file.type) || file.size > LARGEST) {
      setProblem('A PNG or JPEG file of at most 20 MB is wanted.');
      return;
    }
    await show(file);
  };
  const show = async (file: Blob) => {
    try {
      const bitmap = await createImageBitmap(file);
      stage?.setSheet(bitmap);
      setPicture(bitmap);
    } catch {
      setProblem('This file is no picture that can be read.');
    }
  };
  const layGiven = async () => {
    setProblem(null);
    try {
      await show(await (await fetch(given!)).blob());
    } catch {
      setProblem('It did not come through: try again.');
    }
  };

  return (
    <div
      className="over-stage absolute bottom-14 left-3 w-[244px] space-y-1.5 border border-ink bg-sheet p-3"
      role="group"
      aria-label="Tracing sheet"
      data-testid="sheet-panel"
    >
      <h2 className="flex justify-between text-[15px] font-semibold">
        Tracing sheet
        <Button size="small" className="px-2" onClick={onClose}>
          Take it away
        </Button>
      </h2>
      <input
        ref={input}
        type="file"
        accept="image/png,image/jpeg"
        className="hidden"
        aria-label="Picture to trace"
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) void read(file);
          e.target.value = '';
        }}
      />
      <div className="flex flex-wrap gap-1">
        {given && (
          <Button size="small" onClick={() => void layGiven()}>
            The exercise’s sheet
          </Button>
        )}
        <Button size="small" onClick={() => input.current?.click()}>
          {picture ? 'Another picture' : 'Choose a picture'}
        </Button>
        {picture && (
          <Button size="small" onClick={() => stage?.setSheet(picture)}>
            Square to this view
          </Button>
        )}
      </div>
      {problem && <p className="text-[13px] font-semibold">{problem}</p>}
      {!picture && (
        <p className="text-ink2">
          A PNG or JPEG behind the model, to trace. It stays in this window.
        </p>
      )}
      {picture && (
        <>
          <FieldRow name="Width">
            <NumberField
              label="Width of the sheet"
              value={width}
              unit={unit}
              onCommit={(v) => v > 0 && setWidth(v)}
            />
          </FieldRow>
          <Button size="small" aria-pressed={measuring !== null} onClick={measure}>
            Measure a length on it
          </Button>
          {measuring && (
            <p className="text-[13px] font-semibold" role="status">
              Click the {measuring} of the length, on the sheet.
            </p>
          )}
          <FieldRow name="Measures now">
            <NumberField
              label="Length on the sheet"
              value={measured}
              unit={unit}
              onCommit={setMeasured}
            />
          </FieldRow>
          <FieldRow name="Should measure">
            <NumberField
              label="Length that it shall have"
              value={measured}
              unit={unit}
              onCommit={(v) => {
                if (!(v > 0 && measured > 0)) return;
                setWidth((width * v) / measured);
                setMeasured(v);
              }}
            />
          </FieldRow>
          <FieldRow name="Moved right">
            <NumberField label="Moved right" value={across} unit={unit} onCommit={setAcross} />
          </FieldRow>
          <FieldRow name="Moved up">
            <NumberField label="Moved up" value={upwards} unit={unit} onCommit={setUpwards} />
          </FieldRow>
          <FieldRow name="Strength">
            <NumberField
              label="Strength"
              value={share * 100}
              unit="%"
              digits={0}
              onCommit={(v) => setShare(Math.min(1, Math.max(0.05, v / 100)))}
            />
          </FieldRow>
        </>
      )}
    </div>
  );
}
