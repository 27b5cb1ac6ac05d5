import DOMPurify from 'dompurify';
import { marked } from 'marked';
import { useMemo } from 'react';

const ALLOWED = [
  ...['p', 'br', 'em', 'strong', 'del', 'code', 'pre', 'blockquote', 'hr', 'a'],
  ...['ul', 'ol', 'li', 'h1', 'h2', 'h3', 'h4', 'table', 'thead', 'tbody', 'tr', 'th', 'td'],
];

/** Text that somebody wrote, as HTML that can do nothing but be read. */
export function safeHtml(text: string): string {
  return DOMPurify.sanitize(marked.parse(text, { async: false }), {
    ALLOWED_TAGS: ALLOWED,
    ALLOWED_ATTR: ['href', 'start'],
    ALLOWED_URI_REGEXP: /^(?:https?:|mailto:|\/)/i,
  });
}

/** Markdown that somebody wrote. */
export function Markdown({ text, className }: { text: string; className?: string }) {
  const html = useMemo(() => safeHtml(text), [text]);
  return (
    <div className={`prose-text ${className ?? ''}`} dangerouslySetInnerHTML={{ __html: html }} />
  );
}
