import { CAP } from './cap';
import { CONNECT } from './connect';
import { EXTRUDE } from './extrude';
import { FACE } from './face';
import { INSET } from './inset';
import { LIFT } from './lift';
import { MOVE } from './move';
import { SLIDE } from './slide';
import { WELD } from './weld';
import type { ElementTool, Way } from './way';

/** What each clean-up tool does, by its name. */
export const WAYS: Record<ElementTool, readonly Way[]> = {
  lift: LIFT,
  weld: WELD,
  connect: CONNECT,
  face: FACE,
  cap: CAP,
  slide: SLIDE,
  move: MOVE,
  inset: INSET,
  extrude: EXTRUDE,
};
