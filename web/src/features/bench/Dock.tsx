import type { ReactNode } from 'react';
import type { Tool } from './pending';

interface Item {
  tool: Tool;
  name: string;
  digit: string;
  picture: ReactNode;
}

export const CUTS: readonly Item[] = [
  {
    tool: 'trace',
    name: 'Trace',
    digit: '1',
    picture: (
      <>
        <path d="M2 18 9 9l4 4 7-9" />
        <path d="M6.500 6.500l5 5M17 1.500l4 5" strokeWidth={1} />
      </>
    ),
  },
  {
    tool: 'loops',
    name: 'Loops',
    digit: '2',
    picture: (
      <>
        <ellipse cx={11} cy={5} rx={7} ry={2.6} />
        <path d="M4 5v12M18 5v12M4 17c0 3.500 14 3.500 14 0" />
        <path d="M4 11c0 3.500 14 3.500 14 0" strokeWidth={2.6} />
      </>
    ),
  },
];

interface Props {
  tool: Tool;
  findings: number;
  onTool: (tool: Tool) => void;
  onCheck: () => void;
}

/** The tools in the order of the work. */
export function Dock(props: Props) {
  return (
    <div className="flex h-[82px] shrink-0 gap-3 px-3 pt-1" role="toolbar" aria-label="Tools">
      <Group name="Cut" open>
        {CUTS.map((item) => (
          <ToolButton
            key={item.tool}
            name={item.name}
            digit={item.digit}
            inHand={item.tool === props.tool}
            picture={item.picture}
            onClick={() => props.onTool(item.tool)}
          />
        ))}
      </Group>
      <Group name="Check">
        <ToolButton
          name={props.findings > 0 ? 'Next finding' : 'Clean'}
          digit="N"
          inHand={false}
          disabled={props.findings === 0}
          picture={<path d="M3 12l5 6L19 4" />}
          onClick={props.onCheck}
        />
      </Group>
    </div>
  );
}

function Group(props: { name: string; open?: boolean; children: ReactNode }) {
  return (
    <div>
      <div className="flex">{props.children}</div>
      <p
        className={`condensed mt-[3px] text-[12px] leading-4 ${props.open ? 'border-t-[3px] border-ink font-semibold' : 'border-t border-rule pt-[2px] text-ink2'}`}
      >
        {props.name}
      </p>
    </div>
  );
}

function ToolButton(props: {
  name: string;
  digit: string;
  inHand: boolean;
  disabled?: boolean;
  picture: ReactNode;
  onClick: () => void;
}) {
  const look = props.inHand
    ? 'bg-ink text-paper font-semibold'
    : props.disabled
      ? 'text-ink2'
      : 'hover:bg-shoal1';
  return (
    <button
      type="button"
      aria-pressed={props.inHand}
      disabled={props.disabled}
      className={`condensed relative flex h-[52px] w-[76px] flex-col items-center justify-center gap-0.5 rounded-ctl ${look}`}
      onClick={props.onClick}
    >
      <svg
        width={22}
        height={22}
        viewBox="0 0 22 22"
        fill="none"
        stroke="currentColor"
        strokeWidth={1.5}
        aria-hidden
      >
        {props.picture}
      </svg>
      {props.name}
      <span className="absolute top-0.5 right-1.5 text-[11px] font-medium">{props.digit}</span>
    </button>
  );
}
