import type { components } from './schema';

export type Schemas = components['schemas'];
export type Change = Schemas['Change'];
export type View = Schemas['View'];
export type Anchor = Schemas['Anchor'];
export type Finding = Schemas['FindingView'];
export type Workpiece = Schemas['WorkpieceView'];
export type Preview = Schemas['PreviewView'];
export type Review = Schemas['ReviewView'];
export type Answer = Schemas['AnswerView'];
export type Note = Schemas['NoteView'];
export type Upload = Schemas['UploadView'];
export type Severity = Schemas['SeverityView'];
export type Demonstration = Schemas['DemonstrationView'];
export type Frame = Schemas['FrameView'];

/** Where a workpiece is opened: what it is cut for. */
export type WorkpiecePlace =
  `/assignments/${string}` | `/practice/${string}` | `/exercises/${string}`;

/** What of the queue is looked at; null: whatever it is. */
export interface DeskFilter {
  course: string | null;
  group: string | null;
  assignment: string | null;
  kind: string | null;
  mine: boolean;
}

/**
 * What is laid beside a hand-in: an attempt by its number, a reference by its hash, a step by its id; or
 * itself as it would be after a change.
 */
export type Beside =
  | { sort: 'starter' | 'attempt' | 'reference' | 'step'; which: string }
  | { sort: 'mend'; change: Change };

/** What the server says is wrong, as a problem detail; status 0 where it did not answer. */
export class ApiProblem extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    readonly more: Record<string, unknown> = {},
  ) {
    super(detail);
  }
  get offline(): boolean {
    return this.status === 0;
  }
}

export function asProblem(e: unknown): ApiProblem {
  return e instanceof ApiProblem ? e : new ApiProblem(0, 'This did not work', String(e));
}

function csrfToken(): string {
  const match = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie);
  return match ? decodeURIComponent(match[1]!) : '';
}

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

async function request(
  method: Method,
  path: string,
  body?: unknown,
  signal?: AbortSignal,
): Promise<Response> {
  const headers: Record<string, string> = { 'X-XSRF-TOKEN': csrfToken() };
  if (body !== undefined && !(body instanceof FormData)) {
    headers['Content-Type'] = 'application/json';
  }
  const plain = body === undefined || body instanceof FormData;
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers,
      body: plain ? body : JSON.stringify(body),
      signal,
    });
  } catch {
    throw new ApiProblem(0, 'No connection', 'The server does not answer.');
  }
  if (response.ok) return response;
  const problem = (await response.json().catch(() => ({}))) as Record<string, unknown>;
  if (response.status === 401 && path !== '/session') {
    window.dispatchEvent(new Event('signed-out'));
  }
  throw problemOf(response.status, problem);
}

function problemOf(status: number, problem: Record<string, unknown>): ApiProblem {
  return new ApiProblem(
    status,
    String(problem.title ?? 'Something went wrong'),
    String(problem.detail ?? `The server answered ${status}.`),
    problem,
  );
}

async function json<T>(
  method: Method,
  path: string,
  body?: unknown,
  signal?: AbortSignal,
): Promise<T> {
  return (await (await request(method, path, body, signal)).json()) as T;
}

async function nothing(method: Method, path: string, body?: unknown): Promise<void> {
  await request(method, path, body);
}

/** How a workpiece stands after a move: all of it, or what a step added. */
export type Stands = Workpiece | Schemas['MadeView'] | Schemas['WentView'];

/** A reply to a move: how it stands now, and where in the buffer the mesh message begins. */
export interface Stepped {
  state: Stands;
  buffer: ArrayBuffer;
  meshAt: number;
}

async function stepped(path: string, body: unknown): Promise<Stepped> {
  return readStepped(await (await request('POST', path, body)).arrayBuffer());
}

function readStepped(buffer: ArrayBuffer): Stepped {
  const { told, meshAt } = readTold<Stands>(buffer);
  return { state: told, buffer, meshAt };
}

/** A reply that begins with JSON, and where the mesh message after it begins. */
function readTold<T>(buffer: ArrayBuffer): { told: T; meshAt: number } {
  const length = new DataView(buffer).getInt32(0, true);
  const text = new TextDecoder().decode(new Uint8Array(buffer, 4, length));
  return { told: JSON.parse(text) as T, meshAt: Math.ceil((length + 4) / 8) * 8 };
}

/** A bend that was tried: what is to be seen, and where in the buffer the places of the vertices begin. */
export interface Tried {
  picture: Schemas['LensPicture'];
  buffer: ArrayBuffer;
  meshAt: number;
}

