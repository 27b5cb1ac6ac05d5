import type { Upload } from '../api/client';

/** What is done with a file that comes in. */
export const STAGES: Record<Upload['stage'], string> = {
  waiting: 'Waiting for its turn',
  reading: 'Reading the file',
  asking: 'Waiting for an answer',
  inspecting: 'Inspecting the mesh',
  drawing: 'Drawing its picture',
  done: 'Handed in',
  failed: 'Not read',
  cancelled: 'Stopped',
};
