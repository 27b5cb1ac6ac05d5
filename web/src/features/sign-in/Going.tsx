import type { ReactNode } from 'react';
import { Button } from '../../ui/Button';
import { Refusal } from '../../ui/TextField';
import type { Entering } from './useEntering';

interface Props {
  entering: Entering;
  /** What has to be done first; null when nothing has. */
  missing: string | null;
  children: ReactNode;
}

/** The way on from a page outside, and above it why it did not work. */
export function Going({ entering, missing, children }: Props) {
  return (
    <>
      {entering.problem && <Refusal>{entering.problem}</Refusal>}
      <Button
        type="submit"
        look="main"
        size="tall"
        disabled={entering.busy || missing !== null}
        title={missing ?? undefined}
      >
        {children}
      </Button>
    </>
  );
}
