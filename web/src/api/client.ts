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
export type Severity = Schemas['SeverityView'];

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

function csrfToken(): string {
  const match = /(?:^|; )XSRF-TOKEN=([^;]+)/.exec(document.cookie);
  return match ? decodeURIComponent(match[1]!) : '';
}

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

async function request(method: Method, path: string, body?: unknown): Promise<Response> {
  const headers: Record<string, string> = { 'X-XSRF-TOKEN': csrfToken() };
  const form = body instanceof FormData;
  if (body !== undefined && !form) headers['Content-Type'] = 'application/json';
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers,
      body: body === undefined ? undefined : form ? body : JSON.stringify(body),
    });
  } catch {
    throw new ApiProblem(0, 'No connection', 'The server does not answer.');
  }
  if (response.ok) return response;
  const problem = (await response.json().catch(() => ({}))) as Record<string, unknown>;
  if (response.status === 401 && path !== '/session') {
    window.dispatchEvent(new Event('signed-out'));
  }
  throw new ApiProblem(
    response.status,
    String(problem.title ?? 'Something went wrong'),
    String(problem.detail ?? `The server answered ${response.status}.`),
    problem,
  );
}

async function json<T>(method: Method, path: string, body?: unknown): Promise<T> {
  return (await (await request(method, path, body)).json()) as T;
}

/** A reply to a step: the new state, and where in the buffer the mesh message begins. */
export interface Stepped {
  state: Workpiece;
  buffer: ArrayBuffer;
  meshAt: number;
}

async function stepped(path: string, body: unknown): Promise<Stepped> {
  const buffer = await (await request('POST', path, body)).arrayBuffer();
  const length = new DataView(buffer).getInt32(0, true);
  const text = new TextDecoder().decode(new Uint8Array(buffer, 4, length));
  return {
    state: JSON.parse(text) as Workpiece,
    buffer,
    meshAt: Math.ceil((length + 4) / 8) * 8,
  };
}

async function bytes(path: string): Promise<ArrayBuffer> {
  return (await request('GET', path)).arrayBuffer();
}

/** Every call there is; the only place that fetches. */
export const api = {
  session: () => json<Schemas['Session']>('GET', '/session'),
  signIn: (signIn: string, password: string) =>
    json<Schemas['Session']>('POST', '/session', { signIn, password }),
  signOut: () => request('DELETE', '/session'),
  me: () => json<Schemas['Me']>('GET', '/me'),
  demoPeople: () => json<Schemas['Person'][]>('GET', '/demo').catch(() => []),
  myWork: () => json<Schemas['MyWorkView']>('GET', '/my-work'),
  desk: () => json<Schemas['DeskView']>('GET', '/desk'),
  openWorkpiece: (exercise: string) => json<Workpiece>('PUT', `/exercises/${exercise}/workpiece`),
  workpieceMesh: (id: string) => bytes(`/workpieces/${id}/mesh`),
  preview: (id: string, revision: number, change: Change, view: View) =>
    json<Preview>('POST', `/workpieces/${id}/previews`, { revision, change, view }),
  step: (id: string, revision: number, change: Change, view: View) =>
    stepped(`/workpieces/${id}/steps`, { revision, clientKey: newKey(), change, view }),
  undo: (id: string, revision: number) =>
    stepped(`/workpieces/${id}/undo`, { revision, clientKey: newKey() }),
  redo: (id: string, revision: number) =>
    stepped(`/workpieces/${id}/redo`, { revision, clientKey: newKey() }),
  handInWorkpiece: (id: string, revision: number, clientKey: string) =>
    json<Schemas['HandedIn']>('POST', `/workpieces/${id}/submissions`, { revision, clientKey }),
  handInFile: (exercise: string, file: File, clientKey: string) => {
    const form = new FormData();
    form.append('file', file);
    form.append('clientKey', clientKey);
    return json<Schemas['HandedIn']>('POST', `/exercises/${exercise}/submissions`, form);
  },
  review: (id: string) => json<Review>('GET', `/submissions/${id}/review`),
  answer: (id: string) => json<Review>('GET', `/submissions/${id}/answer`),
  submissionMesh: (id: string) => bytes(`/submissions/${id}/mesh`),
  keepDraft: (id: string, draft: Schemas['AnswerRequest']) =>
    json<Answer>('PUT', `/submissions/${id}/draft`, draft),
  giveBack: (id: string, revision: number) =>
    json<Answer>('POST', `/submissions/${id}/return`, { revision }),
};

/** A key by which a repeated request is known as the same. */
export function newKey(): string {
  return crypto.randomUUID();
}
