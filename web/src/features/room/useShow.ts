import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { Schemas } from '../../api/client';
import { openLine } from '../../api/live';
import { queries } from '../../api/queries';

export type Show = Schemas['ShowView'];
type Sight = Pick<Show, 'camera' | 'lens' | 'caption'>;
type Step = Pick<Show, 'revision' | 'step' | 'tool' | 'brief'>;

/** What is shown to a class, kept up to date by what happens. */
export function useShow(course: string) {
  const client = useQueryClient();
  const show = useQuery(queries.show(course));
  const [online, setOnline] = useState(true);
  const isKnown = show.data !== undefined;
  useEffect(() => {
    if (!isKnown) return;
    const { queryKey } = queries.show(course);
    const change = (now: Sight | Step) =>
      client.setQueryData(queryKey, (before) => before && { ...before, ...now });
    const again = () => void client.invalidateQueries({ queryKey });
    return openLine(
      `/classes/${course}/show/live`,
      () => client.getQueryData(queryKey)?.last ?? null,
      {
        step: (step) => change(step as Step),
        sight: (sight) => change(sight as Sight),
        begun: again,
        ended: () => client.setQueryData(queryKey, null),
      },
      (open) => {
        setOnline(open);
        // Views that passed while the line was lost are not told again.
        if (open) again();
      },
    );
  }, [client, course, isKnown]);
  return { show, online };
}
