import { useQuery, useQueryClient } from '@tanstack/react-query';
import { DropdownMenu } from 'radix-ui';
import { NavLink, useLocation, useNavigate } from 'react-router';
import type { ReactNode } from 'react';
import { api } from '../api/client';
import { queries } from '../api/queries';
import { forgetDrafts } from '../trade/drafts';
import { seesAll } from '../trade/useCourse';
import { HouseMark } from '../ui/Head';
import { ClassSwitch } from './ClassSwitch';
import { useTheme } from './theme';

/** The head of the homes: places by role, and the account. */
export function Shell({ children }: { children: ReactNode }) {
  const { data: me } = useQuery(queries.me());
  const teaches = me?.memberships.some(seesAll);
  const learns = me?.memberships.some((m) => m.role === 'student');
  return (
    <div className="print-whole flex h-full flex-col">
      <header className="flex min-h-12 print:hidden shrink-0 flex-wrap items-center border-b border-ink px-4">
        <span className="mr-5 flex h-12 items-center gap-2.5 text-[16px] font-semibold max-sm:h-11">
          <HouseMark />
          Fair Edge
        </span>
        {/* Where the frame is narrow the places have a row of their own. */}
        <nav
          className="-mx-2.5 flex h-12 overflow-x-auto max-sm:order-last max-sm:h-9 max-sm:basis-[calc(100%+20px)] sm:mx-0"
          aria-label="Places"
        >
          {teaches && <Place to="/desk">Desk</Place>}
          {teaches && <Place to="/exercises">Exercises</Place>}
          {teaches && (
            <Place to="/board" also="/insight">
              Class board
            </Place>
          )}
          {teaches && <Place to="/room">Room</Place>}
          {teaches && <Place to="/phrases">Phrases</Place>}
          {(teaches || me?.mayTeach) && <Place to="/people">People</Place>}
          {learns && <Place to="/my-work">My work</Place>}
          <Place to="/demonstrations">Demonstrations</Place>
          <Place to="/practice">Practice</Place>
          <Place to="/handbook">Handbook</Place>
        </nav>
        <div className="ml-auto flex items-center gap-4 text-ink2">
          <ClassSwitch mayTeach={me?.mayTeach === true} />
          {me && <Account name={me.name} />}
        </div>
      </header>
      <main className="print-whole min-h-0 flex-1 overflow-y-auto">{children}</main>
    </div>
  );
}

/** A place; its mark stays on at another that belongs to it. */
function Place(props: { to: string; also?: string; children: ReactNode }) {
  const { to, children } = props;
  const isAlso = useLocation().pathname === props.also;
  return (
    <NavLink
      to={to}
      className={({ isActive }) =>
        `flex items-center border-b-[3px] px-2.5 pt-[3px] font-medium ${isActive || isAlso ? 'border-ink font-semibold' : 'border-transparent text-ink2 hover:text-ink'}`
      }
    >
      {children}
    </NavLink>
  );
}

function Account({ name }: { name: string }) {
  const navigate = useNavigate();
  const client = useQueryClient();
  const [theme, setTheme] = useTheme();
  const initials = name
    .split(/\s+/)
    .map((w) => w[0])
    .join('')
    .slice(0, 2);
  const item = 'cursor-pointer px-4 py-1.5 outline-none data-[highlighted]:bg-shoal1';
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger
        aria-label={`${name}: account`}
        className="h-7 w-7 rounded-full border border-ctl text-[12px] font-semibold text-ink hover:bg-shoal1"
      >
        {initials}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={6}
          className="z-40 min-w-44 border border-ink bg-sheet py-1.5"
        >
          <DropdownMenu.Label className="px-4 pb-1.5 text-[12px] text-ink2">
            {name}
          </DropdownMenu.Label>
          <DropdownMenu.Item className={item} onSelect={() => void navigate('/account')}>
            Your account
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={() => void navigate('/join')}>
            Join a class
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={item}
            onSelect={() => setTheme(theme === 'night' ? 'light' : 'night')}
          >
            {theme === 'night' ? 'Light theme' : 'Night theme'}
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={item}
            onSelect={() => {
              void api.signOut().finally(() => {
                client.clear();
                forgetDrafts();
                void navigate('/sign-in');
              });
            }}
          >
            Sign out
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
