import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { useEffect, type ReactNode } from 'react';
import { BrowserRouter, Navigate, Route, Routes, useLocation, useNavigate } from 'react-router';
import { ApiProblem } from '../api/client';
import { queries } from '../api/queries';
import { DeskPage } from '../pages/DeskPage';
import { JoinPage } from '../pages/JoinPage';
import { MyWorkPage } from '../pages/MyWorkPage';
import { SetUpPage } from '../pages/SetUpPage';
import { SignInPage } from '../pages/SignInPage';
import { SlipPage } from '../pages/SlipPage';
import { seesAll } from '../trade/useCourse';
import { Failure } from '../ui/States';
import { liveIn } from '../ui/time';
import {
  AccountPage,
  AnswerPage,
  BenchPage,
  BoardPage,
  BundlePage,
  DemonstrationPage,
  DemonstrationsPage,
  ExercisesPage,
  fetchAhead,
  HandbookPage,
  InsightPage,
  NewClassPage,
  OutboxPage,
  Part,
  PeoplePage,
  PhrasesPage,
  PracticeBenchPage,
  PracticePage,
  RehearsalPage,
  ReviewPage,
  RoomPage,
  ShowPage,
  TermPage,
  EditorPage,
} from './parts';
import places from './places.json';
import { Shell } from './Shell';

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => error instanceof ApiProblem && error.offline && count < 2,
      refetchOnWindowFocus: false,
    },
  },
});

/** What stands at each place; the server knows the same places from the same list. */
const AT: Record<keyof typeof places, ReactNode> = {
  home: <ByRole />,
  signIn: <SignInPage />,
  setUp: <SetUpPage />,
  slip: <SlipPage />,
  join: <JoinPage />,
  joinBy: <JoinPage />,
  account: <AccountPage />,
  outbox: <OutboxPage />,
  people: <PeoplePage />,
  newClass: <NewClassPage />,
  myWork: <MyWorkPage />,
  practice: <PracticePage />,
  practiceBench: <PracticeBenchPage />,
  bench: <BenchPage />,
  desk: <DeskPage />,
  handbook: <HandbookPage />,
  card: <HandbookPage />,
  exercises: <ExercisesPage />,
  editor: <EditorPage />,
  rehearsal: <RehearsalPage />,
  bundle: <BundlePage />,
  phrases: <PhrasesPage />,
  room: <RoomPage />,
  show: <ShowPage />,
  demonstrations: <DemonstrationsPage />,
  demonstration: <DemonstrationPage />,
  board: <BoardPage />,
  insight: <InsightPage />,
  term: <TermPage />,
  review: <ReviewPage />,
  answer: <AnswerPage />,
};

/** Places without the head of the homes: there one works, or is not known yet. */
const BARE: readonly string[] = [
  'home',
  'practiceBench',
  'bench',
  'editor',
  'demonstration',
  'show',
  'rehearsal',
  'review',
  'answer',
] satisfies (keyof typeof places)[];

/** Places for who is not signed in. */
const OUTSIDE: readonly string[] = [
  'signIn',
  'setUp',
  'slip',
  'join',
  'joinBy',
] satisfies (keyof typeof places)[];

export function App() {
  useEffect(fetchAhead, []);
  return (
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <Routes>
          {Object.entries(AT).map(([name, page]) => (
            <Route
              key={name}
              path={places[name as keyof typeof places]}
              element={<Place name={name}>{page}</Place>}
            />
          ))}
          <Route path="*" element={<Nowhere />} />
        </Routes>
      </BrowserRouter>
    </QueryClientProvider>
  );
}

function Place({ name, children }: { name: string; children: ReactNode }) {
  if (OUTSIDE.includes(name)) return children;
  const page = <Part>{children}</Part>;
  return <Inside>{BARE.includes(name) ? page : <Shell>{page}</Shell>}</Inside>;
}

/** Sends who is not signed in to the sign-in page, and back afterwards. */
function Inside({ children }: { children: ReactNode }) {
  const me = useQuery(queries.me());
  const navigate = useNavigate();
  const here = useLocation();
  useEffect(() => {
    const onSignedOut = () => void navigate('/sign-in', { state: { from: here.pathname } });
    window.addEventListener('signed-out', onSignedOut);
    return () => window.removeEventListener('signed-out', onSignedOut);
  }, [navigate, here.pathname]);
  const zone = me.data?.zone;
  useEffect(() => liveIn(zone ?? null), [zone]);
  if (me.data) return children;
  if (!me.error) return null;
  if (me.error instanceof ApiProblem && me.error.status === 401) {
    return <Navigate to="/sign-in" state={{ from: here.pathname }} replace />;
  }
  return <Failure error={me.error} onRetry={() => void me.refetch()} />;
}

function ByRole() {
  const { data: me } = useQuery(queries.me());
  if (!me) return null;
  if (me.memberships.some(seesAll)) return <Navigate to="/desk" replace />;
  const isNew = me.mayTeach && me.memberships.length === 0;
  return <Navigate to={isNew ? '/classes/new' : '/my-work'} replace />;
}

function Nowhere() {
  return (
    <Failure error={new ApiProblem(404, 'Nothing is here', 'No place has this address.')}>
      <a className="underline" href="/">
        To the first page
      </a>
    </Failure>
  );
}
