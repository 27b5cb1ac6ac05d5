import { BEND } from './bend';
import { CAP } from './cap';
import { CONNECT } from './connect';
import { EXTRUDE } from './extrude';
import { FACE } from './face';
import { GROOVE } from './groove';
import { INSET } from './inset';
import { LIFT } from './lift';
import { MEET } from './meet';
import { MIRROR } from './mirror';
import { MOVE } from './move';
import { PIECES } from './pieces';
import { SLIDE } from './slide';
import { SUPPORT } from './support';
import { THICKEN } from './thicken';
import { WELD } from './weld';
import type { ElementTool, Way } from './way';

/** What each clean-up tool does, by its name. */
export const WAYS: Record<ElementTool, readonly Way[]> = {
  meet: MEET,
  lift: LIFT,
  weld: WELD,
  connect: CONNECT,
  face: FACE,
  cap: CAP,
  slide: SLIDE,
  move: MOVE,
  support: SUPPORT,
  inset: INSET,
  extrude: EXTRUDE,
  groove: GROOVE,
  mirror: MIRROR,
  thicken: THICKEN,
  pieces: PIECES,
  bend: BEND,
};
