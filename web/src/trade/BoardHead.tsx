import { useState, type ReactNode } from 'react';
import { NavLink } from 'react-router';
import { files, type Schemas } from '../api/client';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { TwoWay } from '../ui/TwoWay';

interface Props {
  course: string;
  at: 'board' | 'insight';
  groups: readonly Schemas['BoardGroup'][];
  group: string | null;
  onGroup: (group: string | null) => void;
  /** What can be taken along as a table: its name at the server, and on the screen. */
  tables: readonly (readonly [string, string])[];
  children?: ReactNode;
}

/** The head of board and insight: whose, which of the two, and ways to take it along. */
export function BoardHead(props: Props) {
  return (
    <header className="flex min-h-14 shrink-0 flex-wrap items-center gap-x-3.5 gap-y-1.5 border-b border-ink px-4 py-1.5">
      <h1 className="text-[22px] leading-7 font-semibold">Class board</h1>
      {props.groups.length > 0 && (
        <TwoWay
          label="Students"
          value={props.group ?? ''}
          options={[
            { value: '', name: 'All' },
            ...props.groups.map((g) => ({ value: g.id, name: g.name })),
          ]}
          onChange={(v) => props.onGroup(v || null)}
        />
      )}
      <nav
        aria-label="Board or insight"
        className="flex rounded-ctl border border-ctl bg-sheet print:hidden"
      >
        <Half to="/board" group={props.group}>
          Board
        </Half>
        <Half to="/insight" group={props.group}>
          Insight
        </Half>
      </nav>
      <div className="ml-auto flex items-center gap-2 print:hidden">
        {props.children}
        <TableMenu
          tables={props.tables.map(([table, name]) => ({
            name,
            address: (bom) => files.table(props.course, table, props.group, bom),
          }))}
        />
        <Button onClick={() => window.print()}>Print</Button>
      </div>
    </header>
  );
}

function Half(props: { to: string; group: string | null; children: string }) {
  return (
    <NavLink
      to={props.group ? `${props.to}?group=${props.group}` : props.to}
      className={({ isActive }) =>
        `flex h-[30px] items-center px-2.5 -outline-offset-2 ${isActive ? 'bg-shoal2 font-semibold' : 'text-ink2 hover:bg-shoal1'}`
      }
    >
      {props.children}
    </NavLink>
  );
}

/** Tables to take along into a spreadsheet. */
export function TableMenu(props: {
  tables: readonly { name: string; address: (bom: boolean) => string }[];
}) {
  const [open, setOpen] = useState(false);
  const [bom, setBom] = useState(false);
  return (
    <>
      <Button onClick={() => setOpen(true)}>CSV</Button>
      <Dialog
        open={open}
        title="Take a table along"
        description="Comma-separated values, UTF-8. What looks like a formula gets an apostrophe before it."
        onClose={() => setOpen(false)}
      >
        <label className="flex items-center gap-2">
          <input type="checkbox" checked={bom} onChange={(e) => setBom(e.target.checked)} />
          With a byte order mark, for spreadsheets that show letters wrongly
        </label>
        <ul className="mt-3 border-t border-rule">
          {props.tables.map((table) => (
            <li key={table.name} className="border-b border-rule py-2">
              <a className="font-medium underline" href={table.address(bom)} download>
                {table.name}
              </a>
            </li>
          ))}
        </ul>
      </Dialog>
    </>
  );
}
