import { createContext, use, useSyncExternalStore } from 'react';
import type { StageView } from './StageView';

export const StageContext = createContext<StageView | null>(null);

/** The stage that a drawing on it belongs to; redrawn whenever its view changes. */
export function useStage(): StageView {
  const stage = use(StageContext);
  if (!stage) throw new Error('there is no stage round this');
  useSyncExternalStore(stage.subscribe, () => stage.version);
  return stage;
}
