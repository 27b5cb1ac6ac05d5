import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, files, type PrintPlace } from '../api/client';
import { queries } from '../api/queries';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { Select } from '../ui/Select';
import { Trouble, Working } from '../ui/States';

type Sheet = 'a4' | 'letter';
type Form = 'pdf' | 'zip';

export const SHEETS = [
  ['a4', 'A4'],
  ['letter', 'Letter'],
] as const;

/** Puts many answers onto paper, and says how far that is. */
export function PrintMenu(props: {
  of: PrintPlace;
  title: string;
  size?: 'small' | 'normal';
  children: string;
}) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button size={props.size ?? 'normal'} onClick={() => setOpen(true)}>
        {props.children}
      </Button>
      {open && <PrintDialog of={props.of} title={props.title} onClose={() => setOpen(false)} />}
    </>
  );
}

function PrintDialog(props: { of: PrintPlace; title: string; onClose: () => void }) {
  const [sheet, setSheet] = useState<Sheet>('a4');
  const [form, setForm] = useState<Form>('pdf');
  const [print, setPrint] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const begin = async () => {
    setProblem(null);
    try {
      setPrint((await api.beginPrint(props.of, { sheet, form })).id);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  const stop = () => {
    if (print) void api.cancelPrint(print).catch(() => undefined);
    setPrint(null);
  };
  return (
    <Dialog
      open
      title={props.title}
      description="Each answer as its student reads it, with a picture of every note. Drafts stay out."
      onClose={props.onClose}
    >
      <div className="flex items-end gap-4">
        <label>
          <span className="block text-[12px] text-ink2">Paper</span>
          <Select
            label="Paper"
            value={sheet}
            options={SHEETS}
            onChange={(v) => setSheet(v as Sheet)}
          />
        </label>
        <label>
          <span className="block text-[12px] text-ink2">As</span>
          <Select
            label="As"
            value={form}
            options={[
              ['pdf', 'one document'],
              ['zip', 'a document each, in a zip'],
            ]}
            onChange={(v) => setForm(v as Form)}
          />
        </label>
        {!print && (
          <Button look="main" className="ml-auto" onClick={() => void begin()}>
            Put them on paper
          </Button>
        )}
      </div>
      {problem && <Trouble title="Nothing was printed">{problem}</Trouble>}
      {print && <Progress id={print} onStop={stop} onAgain={() => void begin()} />}
    </Dialog>
  );
}

function Progress(props: { id: string; onStop: () => void; onAgain: () => void }) {
  const print = useQuery(queries.print(props.id)).data;
  if (!print) return null;
  if (print.state === 'failed') {
    return (
      <Trouble title="It could not be made">
        Something went wrong while it was drawn; nothing is lost.{' '}
        <button type="button" className="underline" onClick={props.onAgain}>
          Try again
        </button>
      </Trouble>
    );
  }
  if (print.state === 'made') {
    return (
      <p className="mt-5 border-t border-rule pt-3">
        {print.total === 1 ? 'One answer is' : `${print.total} answers are`} on paper.{' '}
        <a
          className="font-semibold underline"
          href={files.print(print.id)}
          target="_blank"
          rel="noreferrer"
        >
          {print.form === 'zip' ? 'Save the zip' : 'Open the document'}
        </a>
        <span className="block text-[12px] text-ink2">It is kept for a day.</span>
      </p>
    );
  }
  return (
    <div className="mt-5 border-t border-rule pt-3">
      <Working
        stage="Drawing"
        about={`${print.done} of ${print.total} answers`}
        share={print.done / Math.max(1, print.total)}
        onStop={props.onStop}
      />
    </div>
  );
}
