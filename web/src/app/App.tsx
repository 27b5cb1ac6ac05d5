import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { useEffect, type ReactNode } from 'react';
import { BrowserRouter, Navigate, Route, Routes, useLocation, useNavigate } from 'react-router';
import { ApiProblem } from '../api/client';
import { queries } from '../api/queries';
import { AnswerPage } from '../pages/AnswerPage';
import { BenchPage } from '../pages/BenchPage';
import { DeskPage } from '../pages/DeskPage';
import { BundlePage } from '../pages/BundlePage';
import { ExercisesPage } from '../pages/ExercisesPage';
import { HandbookPage } from '../pages/HandbookPage';
import { MyWorkPage } from '../pages/MyWorkPage';
import { PracticeBenchPage } from '../pages/PracticeBenchPage';
import { PracticePage } from '../pages/PracticePage';
import { ReviewPage } from '../pages/ReviewPage';
import { TermsPage } from '../pages/TermsPage';
import { SignInPage } from '../pages/SignInPage';
import { Failure } from '../ui/States';
import { Shell } from './Shell';

const client = new QueryClient({
  defaultOptions: {
    queries: {
      retry: (count, error) => error instanceof ApiProblem && error.offline && count < 2,
      refetchOnWindowFocus: false,
    },
  },
});

export function App() {
  return (
    <QueryClientProvider client={client}>
      <BrowserRouter>
        <Routes>
          <Route path="/sign-in" element={<SignInPage />} />
          <Route path="/" element={<Home />} />
          <Route
            path="/my-work"
            element={
              <Inside>
                <Shell>
                  <MyWorkPage />
                </Shell>
              </Inside>
            }
          />
          <Route
            path="/practice"
            element={
              <Inside>
                <Shell>
                  <PracticePage />
                </Shell>
              </Inside>
            }
          />
          <Route
            path="/practice/:practice"
            element={
              <Inside>
                <PracticeBenchPage />
              </Inside>
            }
          />
          <Route
            path="/desk"
            element={
              <Inside>
                <Shell>
                  <DeskPage />
                </Shell>
              </Inside>
            }
          />
          <Route
            path="/exercises"
            element={
              <Inside>
                <Shell>
                  <ExercisesPage />
                </Shell>
              </Inside>
            }
          />
          <Route
            path="/exercises/:exercise"
            element={
              <Inside>
                <TermsPage />
              </Inside>
            }
          />
          <Route
            path="/exercises/:exercise/bundle"
            element={
              <Inside>
                <Shell>
                  <BundlePage />
                </Shell>
              </Inside>
            }
          />
          {['/handbook', '/handbook/:card'].map((path) => (
            <Route
              key={path}
              path={path}
              element={
                <Inside>
                  <Shell>
                    <HandbookPage />
                  </Shell>
                </Inside>
              }
            />
          ))}
          <Route
            path="/bench/:exercise"
            element={
              <Inside>
                <BenchPage />
              </Inside>
            }
          />
          <Route
            path="/review/:submission"
            element={
              <Inside>
                <ReviewPage />
              </Inside>
            }
          />
          <Route
            path="/answer/:submission"
            element={
              <Inside>
                <AnswerPage />
              </Inside>
            }
          />
          <Route path="*" element={<Nowhere />} />
        </Routes>
      </BrowserRouter>
    </QueryClientProvider>
  );
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
  if (me.data) return children;
  if (!me.error) return null;
  if (me.error instanceof ApiProblem && me.error.status === 401) {
    return <Navigate to="/sign-in" state={{ from: here.pathname }} replace />;
  }
  return <Failure error={me.error} onRetry={() => void me.refetch()} />;
}

function Home() {
  return (
    <Inside>
      <ByRole />
    </Inside>
  );
}

function ByRole() {
  const { data: me } = useQuery(queries.me());
  const teaches = me?.memberships.some((m) => m.role === 'instructor');
  return <Navigate to={teaches ? '/desk' : '/my-work'} replace />;
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
