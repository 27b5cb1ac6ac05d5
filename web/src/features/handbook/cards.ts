import { marked } from 'marked';

const TEXTS = import.meta.glob<string>('../../../../docs/handbook/*.md', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const PICTURES = import.meta.glob<string>('../../../../docs/handbook/pictures/*.png', {
  query: '?url',
  import: 'default',
  eager: true,
});

const FOLDER = '../../../../docs/handbook/';

export interface Card {
  name: string;
  title: string;
  /** Of our own sources, as HTML. */
  html: string;
}

/** The card of a tool or a kind of finding; null where there is none. */
export function cardOf(name: string): Card | null {
  const text = TEXTS[`${FOLDER}${name}.md`];
  if (text === undefined || name === 'README') return null;
  const [head = '', ...body] = text.split('\n');
  const html = marked
    .parse(body.join('\n'), { async: false })
    .replace(/href="([a-z-]+)\.md"/g, 'href="/handbook/$1"')
    .replace(/<p>(Why[^:]*|How[^:]*|Mend it):/g, '<p><b>$1:</b>')
    .replace(/src="(pictures\/[a-z-]+\.png)"/g, (_, file: string) => {
      return `src="${PICTURES[FOLDER + file] ?? ''}"`;
    });
  return { name, title: head.replace(/^#\s*/, ''), html };
}
