import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, asProblem, type Workpiece } from '../../api/client';
import { Button } from '../../ui/Button';

/** Keeps the mesh as it stands as a reference, and goes back to the editor. */
export function KeepReference({
  exercise,
  state,
  main,
}: {
  exercise: string;
  state: Workpiece;
  main: boolean;
}) {
  const navigate = useNavigate();
  const [problem, setProblem] = useState<string | null>(null);
  const keep = async () => {
    try {
      await api.addReference(exercise, state.id);
      await api.forgetTry(exercise);
      void navigate(`/exercises/${exercise}?section=references`);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  return (
    <>
      {problem && <span role="alert">{problem}</span>}
      <Button
        look={main ? 'main' : 'plain'}
        disabled={state.steps.length === 0}
        title={state.steps.length === 0 ? 'Nothing is cut yet' : undefined}
        onClick={() => void keep()}
      >
        Keep it as a reference
      </Button>
    </>
  );
}
