import { useEffect, useRef } from 'react';
import { Link, useNavigate } from 'react-router';
import { FindingMark } from '../../trade/FindingMark';
import { KIND_NAMES } from '../../trade/kinds';
import { Empty } from '../../ui/States';
import { cardOf } from './cards';
import { groups } from '../../trade/cards';

/** A card for every tool and every kind of finding; beside it the list of all. */
export function Handbook({ card }: { card: string | null }) {
  const shown = cardOf(card ?? 'first');
  const navigate = useNavigate();
  const here = useRef<HTMLAnchorElement>(null);
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'nearest' });
  }, [shown?.name]);
  return (
    <div className="flex h-full max-lg:h-auto max-lg:flex-col-reverse">
      <nav
        aria-label="Cards"
        className="w-[300px] shrink-0 border-r border-rule px-5 pt-5 pb-8 lg:overflow-y-auto max-lg:w-full max-lg:border-t max-lg:border-r-0"
      >
        {groups().map((group) => (
          <section key={group.name} className="pb-4">
            <h2 className="pb-1 text-[13px] font-semibold">{group.name}</h2>
            <ul className="condensed">
              {group.cards.map((c) => (
                <li key={c.name}>
                  <Link
                    ref={c.name === shown?.name ? here : undefined}
                    to={`/handbook/${c.name}`}
                    aria-current={c.name === shown?.name ? 'page' : undefined}
                    className={`flex min-h-7 items-center gap-2 border-l-[3px] px-2 hover:bg-shoal1 ${c.name === shown?.name ? 'border-ink bg-shoal1 font-semibold' : 'border-transparent'}`}
                  >
                    {c.name in KIND_NAMES && (
                      <FindingMark kind={c.name} severity="should" title={c.title} size={14} />
                    )}
                    {c.title}
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </nav>
      <article className="min-w-0 flex-1 px-10 pt-8 pb-12 lg:overflow-y-auto max-lg:px-5">
        {shown ? (
          <div data-testid="card" className="max-w-[640px]">
            <h1 className="flex items-center gap-3 border-b border-ink pb-3 text-[22px] leading-7 font-semibold">
              {shown.name in KIND_NAMES && (
                <FindingMark kind={shown.name} severity="must" title={shown.title} size={24} />
              )}
              {shown.title}
            </h1>
            <div
              className="card-text"
              onClick={(e) => {
                const link = (e.target as HTMLElement).closest('a');
                const to = link?.getAttribute('href');
                if (!to?.startsWith('/') || e.metaKey || e.ctrlKey) return;
                e.preventDefault();
                void navigate(to);
              }}
              dangerouslySetInnerHTML={{ __html: shown.html }}
            />
          </div>
        ) : (
          <Empty title="There is no such card.">Choose one from the list.</Empty>
        )}
      </article>
    </div>
  );
}
