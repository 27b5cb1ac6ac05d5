import { DropdownMenu } from 'radix-ui';
import { useNavigate } from 'react-router';
import { chooseCourse, useCourse } from '../trade/useCourse';

const ROLES = { instructor: 'you teach it', assistant: 'you assist', student: 'you learn' };

/** The class at hand, and the way to another; one alone is only named. */
export function ClassSwitch({ mayTeach }: { mayTeach: boolean }) {
  const { course, courses } = useCourse();
  const navigate = useNavigate();
  if (!mayTeach && courses.length < 2) {
    return <span className="max-sm:hidden">{course?.courseName}</span>;
  }
  const item = 'cursor-pointer px-4 py-1.5 outline-none data-[highlighted]:bg-shoal1';
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={course ? `Class ${course.courseName}: another` : 'Classes'}
        className="flex h-7 max-w-56 items-center gap-1.5 rounded-ctl px-2 text-ink hover:bg-shoal1 max-sm:max-w-32"
      >
        <span className="truncate">{course?.courseName ?? 'No class yet'}</span>
        <svg width={10} height={6} viewBox="0 0 10 6" aria-hidden>
          <path d="M1 1l4 4 4-4" fill="none" stroke="currentColor" strokeWidth={1.5} />
        </svg>
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-40 max-h-[70vh] min-w-56 overflow-y-auto border border-ink bg-sheet py-1.5"
        >
          {courses.map((m) => (
            <DropdownMenu.Item
              key={m.courseId}
              className={item}
              onSelect={() => chooseCourse(m.courseId)}
            >
              <span className={m === course ? 'font-semibold' : ''}>{m.courseName}</span>
              <span className="ml-2 text-[13px] text-ink2">
                {ROLES[m.role]}
                {m.putAway && ', put away'}
              </span>
            </DropdownMenu.Item>
          ))}
          {mayTeach && (
            <DropdownMenu.Item
              className={`${item} ${courses.length ? 'mt-1.5 border-t border-rule pt-2' : ''}`}
              onSelect={() => void navigate('/classes/new')}
            >
              New class
            </DropdownMenu.Item>
          )}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
