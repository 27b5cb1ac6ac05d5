import type { ReactNode } from 'react';
import { ELEMENT_TOOLS, type ElementTool } from './hands/ways/way';

export type CutTool = 'trace' | 'straight' | 'loops' | 'outline';
export type Tool = CutTool | ElementTool | 'fold' | 'mend';

export interface ToolItem {
  tool: Tool;
  name: string;
  /** What the main button of its slip says. */
  make: string;
  picture: ReactNode;
}

export interface ToolGroup {
  name: string;
  tools: readonly ToolItem[];
}

export function isElementTool(tool: Tool): tool is ElementTool {
  return (ELEMENT_TOOLS as readonly Tool[]).includes(tool);
}

/** The tools in the order of the work, in their groups; pictures 22 wide and high. */
export const GROUPS: readonly ToolGroup[] = [
  {
    name: 'Cut',
    tools: [
      {
        tool: 'trace',
        name: 'Trace',
        make: 'Make the cut',
        picture: (
          <>
            <path d="M2 18 9 9l4 4 7-9" />
            <path d="M6.500 6.500l5 5M17 1.500l4 5" strokeWidth={1} />
          </>
        ),
      },
      {
        tool: 'straight',
        name: 'Straight',
        make: 'Make the cut',
        picture: (
          <>
            <path d="M4 8l9-4 6 3v8l-9 4-6-3zM4 8l6 3 9-4M10 11v8" strokeWidth={1} />
            <path d="M1 18 21 5" strokeWidth={2.4} strokeDasharray="4 2.500" />
          </>
        ),
      },
      {
        tool: 'loops',
        name: 'Loops',
        make: 'Make the cut',
        picture: (
          <>
            <ellipse cx={11} cy={5} rx={7} ry={2.6} />
            <path d="M4 5v12M18 5v12M4 17c0 3.500 14 3.500 14 0" />
            <path d="M4 11c0 3.500 14 3.500 14 0" strokeWidth={2.6} />
          </>
        ),
      },
      {
        tool: 'outline',
        name: 'Outline',
        make: 'Make the cut',
        picture: (
          <>
            <path d="M2 5l18-3v15L2 20z" strokeWidth={1} />
            <ellipse cx={11} cy={11} rx={5} ry={5.5} strokeWidth={2.2} strokeDasharray="3.500 2" />
          </>
        ),
      },
      {
        tool: 'meet',
        name: 'Meet',
        make: 'Do it',
        picture: (
          <>
            <path d="M2 8h12v12H2z" strokeWidth={1} />
            <circle cx={14} cy={8} r={6} strokeWidth={1} />
            <path d="M8 8a6 6 0 0 0 6 6" strokeWidth={2.6} />
          </>
        ),
      },
    ],
  },
  {
    name: 'Clean',
    tools: [
      {
        tool: 'lift',
        name: 'Lift',
        make: 'Do it',
        picture: (
          <>
            <path d="M2 20V10h18v10z" />
            <path d="M11 8V1M8 4l3-3 3 3" />
            <path d="M11 11v8" strokeDasharray="2 2" />
          </>
        ),
      },
      {
        tool: 'weld',
        name: 'Weld',
        make: 'Do it',
        picture: (
          <>
            <path d="M2 4l7 6M2 18l7-6M20 4l-7 6M20 18l-7-6" />
            <circle cx={11} cy={11} r={2.6} fill="currentColor" />
          </>
        ),
      },
      {
        tool: 'connect',
        name: 'Connect',
        make: 'Do it',
        picture: (
          <>
            <path d="M3 3h16v16H3z" strokeWidth={1} />
            <path d="M3 19 19 3" strokeWidth={2.2} />
            <circle cx={3} cy={19} r={2} fill="currentColor" />
            <circle cx={19} cy={3} r={2} fill="currentColor" />
          </>
        ),
      },
      {
        tool: 'face',
        name: 'Face',
        make: 'Do it',
        picture: (
          <>
            <path d="M3 17 8 4l12 2-3 13z" />
            <path d="M6 15l7-8M9 16l7-8M13 17l4-5" strokeWidth={1} />
          </>
        ),
      },
      {
        tool: 'cap',
        name: 'Cap',
        make: 'Do it',
        picture: (
          <>
            <path d="M7 2h8l5 5v8l-5 5H7l-5-5V7z" />
            <path d="M2 11h18M11 2v18" strokeWidth={1} />
          </>
        ),
      },
      {
        tool: 'slide',
        name: 'Slide',
        make: 'Do it',
        picture: (
          <>
            <path d="M2 6h18M2 16h18" strokeWidth={1} />
            <path d="M7 6v10" strokeDasharray="2 2" />
            <path d="M13 6v10" strokeWidth={2.2} />
            <path d="M15 11h5M18 9l2 2-2 2" />
          </>
        ),
      },
      {
        tool: 'move',
        name: 'Move',
        make: 'Do it',
        picture: (
          <>
            <circle cx={7} cy={15} r={3} />
            <path d="M9.500 12.500 19 3M19 3h-5M19 3v5" />
          </>
        ),
      },
    ],
  },
  {
    name: 'Hold',
    tools: [
      {
        tool: 'support',
        name: 'Support',
        make: 'Do it',
        picture: (
          <>
            <path d="M3 7l8-4 8 4v9l-8 4-8-4z" strokeWidth={1} />
            <path d="M11 11v9" strokeWidth={2.6} />
            <path d="M8 9.500v9M14 9.500v9" strokeDasharray="3 2" />
          </>
        ),
      },
      {
        tool: 'inset',
        name: 'Inset',
        make: 'Do it',
        picture: (
          <>
            <path d="M2 5l18-3v15L2 20z" strokeWidth={1} />
            <path d="M7 8.500l8-1.300v7L7 15.500z" strokeWidth={2.2} />
            <path d="M2 5l5 3.500M20 2l-5 5.200M20 17l-5-2.800M2 20l5-4.500" strokeWidth={1} />
          </>
        ),
      },
      {
        tool: 'extrude',
        name: 'Extrude',
        make: 'Do it',
        picture: (
          <>
            <path d="M3 15v4h16v-4" strokeWidth={1} />
            <path d="M3 15h4V6h8v9h4" />
            <path d="M7 6h8" strokeWidth={2.6} />
          </>
        ),
      },
      {
        tool: 'groove',
        name: 'Groove',
        make: 'Do it',
        picture: (
          <>
            <path d="M1 7h6v8h8V7h6" strokeWidth={2.2} />
            <path d="M1 19h20" strokeWidth={1} />
          </>
        ),
      },
      {
        tool: 'mirror',
        name: 'Mirror',
        make: 'Do it',
        picture: (
          <>
            <path d="M11 1v20" strokeDasharray="3 2" />
            <path d="M8 6 2 9v7l6-2z" />
            <path d="M14 6l6 3v7l-6-2z" strokeWidth={1} />
          </>
        ),
      },
      {
        tool: 'thicken',
        name: 'Thicken',
        make: 'Do it',
        picture: (
          <>
            <path d="M2 8c6-6 12-6 18 0" strokeWidth={2.2} />
            <path d="M2 14c6-6 12-6 18 0" />
            <path d="M2 8v6M20 8v6" />
          </>
        ),
      },
      {
        tool: 'pieces',
        name: 'Pieces',
        make: 'Do it',
        picture: (
          <>
            <path d="M2 4h7v5l-2 2 2 2v6H2z" />
            <path d="M13 4h7v15h-7v-6l-2-2 2-2z" />
          </>
        ),
      },
      {
        tool: 'fold',
        name: 'Fold',
        make: 'Do it',
        picture: (
          <>
            <path d="M2 16l9 4V9L2 5z" />
            <path d="M11 9l9-5v11l-9 5" strokeWidth={1} />
            <path d="M11 9v11" strokeWidth={2.4} />
          </>
        ),
      },
      {
        tool: 'bend',
        name: 'Bend',
        make: 'Do it',
        picture: (
          <>
            <path d="M3 20C3 9 9 3 20 3M9 20c0-7 4-11 11-11" />
            <path d="M3.500 15.500l6 1.500M6 9.500l5.500 3.500M11.500 5l3 5.500" strokeWidth={1} />
          </>
        ),
      },
    ],
  },
  {
    name: 'Check',
    tools: [
      {
        tool: 'mend',
        name: 'Mend',
        make: 'Do it',
        picture: (
          <>
            <path d="M2 3h7l-2 5 3 3-2 4 1 4H2zM13 3h7v16h-7l-1-4 2-4-3-3z" strokeWidth={1} />
            <path
              d="M6 7l10-2M5.500 12l11-1M6 17l10-2"
              strokeDasharray="0 3.200"
              strokeLinecap="round"
              strokeWidth={2.4}
            />
          </>
        ),
      },
    ],
  },
];

export function itemOf(tool: Tool): ToolItem {
  return GROUPS.flatMap((g) => g.tools).find((t) => t.tool === tool)!;
}

export function groupOf(tool: Tool): number {
  return GROUPS.findIndex((g) => g.tools.some((t) => t.tool === tool));
}
