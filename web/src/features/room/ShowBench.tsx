import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useState } from 'react';
import { api, asProblem } from '../../api/client';
import { queries } from '../../api/queries';
import { useStage } from '../../stage/stageContext';
import { seesAll, useCourse } from '../../trade/useCourse';
import { Button } from '../../ui/Button';
import { readAddress } from '../../ui/useAddressed';

const SIGHT_MS = 150;

/** The class to which one may show a bench: the one at hand. */
function useAudience() {
  const { course, courses } = useCourse();
  const may = (m: (typeof courses)[number]) => seesAll(m) && !m.putAway;
  return (course && may(course) ? course : courses.find(may)) ?? null;
}

/** Shows one's bench to the class, with a word to it; ends it. */
export function ShowBench({ workpiece }: { workpiece: string }) {
  const audience = useAudience();
  return audience && <Showing key={audience.courseId} {...audience} workpiece={workpiece} />;
}

function Showing(props: { courseId: string; courseName: string; workpiece: string }) {
  const { courseId, workpiece } = props;
  const client = useQueryClient();
  const show = useQuery(queries.show(courseId));
  const [caption, setCaption] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  const isShown = show.data?.workpiece === workpiece;
  const { queryKey } = queries.show(courseId);
  const act = async (work: () => Promise<unknown>) => {
    try {
      await work();
      setProblem(null);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  if (!isShown) {
    return (
      <>
        {problem && <span role="alert">{problem}</span>}
        <Button
          size="small"
          title={`Everybody in ${props.courseName} can follow what you cut`}
          onClick={() =>
            void act(async () =>
              client.setQueryData(queryKey, await api.beginShow(courseId, workpiece)),
            )
          }
        >
          Show live
        </Button>
      </>
    );
  }
  const say = () =>
    client.setQueryData(queryKey, (now) => now && { ...now, caption: caption.trim() });
  return (
    <form
      className="flex items-center gap-2"
      data-testid="showing"
      onSubmit={(e) => {
        e.preventDefault();
        say();
      }}
    >
      {problem && <span role="alert">{problem}</span>}
      <input
        aria-label="Caption for the class"
        maxLength={300}
        value={caption}
        placeholder="Say what is to be seen, Enter"
        className="h-[26px] w-56 rounded-ctl border border-magenta bg-sheet px-2 text-[13px]"
        onChange={(e) => setCaption(e.target.value)}
      />
      <Button
        look="instructor-main"
        size="small"
        onClick={() =>
          void act(async () => {
            await api.endShow(courseId);
            client.setQueryData(queryKey, null);
          })
        }
      >
        Stop showing
      </Button>
    </form>
  );
}

/** Tells those who follow from where one looks, through which lens, and what one says of it. */
export function ShownSight({ workpiece }: { workpiece: string }) {
  const audience = useAudience();
  const show = useQuery({
    ...queries.show(audience?.courseId ?? ''),
    enabled: audience !== null,
  });
  if (!audience || show.data?.workpiece !== workpiece) return null;
  return <Sight course={audience.courseId} caption={show.data.caption} />;
}

function Sight({ course, caption }: { course: string; caption: string }) {
  const stage = useStage();
  const client = useQueryClient();
  const tell = useEffectEvent(async () => {
    const lens = readAddress('lens') ?? 'clay';
    try {
      await api.showSight(course, { camera: stage.cameraPlace ?? null, lens, caption });
    } catch (e) {
      // Somebody else shows by now, or the line is lost: which of them is found out by looking.
      if (asProblem(e).status === 409) void client.invalidateQueries(queries.show(course));
    }
  });
  useEffect(() => {
    void tell();
  }, [caption]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    let lens = readAddress('lens');
    const soon = () => {
      timer ??= setTimeout(() => {
        timer = undefined;
        void tell();
      }, SIGHT_MS);
    };
    const unsubscribe = stage.subscribe(soon);
    // A lens is taken without a move of the camera.
    const looks = setInterval(() => {
      if (readAddress('lens') === lens) return;
      lens = readAddress('lens');
      soon();
    }, SIGHT_MS);
    return () => {
      clearTimeout(timer);
      clearInterval(looks);
      unsubscribe();
    };
  }, [stage]);
  return null;
}
