import { Component, lazy, Suspense, type ComponentType, type ReactNode } from 'react';
import { ApiProblem } from '../api/client';
import { Failure, Loading } from '../ui/States';

type Page = ComponentType;

/** A page that is loaded when somebody goes there: what it is made of is no burden to the others. */
function part(load: () => Promise<Page>) {
  return lazy(async () => ({ default: await load() }));
}

const bench = () => import('../pages/BenchPage');

export const BenchPage = part(async () => (await bench()).BenchPage);
export const PracticeBenchPage = part(
  async () => (await import('../pages/PracticeBenchPage')).PracticeBenchPage,
);
export const RehearsalPage = part(
  async () => (await import('../pages/RehearsalPage')).RehearsalPage,
);
export const ReviewPage = part(async () => (await import('../pages/ReviewPage')).ReviewPage);
export const AnswerPage = part(async () => (await import('../pages/AnswerPage')).AnswerPage);
export const HandbookPage = part(async () => (await import('../pages/HandbookPage')).HandbookPage);
export const EditorPage = part(async () => (await import('../pages/EditorPage')).EditorPage);
export const BundlePage = part(async () => (await import('../pages/BundlePage')).BundlePage);
export const PracticePage = part(async () => (await import('../pages/PracticePage')).PracticePage);
export const ExercisesPage = part(
  async () => (await import('../pages/ExercisesPage')).ExercisesPage,
);

export const RoomPage = part(async () => (await import('../pages/RoomPage')).RoomPage);
export const ShowPage = part(async () => (await import('../pages/ShowPage')).ShowPage);
export const DemonstrationsPage = part(
  async () => (await import('../pages/DemonstrationsPage')).DemonstrationsPage,
);
export const DemonstrationPage = part(
  async () => (await import('../pages/DemonstrationPage')).DemonstrationPage,
);
export const BoardPage = part(async () => (await import('../pages/BoardPage')).BoardPage);
export const InsightPage = part(async () => (await import('../pages/InsightPage')).InsightPage);
export const TermPage = part(async () => (await import('../pages/TermPage')).TermPage);
export const PhrasesPage = part(async () => (await import('../pages/PhrasesPage')).PhrasesPage);
export const PeoplePage = part(async () => (await import('../pages/PeoplePage')).PeoplePage);
export const NewClassPage = part(async () => (await import('../pages/NewClassPage')).NewClassPage);
export const OutboxPage = part(async () => (await import('../pages/OutboxPage')).OutboxPage);
export const AccountPage = part(async () => (await import('../pages/AccountPage')).AccountPage);

/** Fetches what a bench is made of while nobody waits for it. */
export function fetchAhead() {
  const fetch = () => void bench().catch(() => undefined);
  if ('requestIdleCallback' in window) window.requestIdleCallback(fetch);
  else setTimeout(fetch, 2000);
}

/** Room for a page that may still have to be loaded. */
export function Part({ children }: { children: ReactNode }) {
  return (
    <Missing>
      <Suspense fallback={<Loading stage="Opening the page" />}>{children}</Suspense>
    </Missing>
  );
}

/** A part that can't be fetched: the server is away, or has another version by now. */
class Missing extends Component<{ children: ReactNode }, { error: unknown }> {
  override state: { error: unknown } = { error: null };

  static getDerivedStateFromError(error: unknown) {
    return { error };
  }

  override render() {
    if (this.state.error === null) return this.props.children;
    const problem = new ApiProblem(
      0,
      'This page could not be loaded',
      'The server is away, or was brought up to date while this window was open. What was confirmed is kept.',
    );
    return <Failure error={problem} onRetry={() => window.location.reload()} />;
  }
}
