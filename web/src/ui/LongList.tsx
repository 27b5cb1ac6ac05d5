import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useState, type ReactNode, type RefObject } from 'react';

/** So many rows beyond the edges are there before they are scrolled to. */
const BEYOND = 40;

interface Props {
  /** What scrolls: the list or something round it. */
  scroller: RefObject<HTMLElement | null>;
  label: string;
  count: number;
  /** How tall a row is before it is measured. */
  rowHeight: number;
  keyOf: (index: number) => string;
  row: (index: number) => ReactNode;
  /** A row that is to be in view; -1 for none. */
  shown: number;
  testid?: string;
}

/** A list of any length: only the rows near to what is in view are there. */
export function LongList(props: Props) {
  const { scroller, count, shown } = props;
  const [list, setList] = useState<HTMLUListElement | null>(null);
  // What it returns changes with every scroll and is used here alone.
  // eslint-disable-next-line react-hooks/incompatible-library
  const rows = useVirtualizer({
    count,
    getScrollElement: () => scroller.current,
    estimateSize: () => props.rowHeight,
    getItemKey: props.keyOf,
    overscan: BEYOND,
    scrollMargin: list && list !== scroller.current ? list.offsetTop : 0,
  });
  useEffect(() => {
    if (shown >= 0) rows.scrollToIndex(shown, { align: 'auto' });
    // Only where another row is to be seen: not when the list is drawn again.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [shown]);
  return (
    <ul
      ref={setList}
      aria-label={props.label}
      data-testid={props.testid}
      className="relative"
      style={{ height: rows.getTotalSize() }}
    >
      {rows.getVirtualItems().map((item) => (
        <li
          key={item.key}
          ref={rows.measureElement}
          data-index={item.index}
          className="absolute inset-x-0 top-0"
          style={{ transform: `translateY(${item.start - rows.options.scrollMargin}px)` }}
          aria-setsize={count}
          aria-posinset={item.index + 1}
        >
          {props.row(item.index)}
        </li>
      ))}
    </ul>
  );
}
