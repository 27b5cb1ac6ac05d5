import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { api, asProblem, type Schemas } from '../../api/client';
import { openLine } from '../../api/live';
import { queries } from '../../api/queries';
import { Pins } from '../../stage/Pins';
import { useStage } from '../../stage/stageContext';
import { Button } from '../../ui/Button';

type CompanyState = Schemas['CompanyView'];

/** Who looks on at one's own bench, and hints; help is asked for here. */
export function Company({ workpiece }: { workpiece: string }) {
  const client = useQueryClient();
  const company = useQuery(queries.company(workpiece));
  const [problem, setProblem] = useState<string | null>(null);
  const first = company.data?.last;
  const isThere = first !== undefined;
  useEffect(() => {
    if (!isThere) return;
    const { queryKey } = queries.company(workpiece);
    return openLine(
      `/workpieces/${workpiece}/live`,
      () => client.getQueryData(queryKey)?.last ?? null,
      { company: () => void client.invalidateQueries({ queryKey }) },
    );
  }, [client, workpiece, isThere]);
  if (!company.data) return null;
  const { data } = company;
  const ask = async () => {
    try {
      client.setQueryData(
        queries.company(workpiece).queryKey,
        await api.askForHelp(workpiece, data.asksSince === null),
      );
      setProblem(null);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  const fresh = data.hints.filter((h) => h.seenAt === null);
  return (
    <div className="flex max-w-[420px] flex-col items-start gap-1.5" data-testid="company">
      <div className="flex items-center gap-2 rounded-ctl bg-paper/90 text-[13px]">
        <Button
          size="small"
          aria-pressed={data.asksSince !== null}
          className={data.asksSince !== null ? 'border-ink bg-shoal2' : ''}
          onClick={() => void ask()}
        >
          {data.asksSince !== null ? 'You asked for help: take it back' : 'Ask for help'}
        </Button>
        <span role="status" className="pr-2 text-ink2">
          {problem ?? onlookersText(data)}
        </span>
      </div>
      {fresh.map((hint) => (
        <div
          key={hint.id}
          role="status"
          className="over-stage border border-magenta bg-sheet px-3 py-2"
          data-testid="pinned-hint"
        >
          <p className="text-[13px] text-magenta">
            {hint.by}
            {hint.place && `, pin ${numberOf(data, hint.id)}`}
          </p>
          <p className="whitespace-pre-wrap">{hint.text}</p>
          <Button
            size="small"
            className="mt-1.5"
            onClick={() =>
              void api
                .hintSeen(hint.id)
                .then(() => client.invalidateQueries(queries.company(workpiece)))
            }
          >
            Understood
          </Button>
        </div>
      ))}
    </div>
  );
}

/** In the order in which they were said. */
function pinned(company: CompanyState) {
  return company.hints.filter((h) => h.seenAt === null && h.place !== null).reverse();
}

function numberOf(company: CompanyState, id: string): number {
  return pinned(company).findIndex((h) => h.id === id) + 1;
}

export function onlookersText(company: CompanyState): string {
  const { followers, room } = company;
  if (followers.length > 0)
    return `${listed(followers)} ${followers.length === 1 ? 'looks' : 'look'} on.`;
  if (room.length > 0)
    return `${listed(room)} ${room.length === 1 ? 'has' : 'have'} the room open.`;
  return '';
}

function listed(names: readonly string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

/** Hints where they were pinned. */
export function HintPins({ workpiece }: { workpiece: string }) {
  const stage = useStage();
  const { data } = useQuery(queries.company(workpiece));
  if (!data) return null;
  const notes = pinned(data).map((h) => ({ kind: 'ask' as const, place: h.place!, strokes: [] }));
  return (
    <Pins
      notes={notes}
      marks={[]}
      chosen={null}
      onChoose={(i) => {
        const note = notes[i];
        if (note) stage.flyTo(note.place);
      }}
    />
  );
}
