import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { queries } from '../../api/queries';
import { seesAll, useCourse } from '../../trade/useCourse';
import { Select } from '../../ui/Select';
import { Empty, Failure, Loading, OfflineBand } from '../../ui/States';
import { clockText, counted } from '../../ui/time';
import { useAddressed } from '../../ui/useAddressed';
import { Choice } from '../../ui/fields';
import { Follow } from './Follow';
import { TileCard } from './TileCard';
import { useNow } from './times';
import { useRoom, type RoomState, type Tile } from './useRoom';

type Order = 'asks' | 'still' | 'name';

const ORDERS = [
  ['asks', 'Who asks first'],
  ['still', 'Longest still first'],
  ['name', 'By name'],
] as const;

/** The class at hand while it works. */
export function Room() {
  const { course, courses } = useCourse();
  const taught = course && seesAll(course) ? course : courses.find((m) => seesAll(m));
  if (!taught) return <Empty title="There is no room here.">You teach in no class.</Empty>;
  return <OpenRoom key={taught.courseId} course={taught.courseId} />;
}

function OpenRoom({ course }: { course: string }) {
  const [followed, follow] = useAddressed('bench');
  const [order, setOrder] = useState<Order>('asks');
  const [group, setGroup] = useState('all');
  const { room, online } = useRoom(course, followed);
  const groups = useGroups(course);
  const now = useNow();
  if (room.error && !room.data) {
    return <Failure error={room.error} onRetry={() => void room.refetch()} />;
  }
  if (!room.data) return <Loading stage="Looking who is there" />;
  const isIn = (of: string | null) => group === 'all' || of === group;
  const tiles = sorted(
    room.data.tiles.filter((t) => isIn(t.group)),
    order,
  );
  const open = room.data.tiles.find((t) => t.workpiece === followed) ?? null;
  const all = room.data.tiles.length + room.data.others.length;
  return (
    <div className="flex h-full min-h-0">
      <div className="flex min-w-0 flex-1 flex-col">
        {!online && (
          <OfflineBand
            kept="What you see is how it stood. It goes on by itself when the line is back."
            onRetry={() => void room.refetch()}
          />
        )}
        <header className="flex flex-wrap items-center gap-x-4 gap-y-2 border-b border-ink px-4 py-2.5">
          <h1 className="text-[22px] leading-7 font-semibold">Room</h1>
          <p className="text-ink2" role="status">
            {clockText(new Date(now).toISOString())}, {room.data.tiles.length} of {all} at the bench
          </p>
          {groups.length > 0 && (
            <Choice
              label="Group"
              value={group}
              options={[['all', 'All'], ...groups]}
              onChange={setGroup}
            />
          )}
          <Select
            label="Order"
            size="small"
            className="ml-auto"
            value={order}
            options={ORDERS}
            onChange={(next) => setOrder(next as Order)}
          />
        </header>
        <div className="thin-scroll min-h-0 flex-1 overflow-y-auto" tabIndex={0}>
          {tiles.length === 0 ? (
            <Empty title="Nobody is at the bench now.">
              Whoever opens an exercise of this class on the bench shows here, as long as it is
              open. Practice is never shown.
            </Empty>
          ) : (
            <ul
              aria-label="At the bench"
              className="grid grid-cols-[repeat(auto-fill,minmax(204px,1fr))]"
            >
              {tiles.map((tile) => (
                <TileCard
                  key={tile.workpiece}
                  tile={tile}
                  now={now}
                  open={tile.workpiece === followed}
                  onOpen={(w) => follow(w === followed ? null : w)}
                />
              ))}
            </ul>
          )}
          <Away room={room.data} isIn={isIn} />
        </div>
      </div>
      {open && <Follow key={open.workpiece} tile={open} now={now} onClose={() => follow(null)} />}
    </div>
  );
}

function useGroups(course: string): (readonly [string, string])[] {
  const people = useQuery(queries.people(course));
  return (people.data?.groups ?? []).map((g) => [g.id, g.name] as const);
}

/** Of those who ask the one who has waited longest comes first. */
export function sorted(tiles: readonly Tile[], order: Order): Tile[] {
  const byName = (a: Tile, b: Tile) => a.name.localeCompare(b.name, 'en');
  const time = (at: string | null) => (at === null ? Infinity : new Date(at).getTime());
  return [...tiles].sort((a, b) => {
    const asks = order === 'asks' ? time(a.asksSince) - time(b.asksSince) : 0;
    if (asks !== 0 && !Number.isNaN(asks)) return asks;
    const still = order === 'still' ? time(a.stillSince) - time(b.stillSince) : 0;
    return still || byName(a, b);
  });
}

function Away({ room, isIn }: { room: RoomState; isIn: (group: string | null) => boolean }) {
  const others = room.others
    .filter((o) => isIn(o.group))
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
  if (others.length === 0) return null;
  return (
    <section className="px-4 py-4">
      <h2 className="font-semibold">Not at the bench</h2>
      <p className="condensed text-ink2">
        {counted(others.length, 'student')}: {others.map((o) => o.name).join(', ')}
      </p>
      {room.tiles.length > 0 && (
        <p className="condensed mt-3 text-[13px] text-ink2">
          One stroke for each step of the last 20 minutes; below the line the must-mends standing.
        </p>
      )}
    </section>
  );
}
