import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import type { Schemas } from '../../api/client';
import { openLine } from '../../api/live';
import { queries } from '../../api/queries';

export type RoomState = Schemas['RoomView'];
export type Tile = Schemas['TileView'];

/** A room with a bench as it stands now, or without one that was left. */
export function withTile(room: RoomState, tile: Tile): RoomState {
  const known = room.tiles.some((t) => t.workpiece === tile.workpiece);
  return {
    ...room,
    tiles: known
      ? room.tiles.map((t) => (t.workpiece === tile.workpiece ? tile : t))
      : [...room.tiles, tile],
    others: room.others.filter((o) => o.student !== tile.student),
  };
}

export function withoutTile(room: RoomState, workpiece: string): RoomState {
  const left = room.tiles.find((t) => t.workpiece === workpiece);
  if (!left) return room;
  const tiles = room.tiles.filter((t) => t !== left);
  const elsewhere = tiles.some((t) => t.student === left.student);
  const away = { student: left.student, name: left.name, group: left.group };
  return { ...room, tiles, others: elsewhere ? room.others : [...room.others, away] };
}

/**
 * Who is at a bench of a class, kept up to date by what happens.
 *
 * @param follows the bench that is followed; its student is told
 */
export function useRoom(course: string, follows: string | null) {
  const client = useQueryClient();
  const room = useQuery(queries.room(course));
  const [online, setOnline] = useState(true);
  const isThere = room.data !== undefined;
  useEffect(() => {
    if (!isThere) return;
    const { queryKey } = queries.room(course);
    const again = () => void client.invalidateQueries({ queryKey });
    const change = (by: (now: RoomState) => RoomState) => {
      client.setQueryData(queryKey, (now) => now && by(now));
      // What is asked for at the same time may be from before it.
      if (client.isFetching({ queryKey }) > 0) again();
    };
    return openLine(
      `/classes/${course}/room/live${follows ? `?follows=${follows}` : ''}`,
      () => client.getQueryData(queryKey)?.last ?? null,
      {
        bench: (tile) => change((now) => withTile(now, tile as Tile)),
        left: (left) =>
          change((now) => withoutTile(now, (left as { workpiece: string }).workpiece)),
      },
      (open) => {
        setOnline(open);
        // While nobody looks on nothing is told: what happened before the line was open is looked up.
        if (open) again();
      },
    );
  }, [client, course, follows, isThere]);
  return { room, online };
}
