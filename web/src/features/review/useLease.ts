import { useCallback, useEffect, useState } from 'react';
import { api, type Schemas } from '../../api/client';

const RENEW_MS = 20_000;

/**
 * Holds an answer while it is open, so that two don't write in it; lets it go on the way out. Who dies
 * with it is out of the way in a minute. An answer that is out is held too: it may be amended, and what
 * its student replied is read by that.
 */
export function useLease(id: string) {
  const [held, setHeld] = useState<Schemas['Held'] | null>(null);
  const hold = useCallback(
    (takeOver: boolean) =>
      // Without an answer nothing changes: whoever may not write here is told when they try.
      api.hold(id, takeOver).then(setHeld, () => undefined),
    [id],
  );
  useEffect(() => {
    void hold(false);
    const timer = setInterval(() => void hold(false), RENEW_MS);
    return () => {
      clearInterval(timer);
      api.letGo(id).catch(() => undefined);
    };
  }, [id, hold]);
  return {
    /** Who else has it open; null: nobody, as far as is known. */
    holder: held && !held.mine ? held.holder : null,
    takeOver: () => hold(true),
  };
}