async function bent(path: string): Promise<Tried> {
  const buffer = await bytes(path);
  const { told, meshAt } = readTold<Schemas['LensPicture']>(buffer);
  return { picture: told, buffer, meshAt };
}

type Asked = Record<string, string | number | null>;

/** What is asked for in an address; without what is null. */
function query(asked: Asked): string {
  const params = new URLSearchParams();
  for (const [name, value] of Object.entries(asked)) {
    if (value !== null) params.set(name, String(value));
  }
  return params.size ? `?${params}` : '';
}

async function bytes(path: string): Promise<ArrayBuffer> {
  return (await request('GET', path)).arrayBuffer();
}

async function bytesOf(path: string, body: unknown): Promise<ArrayBuffer> {
  return (await request('POST', path, body)).arrayBuffer();
}

/** A file on its way to the server: what comes of it, and how to stop it. */
export interface Sending<T> {
  done: Promise<T>;
  stop: () => void;
}

/** Sends a file, with some fields before it. */
function sendFile<T>(
  path: string,
  fields: Record<string, string>,
  file: File,
  onShare: (share: number) => void,
): Sending<T> {
  return sendFiles(path, fields, [{ path: file.name, file }], onShare);
}

/** Sends files with their paths, and some fields before them; the only request that tells how far it is. */
function sendFiles<T>(
  path: string,
  fields: Record<string, string>,
  files: readonly { path: string; file: File }[],
  onShare: (share: number) => void,
): Sending<T> {
  const sending = new XMLHttpRequest();
  const done = new Promise<T>((resolve, reject) => {
    const lost = () => reject(new ApiProblem(0, 'No connection', 'The server does not answer.'));
    sending.upload.onprogress = (e) => e.lengthComputable && onShare(e.loaded / e.total);
    sending.onerror = lost;
    sending.onabort = lost;
    sending.onload = () => {
      const reply = (sending.response ?? {}) as Record<string, unknown>;
      if (sending.status < 300) resolve(reply as unknown as T);
      else reject(problemOf(sending.status, reply));
    };
    sending.open('POST', `/api${path}`);
    sending.responseType = 'json';
    sending.setRequestHeader('X-XSRF-TOKEN', csrfToken());
    const form = new FormData();
    for (const [name, value] of Object.entries(fields)) form.append(name, value);
    for (const { path: name, file } of files) form.append('file', file, name);
    sending.send(form);
  });
  return { done, stop: () => sending.abort() };
}

/** Every call there is; the only place that fetches. */
/** What goes onto paper together. */
export type PrintPlace = `/assignments/${string}` | `/classes/${string}/students/${string}`;

/** Addresses of files, for links. */
export const files = {
  paper: (submission: string, sheet: string) =>
    `/api/submissions/${submission}/paper${query({ sheet })}`,
  print: (id: string) => `/api/prints/${id}/file`,
  handout: (id: string, sheet: string) => `/api/demonstrations/${id}/paper${query({ sheet })}`,
  table: (course: string, table: string, group: string | null, bom: boolean) =>
    `/api/classes/${course}/tables/${table}${query({ group, bom: bom ? 'true' : null })}`,
  termTable: (course: string, student: string, table: string, bom: boolean) =>
    `/api/classes/${course}/students/${student}/tables/${table}${query({ bom: bom ? 'true' : null })}`,
};

