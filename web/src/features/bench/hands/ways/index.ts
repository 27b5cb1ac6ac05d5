import { CAP } from './cap';
import { CONNECT } from './connect';
import { FACE } from './face';
import { LIFT } from './lift';
import { MOVE } from './move';
import { SLIDE } from './slide';
import { WELD } from './weld';
import type { CleanTool, Way } from './way';

/** What each clean-up tool does, by its name. */
export const WAYS: Record<CleanTool, readonly Way[]> = {
  lift: LIFT,
  weld: WELD,
  connect: CONNECT,
  face: FACE,
  cap: CAP,
  slide: SLIDE,
  move: MOVE,
};
