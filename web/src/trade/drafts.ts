const BEGIN = 'fair-edge-answer-';

/** Under which name what is being written is kept on this machine. */
export function draftName(id: string): string {
  return BEGIN + id;
}

/** Lets go of all that was written here, when somebody else may sit down at this machine. */
export function forgetDrafts(): void {
  for (const name of Object.keys(localStorage)) {
    if (name.startsWith(BEGIN)) localStorage.removeItem(name);
  }
  sessionStorage.clear();
}
