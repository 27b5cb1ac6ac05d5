import { useEffect, useEffectEvent, useState } from 'react';
import type { Frame } from '../../api/client';
import { msOf, type Speed } from '../../trade/SpeedChoice';
import { useAddressed } from '../../ui/useAddressed';

export type Playing = ReturnType<typeof usePlaying>;

/**
 * Frames played one after the other, or gone to; playing waits at every question.
 *
 * @param there whether the mesh of the frame at hand has come
 */
export function usePlaying(frames: readonly Frame[], there: boolean) {
  const last = frames.length - 1;
  const [kept, keep] = useAddressed('frame');
  const at = Math.max(0, Math.min(last, Number(kept ?? 0) || 0));
  const [playing, setPlaying] = useState(false);
  const [speed, setSpeed] = useState<Speed>('1x');
  const [reached, setReached] = useState(at);
  const [unfolded, setUnfolded] = useState<ReadonlySet<number>>(new Set());
  const isQuestion = frames[at]!.kind === 'question';
  const isOpen = unfolded.has(at);
  const go = (to: number) => {
    const next = Math.max(0, Math.min(last, to));
    setReached((far) => Math.max(far, next));
    keep(next === 0 ? null : String(next));
  };
  const fold = (frame: number, open: boolean) =>
    setUnfolded((all) => {
      const next = new Set(all);
      if (open) next.add(frame);
      else next.delete(frame);
      return next;
    });
  const onward = useEffectEvent(() => {
    if (at >= last) setPlaying(false);
    else go(at + 1);
  });
  useEffect(() => {
    if (!playing || !there) return;
    if (isQuestion && !isOpen) return;
    // What is unfolded is to be read.
    const timer = setTimeout(onward, msOf(speed) * (isQuestion ? 3 : 1));
    return () => clearTimeout(timer);
  }, [playing, there, at, speed, isQuestion, isOpen]);
  const waits = isQuestion && !isOpen;
  return {
    at,
    last,
    frame: frames[at]!,
    /** The farthest that was looked at: what comes after it is not told yet. */
    reached: Math.max(reached, at),
    playing,
    waits,
    speed,
    setSpeed,
    isOpen,
    go: (to: number) => {
      setPlaying(false);
      go(to);
    },
    fold,
    /** On by one; at a question the answer comes first. */
    stepOn: () => {
      setPlaying(false);
      if (waits) fold(at, true);
      else go(at + 1);
    },
    stepBack: () => {
      setPlaying(false);
      go(at - 1);
    },
    toggle: () => {
      if (playing && waits) {
        fold(at, true);
        return;
      }
      if (!playing && at >= last) go(0);
      setPlaying(!playing);
    },
  };
}
