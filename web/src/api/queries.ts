import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { api, type Beside, type DeskFilter, type Change, type Schemas } from './client';

/** Key, function and type of every query, tied together. */
export const queries = {
  session: () => queryOptions({ queryKey: ['session'], queryFn: api.session }),
  me: () => queryOptions({ queryKey: ['me'], queryFn: api.me, staleTime: 60_000 }),
  demoPeople: () => queryOptions({ queryKey: ['demo'], queryFn: api.demoPeople }),
  myWork: () =>
    queryOptions({ queryKey: ['my-work'], queryFn: api.myWork, refetchInterval: 15_000 }),
  practice: () =>
    queryOptions({
      queryKey: ['practice'],
      queryFn: api.practice,
      // While a file is being read, how far that is.
      refetchInterval: (query) =>
        query.state.data?.pieces.some((piece) => piece.stage === 'reading') ? 1500 : false,
    }),
  desk: (filter: DeskFilter) =>
    queryOptions({
      queryKey: ['desk', filter],
      queryFn: () => api.desk(filter),
      // Who has what open is to be seen while it is.
      refetchInterval: 5_000,
      placeholderData: keepPreviousData,
    }),
  board: (course: string, group: string | null) =>
    queryOptions({
      queryKey: ['board', course, group],
      queryFn: () => api.board(course, group),
      refetchInterval: 60_000,
      placeholderData: keepPreviousData,
    }),
  insight: (course: string, group: string | null) =>
    queryOptions({
      queryKey: ['insight', course, group],
      queryFn: () => api.insight(course, group),
      // What became of notes is found out some at a time.
      refetchInterval: (query) => (query.state.data?.isWhole === false ? 300 : false),
      placeholderData: keepPreviousData,
    }),
  term: (course: string, student: string) =>
    queryOptions({
      queryKey: ['term', course, student],
      queryFn: () => api.term(course, student),
    }),
  print: (id: string) =>
    queryOptions({
      queryKey: ['print', id],
      queryFn: () => api.print(id),
      refetchInterval: (query) => (query.state.data?.state === 'waiting' ? 400 : false),
    }),
  room: (course: string) =>
    queryOptions({ queryKey: ['room', course], queryFn: () => api.room(course) }),
  /** @param revision by which it is another; as it stands is what is asked for */
  lookOn: (bench: string, revision: number) =>
    queryOptions({
      queryKey: ['look-on', bench, revision],
      queryFn: async () => {
        const state = await api.lookOn(bench);
        return { state, mesh: await api.lookOnMesh(bench) };
      },
      staleTime: Infinity,
      gcTime: 10_000,
      placeholderData: keepPreviousData,
    }),
  /** Whether something is shown is found out by looking; what happens in it is told live. */
  show: (course: string) =>
    queryOptions({
      queryKey: ['show', course],
      queryFn: () => api.show(course),
      refetchInterval: (query) => (query.state.data ? false : 10_000),
    }),
  /** @param revision by which it is another; as it stands is what is asked for */
  showMesh: (course: string, workpiece: string, revision: number) =>
    queryOptions({
      queryKey: ['show-mesh', course, workpiece, revision],
      queryFn: () => api.showMesh(course),
      staleTime: Infinity,
      gcTime: 10_000,
      placeholderData: keepPreviousData,
    }),
  company: (id: string) =>
    queryOptions({ queryKey: ['company', id], queryFn: () => api.company(id) }),
  hints: () => queryOptions({ queryKey: ['hints'], queryFn: api.hints, staleTime: 15_000 }),
  demonstrations: () => queryOptions({ queryKey: ['demonstrations'], queryFn: api.demonstrations }),
  demonstration: (id: string) =>
    queryOptions({ queryKey: ['demonstration', id], queryFn: () => api.demonstration(id) }),
  besideBrief: (assignment: string) =>
    queryOptions({
      queryKey: ['beside-brief', assignment],
      queryFn: () => api.besideBrief(assignment),
      staleTime: 60_000,
    }),
  demonstrationMesh: (id: string, mesh: string) =>
    queryOptions({
      queryKey: ['demonstration-mesh', id, mesh],
      queryFn: () => api.demonstrationMesh(id, mesh),
      staleTime: Infinity,
    }),
  demonstrationCheck: (id: string, mesh: string) =>
    queryOptions({
      queryKey: ['demonstration-check', id, mesh],
      queryFn: () => api.demonstrationCheck(id, mesh),
      staleTime: Infinity,
    }),
  demonstrationPending: (id: string, step: number, revision: number) =>
    queryOptions({
      queryKey: ['demonstration-pending', id, step, revision],
      queryFn: () => api.demonstrationPending(id, step),
      staleTime: Infinity,
    }),
  phrases: () => queryOptions({ queryKey: ['phrases'], queryFn: api.phrases, staleTime: 60_000 }),
  besideMesh: (id: string, beside: Beside) =>
    queryOptions({
      queryKey: ['beside', id, beside],
      queryFn: () => api.besideMesh(id, beside),
      staleTime: Infinity,
    }),
  besideEdges: (id: string, beside: Beside) =>
    queryOptions({
      queryKey: ['beside-edges', id, beside],
      queryFn: () => api.besideEdges(id, beside),
      staleTime: Infinity,
    }),
  account: () => queryOptions({ queryKey: ['account'], queryFn: api.account }),
  mail: (course: string) =>
    queryOptions({ queryKey: ['mail', course], queryFn: () => api.mail(course) }),
  mailSwitches: () => queryOptions({ queryKey: ['mail-switches'], queryFn: api.mailSwitches }),
  outbox: () => queryOptions({ queryKey: ['outbox'], queryFn: api.outbox }),
  people: (course: string) =>
    queryOptions({ queryKey: ['people', course], queryFn: () => api.people(course) }),
  audit: (course: string) =>
    queryOptions({ queryKey: ['audit', course], queryFn: () => api.audit(course) }),
  bundle: (id: string) => queryOptions({ queryKey: ['bundle', id], queryFn: () => api.bundle(id) }),
  assignments: () => queryOptions({ queryKey: ['assignments'], queryFn: api.assignments }),
  exercises: () => queryOptions({ queryKey: ['exercises'], queryFn: api.exercises }),
  exercise: (id: string) =>
    queryOptions({ queryKey: ['exercise', id], queryFn: () => api.exercise(id) }),
  starterMesh: (id: string, hash: string) =>
    queryOptions({
      queryKey: ['starter', id, 'mesh', hash],
      queryFn: () => api.starterMesh(id),
      staleTime: Infinity,
    }),
  /** @param counts what counts, by which it is another check */
  starterCheck: (id: string, hash: string, counts: unknown) =>
    queryOptions({
      queryKey: ['starter', id, 'check', hash, counts],
      queryFn: () => api.starterCheck(id),
      placeholderData: keepPreviousData,
    }),
  /** @param wanted by which they are others */
  marks: (id: string, hash: string, wanted: Schemas['Wanted']) =>
    queryOptions({
      queryKey: ['marks', id, hash, wanted],
      queryFn: () => api.marks(id),
      placeholderData: keepPreviousData,
    }),
  referenceMesh: (id: string, hash: string) =>
    queryOptions({
      queryKey: ['reference', id, hash],
      queryFn: () => api.referenceMesh(id, hash),
      staleTime: Infinity,
    }),
  /** @param counts what counts, by which it is another check */
  referenceCheck: (id: string, hash: string, counts: unknown) =>
    queryOptions({
      queryKey: ['reference', id, hash, 'check', counts],
      queryFn: () => api.referenceCheck(id, hash),
      placeholderData: keepPreviousData,
    }),
  workpieceMarks: (id: string) =>
    queryOptions({ queryKey: ['workpiece-marks', id], queryFn: () => api.workpieceMarks(id) }),
  workpieceParts: (id: string, revision: number) =>
    queryOptions({
      queryKey: ['workpiece-parts', id, revision],
      queryFn: () => api.workpieceParts(id, revision),
    }),
  workpieceHinges: (id: string, revision: number) =>
    queryOptions({
      queryKey: ['workpiece-hinges', id, revision],
      queryFn: () => api.workpieceHinges(id),
    }),
  workpieceMends: (id: string, revision: number, finding: string, hidden: readonly number[]) =>
    queryOptions({
      queryKey: ['workpiece-mends', id, revision, finding, hidden],
      queryFn: () => api.mends(id, revision, finding, hidden),
      retry: false,
      staleTime: Infinity,
    }),
  /** Asked for until it is there. */
  workpieceAllMends: (
    id: string,
    revision: number,
    kinds: readonly string[],
    hidden: readonly number[],
  ) =>
    queryOptions({
      queryKey: ['workpiece-all-mends', id, revision, kinds, hidden],
      queryFn: () => api.allMends(id, revision, kinds, hidden),
      refetchInterval: (query) => (query.state.data?.isDone === false ? 50 : false),
      retry: false,
      staleTime: Infinity,
    }),
  submissionMends: (id: string, finding: string) =>
    queryOptions({
      queryKey: ['submission-mends', id, finding],
      queryFn: () => api.submissionMends(id, finding),
      retry: false,
      staleTime: Infinity,
    }),
  foldMotions: (id: string, revision: number, change: Change) =>
    queryOptions({
      queryKey: ['fold-motions', id, revision, change],
      queryFn: () => api.foldMotions(id, revision, change),
      retry: false,
      staleTime: Infinity,
    }),
  allowances: (assignment: string) =>
    queryOptions({
      queryKey: ['allowances', assignment],
      queryFn: () => api.allowances(assignment),
    }),
  /** @param counts what counts by the draft, by which they are others */
  wouldGet: (exercise: string, rule: Schemas['CreditRuleView'], counts: unknown) =>
    queryOptions({
      queryKey: ['would-get', exercise, rule, counts],
      queryFn: () => api.wouldGet(exercise, rule),
      placeholderData: keepPreviousData,
    }),
  recheck: (exercise: string) =>
    queryOptions({
      queryKey: ['recheck', exercise],
      queryFn: () => api.recheck(exercise),
      refetchInterval: (query) =>
        query.state.data && query.state.data.done < query.state.data.of ? 700 : false,
    }),
  review: (id: string) =>
    queryOptions({ queryKey: ['review', id], queryFn: () => api.review(id), staleTime: Infinity }),
  answer: (id: string) =>
    queryOptions({ queryKey: ['answer', id], queryFn: () => api.answer(id), staleTime: Infinity }),
  submissionMesh: (id: string) =>
    queryOptions({
      queryKey: ['submission-mesh', id],
      queryFn: () => api.submissionMesh(id),
      staleTime: Infinity,
    }),
};
