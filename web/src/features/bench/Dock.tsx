import type { ReactNode } from 'react';
import { useWide } from '../../ui/useWide';
import { GROUPS, groupOf, type Tool } from './tools';

interface Props {
  tool: Tool;
  findings: number;
  onTool: (tool: Tool) => void;
  onCheck: () => void;
  /** Whether the form is bent for a look. */
  bends: boolean;
  onBend: () => void;
  /** Beside the tools, where there is room. */
  children?: ReactNode;
}

/** From this width on all tools stand side by side. */
const ALL_STAND = 1270;

/** From this width on what lies beside the tools has room as well. */
const ROOM_BESIDE = 1560;

/**
 * The tools in the order of the work. The digits are the open group's, the one of the tool in hand.
 * In a narrow window the others fold to their names.
 */
export function Dock(props: Props) {
  const open = groupOf(props.tool);
  const stands = useWide(ALL_STAND);
  const hasRoom = useWide(ROOM_BESIDE);
  const width = stands ? 'w-[49px]' : 'w-[64px]';
  return (
    <div className="flex h-[82px] shrink-0 gap-2 px-2.5 pt-1" role="toolbar" aria-label="Tools">
      {GROUPS.map((group, g) => (
        <Group
          key={group.name}
          name={group.name}
          open={g === open}
          letter={g === open ? undefined : g > open ? '.' : ','}
        >
          {group.name === 'Check' && (
            <ToolButton
              name={props.findings > 0 ? 'Next finding' : 'Clean'}
              width={stands ? 'w-[72px]' : 'w-[84px]'}
              digit="N"
              inHand={false}
              disabled={props.findings === 0}
              picture={<path d="M3 12l5 6L19 4" />}
              onClick={props.onCheck}
            />
          )}
          {stands || g === open || group.tools.length === 1 ? (
            group.tools.map((item, i) => (
              <ToolButton
                key={item.tool}
                name={item.name}
                digit={item.tool === 'mend' ? 'M' : g === open ? String(i + 1) : undefined}
                inHand={item.tool === props.tool}
                picture={item.picture}
                width={width}
                onClick={() => props.onTool(item.tool)}
              />
            ))
          ) : (
            <button
              type="button"
              className="condensed h-[52px] w-[64px] rounded-ctl hover:bg-shoal1"
              onClick={() => props.onTool(group.tools[0]!.tool)}
            >
              {group.name}
              <br />
              <span className="text-[12px] text-ink2">{group.tools.length} tools</span>
            </button>
          )}
          {group.name === 'Check' && (
            <ToolButton
              name="Bend look"
              width={stands ? 'w-[60px]' : width}
              digit={undefined}
              inHand={props.bends}
              picture={
                <>
                  <path d="M5 20V13C5 6 10 3 19 3M11 20v-7c0-2.500 2-4 8-4" />
                  <path
                    d="M5 16h6M5.500 11l5.800.800M9 6.200l4 3.700M14 3.500l.800 5.700"
                    strokeWidth={1}
                  />
                </>
              }
              onClick={props.onBend}
            />
          )}
        </Group>
      ))}
      {(hasRoom || !stands) && props.children}
    </div>
  );
}

function Group(props: { name: string; open?: boolean; letter?: string; children: ReactNode }) {
  return (
    <div>
      <div className="flex">{props.children}</div>
      <p
        className={`condensed mt-[3px] flex justify-between text-[12px] leading-4 ${props.open ? 'border-t-[3px] border-ink font-semibold' : 'border-t border-rule pt-[2px] text-ink2'}`}
      >
        {props.name}
        {props.letter && <span className="text-[11px]">{props.letter}</span>}
      </p>
    </div>
  );
}

function ToolButton(props: {
  name: string;
  digit: string | undefined;
  inHand: boolean;
  disabled?: boolean;
  width: string;
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
      className={`condensed relative flex h-[52px] flex-col items-center justify-center gap-0.5 rounded-ctl ${props.width} ${look}`}
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
      {props.digit && (
        <span className="absolute top-0.5 right-1.5 text-[11px] font-medium">{props.digit}</span>
      )}
    </button>
  );
}
