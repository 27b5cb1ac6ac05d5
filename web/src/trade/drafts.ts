const ANSWERS = 'fair-edge-answer-';
const EXERCISES = 'fair-edge-exercise-';

/** Under which name an answer that is being written is kept on this machine. */
export function draftName(id: string): string {
  return ANSWERS + id;
}

/** The same of an exercise. */
export function exerciseDraftName(id: string): string {
  return EXERCISES + id;
}

/** Lets go of all that was written here, when somebody else may sit down at this machine. */
export function forgetDrafts(): void {
  for (const name of Object.keys(localStorage)) {
    if (name.startsWith(ANSWERS) || name.startsWith(EXERCISES)) localStorage.removeItem(name);
  }
  sessionStorage.clear();
}
