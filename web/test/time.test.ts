import { afterEach, describe, expect, it } from 'vitest';
import { clockText, dayText, liveIn, seenText, waitText, whenText } from '../src/ui/time';

afterEach(() => liveIn(null));

describe('times', () => {
  it('are told by the clock that somebody lives by', () => {
    liveIn('Europe/Oslo');
    expect(whenText('2026-11-27T17:00:00Z')).toBe('Fri 27 Nov, 18:00');
    expect(clockText('2026-07-01T17:00:00Z'), 'an hour more in summer').toBe('19:00');
    liveIn('Asia/Tokyo');
    expect(whenText('2026-11-27T17:00:00Z')).toBe('Sat 28 Nov, 02:00');
  });

  it('know the night in which the clock is put back', () => {
    liveIn('Europe/Oslo');
    expect(clockText('2026-10-25T00:30:00Z')).toBe('02:30');
    expect(clockText('2026-10-25T01:30:00Z'), 'the second time').toBe('02:30');
    expect(clockText('2026-10-25T02:30:00Z')).toBe('03:30');
  });

  it('of a day are the same everywhere', () => {
    for (const zone of ['Pacific/Kiritimati', 'Pacific/Pago_Pago', 'UTC']) {
      liveIn(zone);
      expect(dayText('2026-12-06')).toBe('Sun 6 Dec');
    }
  });

  it('say when somebody was here last, as near as it matters', () => {
    liveIn('Europe/Oslo');
    const now = new Date('2026-11-29T19:00:00Z');
    expect(seenText('2026-11-29T18:58:00Z', now)).toBe('just now');
    expect(seenText('2026-11-29T08:04:00Z', now)).toBe('today, 09:04');
    expect(seenText('2026-11-23T18:00:00Z', now)).toBe('Mon 23 Nov');
    expect(seenText('2026-11-28T23:30:00Z', now), 'by the own midnight').toBe('today, 00:30');
  });

  it('say how long something waits', () => {
    const now = Date.parse('2026-11-29T19:00:00Z');
    expect(waitText('2026-11-29T18:59:40Z', now)).toBe('under a minute');
    expect(waitText('2026-11-29T18:25:00Z', now)).toBe('35 min');
    expect(waitText('2026-11-28T19:00:00Z', now)).toBe('1 d');
    expect(waitText('2026-11-27T15:00:00Z', now)).toBe('2 d 4 h');
  });
});
