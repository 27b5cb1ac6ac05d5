import type { LensSource } from '../../stage/useLensPicture';
import type { Lens } from '../../stage/lenses';

/** Lenses for which nothing is asked: a bench that is followed changes all the time. */
export const SEEN: readonly Lens[] = ['clay', 'sides'];

const nothing = () => Promise.reject(new Error('not for what is followed'));

export const NO_LENS: LensSource = {
  key: ['nothing'],
  look: nothing,
  along: nothing,
  smooth: nothing,
  bend: nothing,
};
