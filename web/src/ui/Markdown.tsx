import DOMPurify from 'dompurify';
import { marked } from 'marked';
import { useMemo } from 'react';

const ALLOWED = [
  ...['p', 'br', 'em', 'strong', 'del', 'code', 'pre', 'blockquote', 'hr', 'a'],
  ...['img', 'ul', 'ol', 'li', 'h1', 'h2', 'h3', 'h4', 'table', 'thead', 'tbody', 'tr', 'th', 'td'],
];

/** How a picture that was kept for a text is named in it. */
const KEPT = /^picture:([0-9a-f]{12})$/;

/**
 * Text that somebody wrote, as HTML that can do nothing but be read. Pictures are those that were kept
 * for it: no others are asked for, from wherever.
 *
 * @param pictures where they are, by their names; undefined: there are none
 */
export function safeHtml(text: string, pictures?: string): string {
  const page = DOMPurify.sanitize(marked.parse(text, { async: false }), {
    ALLOWED_TAGS: ALLOWED,
    ALLOWED_ATTR: ['href', 'start', 'src', 'alt'],
    ALLOWED_URI_REGEXP: /^(?:https?:|mailto:|\/|picture:[0-9a-f]{12}$)/i,
    RETURN_DOM: true,
  });
  for (const image of page.querySelectorAll('img')) {
    const [, name] = KEPT.exec(image.getAttribute('src') ?? '') ?? [];
    if (pictures && name) image.src = pictures + name;
    else image.remove();
  }
  for (const link of page.querySelectorAll('a[href^="picture:" i]')) link.removeAttribute('href');
  return page.innerHTML;
}

interface Props {
  text: string;
  className?: string;
  /** Where the pictures are that it names. */
  pictures?: string | undefined;
}

/** Markdown that somebody wrote. */
export function Markdown({ text, className, pictures }: Props) {
  const html = useMemo(() => safeHtml(text, pictures), [text, pictures]);
  return (
    <div className={`prose-text ${className ?? ''}`} dangerouslySetInnerHTML={{ __html: html }} />
  );
}
