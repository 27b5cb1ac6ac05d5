import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, asProblem, type Workpiece } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { readAddress } from '../../ui/useAddressed';

/** A note of an answer that is written. */
export interface NoteAddress {
  submission: string;
  note: string;
}

/** The note for which a copy is cut, as the address says. */
export function noteOfAddress(): NoteAddress | null {
  const [submission, note] = (readAddress('note') ?? '').split('.');
  return submission && note ? { submission, note } : null;
}

/** Gives what was cut on a copy of a hand-in to a note of its answer. */
export function GiveMend(props: { state: Workpiece; main: boolean; note: NoteAddress }) {
  const { state, note } = props;
  const client = useQueryClient();
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const isCut = state.steps.length > 0;
  const give = async () => {
    try {
      await api.drawnMend(note.submission, note.note, state.id, state.revision);
      client.removeQueries(queries.review(note.submission));
      void navigate(`/review/${note.submission}`);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  return (
    <>
      {problem && (
        <span role="alert" className="text-[13px]">
          {problem}
        </span>
      )}
      <Button
        look={props.main && isCut ? 'main' : 'plain'}
        size="small"
        disabled={!isCut}
        title={isCut ? undefined : 'Cut something first: what you do here becomes the mend'}
        onClick={() => void give()}
      >
        Give it to the note
      </Button>
    </>
  );
}