export const api = {
  session: () => json<Schemas['Session']>('GET', '/session'),
  signIn: (signIn: string, password: string) =>
    json<Schemas['Session']>('POST', '/session', { signIn, password }),
  signOut: () => request('DELETE', '/session'),
  me: () => json<Schemas['Me']>('GET', '/me'),
  demoPeople: () => json<Schemas['Person'][]>('GET', '/demo').catch(() => []),
  myWork: () => json<Schemas['MyWorkView']>('GET', '/my-work'),
  desk: (filter: DeskFilter) =>
    json<Schemas['DeskView']>(
      'GET',
      `/desk${query({ ...filter, mine: filter.mine ? 'true' : null })}`,
    ),
  board: (course: string, group: string | null) =>
    json<Schemas['BoardView']>('GET', `/classes/${course}/board${query({ group })}`),
  insight: (course: string, group: string | null) =>
    json<Schemas['InsightView']>('GET', `/classes/${course}/insight${query({ group })}`),
  term: (course: string, student: string) =>
    json<Schemas['TermView']>('GET', `/classes/${course}/students/${student}/insight`),
  /** Puts answers onto paper: all of an exercise, or a student's term. */
  beginPrint: (of: PrintPlace, asked: Schemas['PrintRequest']) =>
    json<Schemas['PrintView']>('POST', `${of}/prints`, asked),
  print: (id: string) => json<Schemas['PrintView']>('GET', `/prints/${id}`),
  cancelPrint: (id: string) => nothing('DELETE', `/prints/${id}`),
  acceptTogether: (asked: Schemas['AcceptRequest']) =>
    json<Schemas['Came']>('POST', '/desk/accept', asked),
  sayTogether: (asked: Schemas['SayRequest']) => json<Schemas['Came']>('POST', '/desk/say', asked),
  returnTogether: (submissions: readonly string[], at: string | null) =>
    json<Schemas['Came']>('POST', '/desk/return', { submissions, at }),
  callBackTogether: (submissions: readonly string[]) =>
    json<Schemas['Came']>('POST', '/desk/call-back', { submissions }),
  phrases: () => json<Schemas['Phrase'][]>('GET', '/phrases'),
  keepPhrase: (asked: Schemas['PhraseRequest']) =>
    json<Schemas['Phrase']>('POST', '/phrases', asked),
  changePhrase: (id: string, asked: Schemas['PhraseRequest']) =>
    json<Schemas['Phrase']>('PUT', `/phrases/${id}`, asked),
  mergePhrase: (id: string, into: string) =>
    json<Schemas['Phrase']>('POST', `/phrases/${id}/merge`, { into }),
  takePhraseAway: (id: string) => nothing('DELETE', `/phrases/${id}`),
  openWorkpiece: (place: WorkpiecePlace) => json<Workpiece>('PUT', `${place}/workpiece`),
  /** As it stands, once the check of the mesh as it is has come. */
  workpiece: (id: string) => json<Workpiece>('GET', `/workpieces/${id}`),
  workpieceMesh: (id: string) => bytes(`/workpieces/${id}/mesh`),
  /** What lenses show of a workpiece at a revision, or of a hand-in. */
  /** The smooth surface as it would be after a change. */
  smoothAfter: (id: string, revision: number, change: Change, level: number | null) =>
    bytesOf(`/workpieces/${id}/previews/smooth`, { revision, change, level }),
  workpieceLens: (id: string, revision: number) => ({
    key: ['workpiece', id, revision],
    look: (lens: string) =>
      json<Schemas['LensPicture']>('GET', `/workpieces/${id}/lenses/${lens}?revision=${revision}`),
    along: (edge: number) =>
      json<Schemas['Along']>('GET', `/workpieces/${id}/along/${edge}?revision=${revision}`),
    smooth: (level: number | null) => bytes(`/workpieces/${id}/smooth${query({ level })}`),
    bend: (asked: Asked) => bent(`/workpieces/${id}/bent${query({ ...asked, revision })}`),
  }),
  submissionLens: (id: string) => ({
    key: ['submission', id],
    look: (lens: string) =>
      json<Schemas['LensPicture']>('GET', `/submissions/${id}/lenses/${lens}`),
    along: (edge: number) => json<Schemas['Along']>('GET', `/submissions/${id}/along/${edge}`),
    smooth: (level: number | null) => bytes(`/submissions/${id}/smooth${query({ level })}`),
    bend: (asked: Asked) => bent(`/submissions/${id}/bent${query(asked)}`),
  }),
  room: (course: string) => json<Schemas['RoomView']>('GET', `/classes/${course}/room`),
  lookOn: (bench: string) => json<Workpiece>('GET', `/room/${bench}`),
  lookOnMesh: (bench: string) => bytes(`/room/${bench}/mesh`),
  benchPicture: (bench: string, revision: number) =>
    `/api/room/${bench}/picture${query({ revision })}`,
  hint: (bench: string, hint: Schemas['HintRequest']) =>
    json<Schemas['HintView']>('POST', `/room/${bench}/hints`, hint),
  helped: (bench: string) => nothing('DELETE', `/room/${bench}/help`),
  /** What is shown to a class now; null where nothing is. */
  show: (course: string) =>
    json<Schemas['ShowView']>('GET', `/classes/${course}/show`).catch((e: unknown) => {
      if (e instanceof ApiProblem && e.status === 404) return null;
      throw e;
    }),
  beginShow: (course: string, workpiece: string) =>
    json<Schemas['ShowView']>('PUT', `/classes/${course}/show`, { workpiece }),
  endShow: (course: string) => nothing('DELETE', `/classes/${course}/show`),
  showSight: (course: string, sight: Schemas['LookRequest']) =>
    nothing('PUT', `/classes/${course}/show/sight`, sight),
  showMesh: (course: string) => bytes(`/classes/${course}/show/mesh`),
  tryShow: (course: string, clientKey: string) =>
    json<Schemas['PracticePiece']>('POST', `/classes/${course}/show/tries`, { clientKey }),
  company: (id: string) => json<Schemas['CompanyView']>('GET', `/workpieces/${id}/company`),
  askForHelp: (id: string, asks: boolean) =>
    json<Schemas['CompanyView']>('PUT', `/workpieces/${id}/help`, { asks }),
  hints: () => json<Schemas['HintView'][]>('GET', '/hints'),
  hintSeen: (id: string) => nothing('PUT', `/hints/${id}/seen`),
  demonstrations: () => json<Schemas['DemonstrationList']>('GET', '/demonstrations'),
  demonstration: (id: string) => json<Demonstration>('GET', `/demonstrations/${id}`),
  keepDemonstration: (workpiece: string, whole: boolean, title: string, clientKey: string) =>
    json<Demonstration>('POST', '/demonstrations', { workpiece, whole, title, clientKey }),
  tellDemonstration: (id: string, told: Schemas['TellRequest']) =>
    json<Demonstration>('PUT', `/demonstrations/${id}`, told),
  copyDemonstration: (id: string, clientKey: string) =>
    json<Demonstration>('POST', `/demonstrations/${id}/copies`, { clientKey }),
  putDemonstrationAway: (id: string, inSight: boolean) =>
    json<Demonstration>('PUT', `/demonstrations/${id}/kept`, { inSight }),
  showDemonstration: (id: string, to: 'classes' | 'exercises', which: string, shown: boolean) =>
    json<Demonstration>(shown ? 'PUT' : 'DELETE', `/demonstrations/${id}/${to}/${which}`),
  tryDemonstration: (id: string, frame: number, clientKey: string) =>
    json<Schemas['PracticePiece']>('POST', `/demonstrations/${id}/tries`, { frame, clientKey }),
  besideBrief: (assignment: string) =>
    json<Schemas['DemonstrationRow'][]>('GET', `/assignments/${assignment}/demonstrations`),
  demonstrationPending: (id: string, step: number) =>
    json<Preview>('GET', `/demonstrations/${id}/steps/${step}/pending`),
  demonstrationMesh: (id: string, mesh: string) =>
    bytes(`/demonstrations/${id}/states/${mesh}/mesh`),
  demonstrationPicture: (id: string, mesh: string) =>
    `/api/demonstrations/${id}/states/${mesh}/picture`,
  demonstrationCheck: (id: string, mesh: string) =>
    json<Schemas['CheckView']>('GET', `/demonstrations/${id}/states/${mesh}/check`),
  demonstrationLens: (id: string, mesh: string) => {
    const at = `/demonstrations/${id}/states/${mesh}`;
    return {
      key: ['demonstration', id, mesh],
      look: (lens: string) => json<Schemas['LensPicture']>('GET', `${at}/lenses/${lens}`),
      along: (edge: number) => json<Schemas['Along']>('GET', `${at}/along/${edge}`),
      smooth: (level: number | null) => bytes(`${at}/smooth${query({ level })}`),
      bend: (asked: Asked) => bent(`${at}/bent${query(asked)}`),
    };
  },
  /** How a workpiece stands if it went on from a revision elsewhere; else null. */
  since: async (id: string, revision: number) => {
    const response = await request('GET', `/workpieces/${id}/since/${revision}`);
    return response.status === 204 ? null : readStepped(await response.arrayBuffer());
  },
  mends: (id: string, revision: number, finding: string, hidden: readonly number[]) =>
    json<Schemas['MendsView']>('POST', `/workpieces/${id}/mends`, { revision, finding, hidden }),
  allMends: (id: string, revision: number, kinds: readonly string[], hidden: readonly number[]) =>
    json<Schemas['AllView']>('POST', `/workpieces/${id}/mends/all`, { revision, kinds, hidden }),
  endAllMends: (id: string) => nothing('DELETE', `/workpieces/${id}/mends/all`),
  preview: (
    id: string,
    revision: number,
    change: Change,
    view: View,
    hidden: readonly number[],
    findings: boolean,
    stop?: AbortSignal,
  ) =>
    json<Preview>(
      'POST',
      `/workpieces/${id}/previews`,
      { revision, change, view, hidden, findings },
      stop,
    ),
  workpieceParts: (id: string, revision: number) =>
    json<Schemas['PartsView']>('GET', `/workpieces/${id}/parts?revision=${revision}`),
  workpieceHinges: (id: string) => json<Schemas['HingesView']>('GET', `/workpieces/${id}/hinges`),
  foldMotions: (id: string, revision: number, change: Change) =>
    json<Schemas['FoldMotions']>('POST', `/workpieces/${id}/motions`, { revision, change }),
  choose: (id: string, revision: number, way: Schemas['Way'], from: Schemas['ChosenView']) =>
    json<Schemas['ChosenView']>('POST', `/workpieces/${id}/choices`, { revision, way, from }),
  readShape: (svg: string) => json<Schemas['ShapeView']>('POST', '/shapes', { svg }),
  step: (id: string, revision: number, change: Change, view: View, hidden: readonly number[]) =>
    stepped(`/workpieces/${id}/steps`, { revision, clientKey: newKey(), change, view, hidden }),
  /** A part from the shelf or from a workpiece of one's own. */
  bring: (
    id: string,
    revision: number,
    view: View,
    from: Partial<Pick<Schemas['BringRequest'], 'form' | 'workpiece'>>,
  ) => stepped(`/workpieces/${id}/parts`, { revision, clientKey: newKey(), view, ...from }),
  bringFile: (id: string, revision: number, file: File, meant: { unit: string; up: string }) => {
    const form = new FormData();
    const fields = { revision: String(revision), clientKey: newKey(), ...meant };
    Object.entries(fields).forEach(([name, value]) => form.append(name, value));
    form.append('file', file, file.name);
    return stepped(`/workpieces/${id}/parts/file`, form);
  },
  undo: (id: string, revision: number) =>
    stepped(`/workpieces/${id}/undo`, { revision, clientKey: newKey() }),
  redo: (id: string, revision: number) =>
    stepped(`/workpieces/${id}/redo`, { revision, clientKey: newKey() }),
  goTo: (id: string, revision: number, step: number | null) =>
    stepped(`/workpieces/${id}/head`, { revision, clientKey: newKey(), step }),
  nameStep: (id: string, step: number, name: string) =>
    json<Workpiece>('PUT', `/workpieces/${id}/steps/${step}/name`, { name }),
  workpieceFile: (id: string, format: string) => `/api/workpieces/${id}/file?format=${format}`,
  handInWorkpiece: (id: string, revision: number, clientKey: string) =>
    json<Schemas['HandedIn']>('POST', `/workpieces/${id}/submissions`, { revision, clientKey }),
  uploadFile: (
    assignment: string,
    file: File,
    clientKey: string,
    onShare: (share: number) => void,
  ): Sending<Upload> =>
    sendFile(`/assignments/${assignment}/uploads`, { clientKey }, file, onShare),
  /** The file of an upload that failed, while it is kept for a look. */
  keptFile: (id: string) => `/api/uploads/${id}/file`,
  answerUpload: (id: string, unit: string, up: Schemas['MeantAs']['up']) =>
    json<Upload>('PUT', `/uploads/${id}/meant`, { unit, up }),
  bringBundle: (
    assignment: string,
    files: readonly { path: string; file: File }[],
    clientKey: string,
    onShare: (share: number) => void,
  ): Sending<Schemas['BundleView']> =>
    sendFiles(`/assignments/${assignment}/bundles`, { clientKey }, files, onShare),
  bundle: (id: string) => json<Schemas['BundleView']>('GET', `/bundles/${id}`),
  handInBundle: (id: string, students: Record<string, string>) =>
    json<Schemas['BundleView']>('POST', `/bundles/${id}/submissions`, { students }),
  setUp: (code: string, name: string, signIn: string, password: string) =>
    json<Schemas['Session']>('POST', '/setup', { code, name, signIn, password }),
  slip: (code: string) => json<Schemas['SlipView']>('POST', '/slip', { code }),
  useSlip: (code: string, password: string) =>
    json<Schemas['Session']>('POST', '/slip/password', { code, password }),
  invitation: (words: string) => json<Schemas['Invitation']>('POST', '/join', { words }),
  joinAsNewcomer: (words: string, name: string, signIn: string, password: string) =>
    nothing('POST', '/join/newcomer', { words, name, signIn, password }),
  join: (words: string) => nothing('POST', '/join/me', { words }),
  account: () => json<Schemas['SelfView']>('GET', '/account'),
  setAccount: (self: Schemas['SelfRequest']) => json<Schemas['SelfView']>('PUT', '/account', self),
  setPassword: (old: string, password: string) =>
    nothing('PUT', '/account/password', { old, password }),
  endOtherSessions: () => nothing('DELETE', '/account/sessions'),
  ownWork: '/api/account/everything',
  makeClass: (asked: Schemas['ClassRequest']) =>
    json<Schemas['ClassMade']>('POST', '/classes', asked),
  setClass: (course: string, asked: Schemas['ClassRequest']) =>
    nothing('PUT', `/classes/${course}`, asked),
  putClassAway: (course: string, away: boolean) =>
    nothing('PUT', `/classes/${course}/away`, { away }),
  leaveClass: (course: string) => nothing('DELETE', `/classes/${course}/me`),
  audit: (course: string) => json<Schemas['LineView'][]>('GET', `/classes/${course}/audit`),
  people: (course: string) => json<Schemas['PeopleView']>('GET', `/classes/${course}/people`),
  lookedAtPeople: (course: string) => nothing('POST', `/classes/${course}/people/looked-at`, {}),
  renewJoinCode: (course: string, asked: Schemas['JoinCodeRequest']) =>
    json<Schemas['JoinView']>('PUT', `/classes/${course}/join-code`, asked),
  endJoinCode: (course: string) => nothing('DELETE', `/classes/${course}/join-code`),
  takeIn: (course: string, person: Schemas['PersonRequest']) =>
    json<Schemas['Slip']>('POST', `/classes/${course}/people`, person),
  previewRoster: (course: string, roster: Schemas['RosterRequest']) =>
    json<Schemas['RosterView']>('POST', `/classes/${course}/roster/preview`, roster),
  takeInRoster: (course: string, roster: Schemas['RosterRequest']) =>
    json<Schemas['TakenIn']>('POST', `/classes/${course}/roster`, roster),
  slips: async (course: string, people: readonly string[]) =>
    (await request('POST', `/classes/${course}/slips`, { people })).blob(),
  mailSlips: (course: string, people: readonly string[]) =>
    nothing('POST', `/classes/${course}/slips/mail`, { people }),
  mail: (course: string) => json<Schemas['MailView']>('GET', `/classes/${course}/mail`),
  mailSwitches: () => json<Schemas['SwitchesView']>('GET', '/account/mail'),
  setMailSwitches: (about: Schemas['SwitchesRequest']['about']) =>
    nothing('PUT', '/account/mail', { about }),
  outbox: () => json<Schemas['OutboxMail'][]>('GET', '/outbox'),
  addGroup: (course: string, name: string) =>
    json<Schemas['GroupView']>('POST', `/classes/${course}/groups`, { name }),
  renameGroup: (course: string, group: string, name: string) =>
    nothing('PUT', `/classes/${course}/groups/${group}`, { name }),
  removeGroup: (course: string, group: string) =>
    nothing('DELETE', `/classes/${course}/groups/${group}`),
  setGroup: (course: string, person: string, group: string | null) =>
    nothing('PUT', `/classes/${course}/people/${person}/group`, { group }),
  setRole: (course: string, person: string, role: Schemas['PersonRequest']['role']) =>
    nothing('PUT', `/classes/${course}/people/${person}/role`, { role }),
  putPersonAway: (course: string, person: string, away: boolean) =>
    nothing('PUT', `/classes/${course}/people/${person}/away`, { away }),
  takeOut: (course: string, person: string) =>
    nothing('DELETE', `/classes/${course}/people/${person}`),
  erase: (course: string, person: string, name: string) =>
    nothing('POST', `/classes/${course}/people/${person}/erase`, { name }),
  everythingOf: (course: string, person: string) =>
    `/api/classes/${course}/people/${person}/everything`,
  assignments: () => json<Schemas['AssignmentView'][]>('GET', '/assignments'),
  exercises: () => json<Schemas['ExerciseRow'][]>('GET', '/exercises'),
  beginExercise: () => json<Schemas['ExerciseBegun']>('POST', '/exercises'),
  copyExercise: (id: string) => json<Schemas['ExerciseBegun']>('POST', `/exercises/${id}/copies`),
  importExercise: (file: File, onShare: (share: number) => void) =>
    sendFile<Schemas['ExerciseBegun']>('/exercises/imports', {}, file, onShare).done,
  exportExercise: (id: string) => `/api/exercises/${id}/export`,
  exercise: (id: string) => json<Schemas['EditorView']>('GET', `/exercises/${id}`),
  keepExercise: (id: string, draft: Schemas['DraftRequest']) =>
    json<Schemas['EditorView']>('PUT', `/exercises/${id}/draft`, draft),
  takeDraftBack: (id: string, revision: number) =>
    json<Schemas['EditorView']>('POST', `/exercises/${id}/draft/back`, { revision }),
  makeReady: (id: string, revision: number) =>
    json<Schemas['EditorView']>('POST', `/exercises/${id}/ready`, { revision }),
  putExerciseAway: (id: string, away: boolean) =>
    json<Schemas['EditorView']>('PUT', `/exercises/${id}/away`, { away }),
  useStarter: (id: string, from: Partial<Schemas['StarterRequest']>) =>
    json<Schemas['EditorView']>('PUT', `/exercises/${id}/starter`, from),
  sendStarter: (
    id: string,
    file: File,
    fields: Record<string, string>,
    onShare: (share: number) => void,
  ): Sending<Schemas['EditorView']> =>
    sendFile(`/exercises/${id}/starter/file`, fields, file, onShare),
  starterMesh: (id: string) => bytes(`/exercises/${id}/starter/mesh`),
  starterCheck: (id: string) => json<Schemas['CheckView']>('GET', `/exercises/${id}/starter/check`),
  mark: (id: string, asked: Schemas['MarkRequest']) =>
    json<Schemas['EditorView']>('PUT', `/exercises/${id}/marks`, asked),
  sendPicture: (id: string, file: File) =>
    sendFile<Schemas['Added']>(`/exercises/${id}/pictures`, {}, file, () => undefined).done,
  /** Where the pictures of a brief are, by their names. */
  picturesOf: (owner: Schemas['Owner']) =>
    owner.type === 'practice'
      ? undefined
      : `/api/${owner.type === 'rehearsal' ? 'exercises' : 'assignments'}/${owner.id}/pictures/`,
  marks: (id: string) => json<Schemas['Marks']>('GET', `/exercises/${id}/marks`),
  addReference: (id: string, workpiece: string) =>
    json<Schemas['EditorView']>('POST', `/exercises/${id}/references`, { workpiece }),
  sendReference: (
    id: string,
    file: File,
    fields: Record<string, string>,
    onShare: (share: number) => void,
  ): Sending<Schemas['EditorView']> =>
    sendFile(`/exercises/${id}/references/file`, fields, file, onShare),
  referenceMesh: (id: string, hash: string) => bytes(`/exercises/${id}/references/${hash}/mesh`),
  referenceCheck: (id: string, hash: string) =>
    json<Schemas['CheckView']>('GET', `/exercises/${id}/references/${hash}/check`),
  forgetTry: (id: string) => nothing('DELETE', `/exercises/${id}/workpiece`),
  exercisePicture: (id: string) => `/api/exercises/${id}/starter/picture`,
  starterLens: (id: string, hash: string) => ({
    key: ['starter', id, hash],
    look: (lens: string) =>
      json<Schemas['LensPicture']>('GET', `/exercises/${id}/starter/lenses/${lens}`),
    along: (edge: number) =>
      json<Schemas['Along']>('GET', `/exercises/${id}/starter/along/${edge}`),
    smooth: (level: number | null) => bytes(`/exercises/${id}/starter/smooth${query({ level })}`),
    bend: (asked: Asked) => bent(`/exercises/${id}/starter/bent${query(asked)}`),
  }),
  setIn: (exercise: string, course: string, setting: Schemas['SettingRequest']) =>
    json<Schemas['AssignmentView']>('POST', `/exercises/${exercise}/assignments`, {
      course,
      setting,
    }),
  changeSetting: (assignment: string, setting: Schemas['SettingRequest']) =>
    json<Schemas['AssignmentView']>('PUT', `/assignments/${assignment}`, setting),
  takeOutOf: (assignment: string) => nothing('DELETE', `/assignments/${assignment}`),
  orderSet: (course: string, assignments: readonly string[]) =>
    nothing('PUT', `/classes/${course}/order`, { assignments }),
  allowances: (assignment: string) =>
    json<Schemas['Allowance'][]>('GET', `/assignments/${assignment}/allowances`),
  allow: (assignment: string, asked: Schemas['AllowanceRequest']) =>
    json<Schemas['Allowance'][]>('PUT', `/assignments/${assignment}/allowances`, asked),
  wouldGet: (exercise: string, rule: Schemas['CreditRuleView']) =>
    json<Schemas['WouldGet'][]>('POST', `/exercises/${exercise}/credits`, { rule }),
  recheck: (exercise: string) => json<Schemas['Progress']>('GET', `/exercises/${exercise}/recheck`),
  practice: () => json<Schemas['PracticeView']>('GET', '/practice'),
  beginPractice: (form: string, profile: string, clientKey: string) =>
    json<Schemas['PracticePiece']>('POST', '/practice', { form, profile, clientKey }),
  beginPracticeFile: (
    file: File,
    fields: { unit: string; up: string; profile: string; clientKey: string },
    onShare: (share: number) => void,
  ): Sending<Schemas['PracticePiece']> => sendFile('/practice/files', fields, file, onShare),
  keepPractice: (id: string, inSight: boolean) =>
    json<Schemas['PracticePiece']>('PUT', `/practice/${id}/kept`, { inSight }),
  practicePicture: (id: string) => `/api/practice/${id}/picture`,
  formPicture: (form: string) => `/api/practice/forms/${form}/picture`,
  upload: (id: string) => json<Upload>('GET', `/uploads/${id}`),
  cancelUpload: (id: string) => json<Upload>('DELETE', `/uploads/${id}`),
  starterPicture: (assignment: string) => `/api/assignments/${assignment}/picture`,
  picture: (submission: string, size: 'row' | 'sheet', report: number) =>
    `/api/submissions/${submission}/picture?size=${size}&report=${report}`,
  /** Nobody opens it by that: {@link hold} does. */
  review: (id: string) => json<Review>('GET', `/submissions/${id}/review?ahead=true`),
  besideMesh: (id: string, beside: Beside) =>
    beside.sort === 'mend'
      ? bytesOf(`/submissions/${id}/tried/mesh`, { change: beside.change })
      : bytes(`/submissions/${id}/beside/${beside.sort}/${beside.which}/mesh`),
  besideEdges: (id: string, beside: Beside) =>
    beside.sort === 'mend'
      ? json<Schemas['EdgeChange']>('POST', `/submissions/${id}/tried/edges`, {
          change: beside.change,
        })
      : json<Schemas['EdgeChange']>(
          'GET',
          `/submissions/${id}/beside/${beside.sort}/${beside.which}/edges`,
        ),
  submissionMends: (id: string, finding: string) =>
    json<Schemas['MendsView']>('POST', `/submissions/${id}/mends`, { finding }),
  /** A copy of a hand-in to cut on: a practice piece. */
  copyOf: (id: string, clientKey: string) =>
    json<Schemas['PracticePiece']>('POST', `/submissions/${id}/copies`, { clientKey }),
  /** What was cut on a copy becomes the mend of a note. */
  drawnMend: (id: string, note: string, workpiece: string, revision: number) =>
    nothing('PUT', `/submissions/${id}/notes/${note}/mend`, { workpiece, revision }),
  hold: (id: string, takeOver: boolean) =>
    json<Schemas['Held']>('PUT', `/submissions/${id}/lease`, { takeOver }),
  letGo: (id: string) => nothing('DELETE', `/submissions/${id}/lease`),
  wave: (id: string, findings: readonly string[], reason: string) =>
    nothing('POST', `/submissions/${id}/wavings`, { findings, reason }),
  countAgain: (id: string, waving: string) =>
    nothing('DELETE', `/submissions/${id}/wavings/${waving}`),
  credits: async (id: string) =>
    (await json<Schemas['Credited']>('GET', `/submissions/${id}/credits`)).credits,
  see: (id: string, note: string, seen: boolean) =>
    nothing('PUT', `/submissions/${id}/notes/${note}/seen`, { seen }),
  reply: (id: string, note: string, text: string) =>
    nothing('POST', `/submissions/${id}/notes/${note}/reply`, { text }),
  takeBack: (submission: string) => nothing('DELETE', `/submissions/${submission}`),
  answer: (id: string) => json<Review>('GET', `/submissions/${id}/answer`),
  submissionMesh: (id: string) => bytes(`/submissions/${id}/mesh`),
  workpieceMarks: (id: string) => json<Schemas['MarksView']>('GET', `/workpieces/${id}/marks`),
  keepDraft: (id: string, draft: Schemas['AnswerRequest']) =>
    json<Answer>('PUT', `/submissions/${id}/draft`, draft),
  giveBack: (id: string, revision: number) =>
    json<Answer>('POST', `/submissions/${id}/return`, { revision }),
  keepReady: (id: string, revision: number, ready: boolean) =>
    json<Answer>('PUT', `/submissions/${id}/ready`, { revision, ready }),
  callBack: (id: string) => json<Answer>('POST', `/submissions/${id}/call-back`),
  amend: (id: string) => json<Answer>('POST', `/submissions/${id}/amendment`),
  leaveAsItWas: (id: string) => json<Answer>('DELETE', `/submissions/${id}/amendment`),
};

/** A key by which a repeated request is known as the same. */
export function newKey(): string {
  return crypto.randomUUID();
}
